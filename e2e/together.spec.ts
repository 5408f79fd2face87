import { type Browser, chromium, type Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import config from '../playwright.config';
import { expect, HALL, SetupPage, type Stack, test } from './stack';

const SHOOT = '/shoot/019c9c00-0000-7000-8000-000000000001';
const WEDDING = 'Wedding at the old funicular';

/** One more device: a browser of its own with nothing on it. */
async function device(browser: Browser, viewport = { width: 390, height: 844 }) {
  const context = await browser.newContext({ viewport });
  const page = await context.newPage();
  return { context, page, setup: new SetupPage(page) };
}

/** What this device is called from now on. */
async function nameDevice(page: Page, stack: Stack, name: string): Promise<void> {
  await page.goto(`${stack.url}/settings`);
  await expect(new SetupPage(page).saved).toBeVisible();
  await page.getByLabel('Name of this device').fill(name);
  await page.getByLabel('Name of this device').press('Enter');
}

/** Writes something into the application's storage; false where there is no room for it. */
const writesWell = () =>
  new Promise<boolean>((done) => {
    const opening = indexedDB.open('sphene');
    opening.onsuccess = () => {
      const database = opening.result;
      const end = (well: boolean) => {
        database.close();
        done(well);
      };
      const transaction = database.transaction('values', 'readwrite');
      transaction.objectStore('values').put('x', 'probe');
      transaction.oncomplete = () => end(true);
      transaction.onabort = () => end(false);
    };
  });

/** The last place in the server's history that this device has heard of. */
const heardMark = () =>
  new Promise<string | undefined>((done) => {
    const opening = indexedDB.open('sphene');
    opening.onsuccess = () => {
      const asked = opening.result.transaction('values').objectStore('values').get('head');
      asked.onsuccess = () => {
        opening.result.close();
        done((asked.result as { mark: string } | undefined)?.mark);
      };
    };
  });

const nameOfShoot = (page: Page) => page.getByLabel('Shoot name');
const mark = (page: Page) => page.getByRole('button', { name: /things? to settle/ }).filter({ visible: true });

test('one field, two devices: both values are kept, the person is asked once, and one answer settles it everywhere', async ({
  stack,
  page,
  browser,
}) => {
  const other = await device(browser);
  await nameDevice(page, stack, 'Phone');
  await nameDevice(other.page, stack, 'Laptop');
  for (const one of [page, other.page]) {
    await one.goto(stack.url + SHOOT);
    await expect(new SetupPage(one).saved).toBeVisible();
  }
  await page.context().setOffline(true);
  await nameOfShoot(other.page).fill('By the river');
  await nameOfShoot(other.page).press('Enter');
  await expect(other.setup.saved).toBeVisible();
  await nameOfShoot(page).fill('At the winch');
  await nameOfShoot(page).press('Enter');
  await page.context().setOffline(false);
  for (const one of [page, other.page]) {
    await expect(mark(one)).toBeVisible();
    // it never opens by itself, and the later to arrive stands everywhere
    await expect(one.getByRole('dialog')).toHaveCount(0);
    await expect(nameOfShoot(one)).toHaveValue('At the winch');
  }
  await mark(other.page).click();
  const sheet = other.page.getByRole('dialog', { name: 'To settle' });
  await expect(sheet).toContainText('Name: At the winch');
  await expect(sheet).toContainText('Name: By the river');
  await expect(sheet).toContainText(/Phone, .* · used now/);
  await expect(sheet).toContainText(/Laptop, \d+ \w+, \d\d:\d\d/);
  await sheet.getByRole('button', { name: 'Choose Name: By the river' }).click();
  for (const one of [page, other.page]) {
    await expect(nameOfShoot(one)).toHaveValue('By the river');
    await expect(mark(one)).toHaveCount(0);
  }
  const changes = page.getByRole('button', { name: /^Changes/ });
  await changes.click();
  await expect(page.getByText(/Name: At the winch, was/)).toBeVisible();
  await expect(page.getByText(/Name: By the river, was/).first()).toBeVisible();
  await other.context.close();
});

test('a setting that two devices changed is asked for in the words of the log', async ({
  stack,
  page,
  setup,
  browser,
}) => {
  const other = await device(browser);
  await setup.open(stack, HALL);
  await other.setup.open(stack, HALL);
  await page.context().setOffline(true);
  await (await other.setup.part('Look')).getByRole('button', { name: /^Carry/ }).click();
  await expect(other.setup.saved).toBeVisible();
  await (await setup.part('Look')).getByRole('button', { name: /^Shut/ }).click();
  await page.context().setOffline(false);
  await expect(mark(page)).toBeVisible();
  const log = await setup.part('Log');
  await expect(log).toContainText('Two devices, to be settled: Hold-back');
  await mark(page).click();
  const sheet = page.getByRole('dialog', { name: 'To settle' });
  await sheet
    .getByRole('button', { name: /^Choose Hold-back/ })
    .last()
    .click();
  await expect(sheet).toHaveCount(0);
  await expect(mark(other.page)).toHaveCount(0);
  await expect(log).toContainText('Settled: Hold-back');
  await other.context.close();
});

test('two tabs that type in the same moment keep what both typed', async ({ stack, page, context }) => {
  const tab = await context.newPage();
  for (const one of [page, tab]) {
    await one.goto(stack.url + SHOOT);
    await expect(new SetupPage(one).saved).toBeVisible();
  }
  await nameOfShoot(page).fill('At the winch');
  const spot = tab.getByLabel('Spot name').first();
  await spot.fill('By the rope');
  for (let round = 0; round < 5; round += 1) {
    await nameOfShoot(page).fill(`At the winch ${round}`);
    await spot.fill(`By the rope ${round}`);
    // both in one breath: neither has seen the other's change
    await Promise.all([nameOfShoot(page).press('Enter'), spot.press('Enter')]);
    for (const one of [page, tab]) {
      await expect(nameOfShoot(one)).toHaveValue(`At the winch ${round}`);
      await expect(one.getByLabel('Spot name').first()).toHaveValue(`By the rope ${round}`);
    }
  }
});

test('what cannot be kept is refused where it is typed, and stays in the field', async ({ stack, page, setup }) => {
  await page.goto(stack.url + SHOOT);
  await expect(setup.saved).toBeVisible();
  await nameOfShoot(page).evaluate((field: HTMLInputElement) => {
    // as a browser's own editing does, which React then hears of
    Reflect.set(HTMLInputElement.prototype, 'value', 'half of a face \ud83d', field);
    field.dispatchEvent(new Event('input', { bubbles: true }));
  });
  await nameOfShoot(page).press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'cannot be kept' })).toBeVisible();
  await expect(nameOfShoot(page)).toHaveValue(/half of a face/);
  await setup.open(stack, HALL);
  const long = `5.6${' '.repeat(70)}7`;
  await setup.typeReading('Ambient', 'Face, ambient', long);
  await expect(page.getByRole('alert').filter({ hasText: 'At most 60 letters' })).toBeVisible();
  await expect(page.getByLabel('Face, ambient')).toHaveValue(long);
});

test('what the server refuses is set aside with its reason while the rest goes on, and is mended or given up', async ({
  stack,
  page,
  setup,
}) => {
  await stack.query(
    "alter table documents add constraint no_winch check (body ->> 'title' is distinct from 'At the winch')",
  );
  await page.goto(stack.url + SHOOT);
  await expect(setup.saved).toBeVisible();
  await nameOfShoot(page).fill('At the winch');
  await nameOfShoot(page).press('Enter');
  await page.getByLabel('Spot name').first().fill('By the rope');
  await page.getByLabel('Spot name').first().press('Enter');
  await expect(mark(page)).toBeVisible();
  // it does not hold up the rest, and nothing says that the server is away
  await expect(setup.saved).toBeVisible();
  await expect
    .poll(() => stack.query("select 1 from documents where body ->> 'title' = 'By the rope'"))
    .toHaveLength(1);
  await mark(page).click();
  const sheet = page.getByRole('dialog', { name: 'To settle' });
  await expect(sheet).toContainText('The database cannot keep it');
  const download = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Export At the winch' }).click();
  expect((await download).suggestedFilename()).toMatch(/\.json$/);
  await sheet.getByRole('button', { name: 'Discard the change of At the winch' }).click();
  await expect(sheet).toHaveCount(0);
  await expect(nameOfShoot(page)).toHaveValue(WEDDING);
});

test("another account's session in the same browser sees nothing of the first and sends nothing of it", async ({
  stack,
  page,
  setup,
}) => {
  await setup.open(stack, HALL);
  await page.context().setOffline(true);
  await setup.typeReading('Ambient', 'Face, ambient', '5.6 7');
  const [second] = await stack.query<{ id: string }>("insert into accounts (name) values ('second') returning id");
  const [demo] = await stack.query<{ id: string }>("select id from accounts where name = 'demo'");
  await stack.query('update sessions set account_id = $1', [second?.id]);
  await page.context().setOffline(false);
  await page.goto(stack.url);
  await expect(page.getByText('No shoots yet')).toBeVisible();
  await expect(setup.saved).toBeVisible();
  expect(await stack.query('select 1 from documents where account_id = $1', [second?.id])).toEqual([]);
  await page.reload();
  await expect(page.getByText('No shoots yet')).toBeVisible();
  // the first one comes back to all that is theirs, with what waited
  await stack.query('update sessions set account_id = $1', [demo?.id]);
  await page.reload();
  await expect(page.getByRole('article', { name: WEDDING })).toBeVisible();
  await setup.open(stack, HALL);
  await expect(await setup.part('Log')).toContainText('Face, ambient: f/5.6⁷');
});

test('a server restored from an older backup is noticed, told, and gets again what it lacks', async ({
  stack,
  page,
  setup,
}) => {
  await setup.open(stack, HALL);
  const tables = ['accounts', 'documents', 'mutations', 'marks'];
  const plain = (
    await stack.query<{ column_name: string }>(
      "select column_name from information_schema.columns where table_name = 'documents' and is_generated = 'NEVER'",
    )
  ).map(({ column_name }) => column_name);
  for (const table of tables) await stack.query(`create table backup_${table} as select * from ${table}`);
  await setup.typeReading('Ambient', 'Face, ambient', '5.6 7');
  const kept = () => stack.query("select 1 from documents where body ->> 'text' = '5.6 7'");
  await expect.poll(async () => (await kept()).length).toBe(1);
  // *saved* may be that of the moment before: the device must have heard of it, or nothing is missing afterwards
  const [{ mark = '' } = {}] = await stack.query<{ mark: string }>(
    'select mark from accounts order by seq desc limit 1',
  );
  await expect.poll(() => page.evaluate(heardMark)).toBe(mark);
  await stack.kill();
  await stack.query('delete from documents');
  await stack.query('delete from mutations');
  await stack.query('delete from marks');
  await stack.query('update accounts a set seq = b.seq, mark = b.mark from backup_accounts b where b.id = a.id');
  await stack.query(`insert into documents (${plain.join()}) select ${plain.join()} from backup_documents`);
  await stack.query('insert into mutations select * from backup_mutations');
  await stack.query('insert into marks select * from backup_marks');
  await stack.up();
  await expect(page.getByText(/restored from a backup, or new/)).toBeVisible();
  await expect(setup.saved).toBeVisible();
  await expect.poll(async () => (await kept()).length).toBe(1);
});

test('a shoot deleted on one device while another works in it offline comes back whole, and both are told', async ({
  stack,
  page,
  setup,
  browser,
}) => {
  const other = await device(browser);
  await setup.open(stack, HALL);
  await other.page.goto(stack.url + SHOOT);
  await expect(other.setup.saved).toBeVisible();
  await page.context().setOffline(true);
  await setup.typeReading('Ambient', 'Face, ambient', '5.6 7');
  await other.page.getByRole('button', { name: `Delete ${WEDDING}` }).click();
  await expect(other.setup.saved).toBeVisible();
  await expect(other.page.getByRole('article', { name: WEDDING })).toHaveCount(0);
  await page.context().setOffline(false);
  await expect(
    other.page.getByText(/deleted on one device and worked on at another/).filter({ visible: true }),
  ).toBeVisible();
  await other.setup.open(stack, HALL);
  await expect(await other.setup.part('Log')).toContainText('Face, ambient: f/5.6⁷');
  await other.context.close();
});

test('what one device deleted another brings back, with all that lies inside', async ({
  stack,
  page,
  setup,
  browser,
}) => {
  const other = await device(browser);
  await page.goto(stack.url + SHOOT);
  await expect(setup.saved).toBeVisible();
  await page.getByRole('button', { name: `Delete ${WEDDING}` }).click();
  await expect(setup.saved).toBeVisible();
  await other.page.goto(stack.url);
  await other.page.getByRole('button', { name: /^Deleted/ }).click();
  await other.page.getByRole('button', { name: `Bring ${WEDDING} back` }).click();
  await expect(other.page.getByRole('article', { name: WEDDING }).getByRole('link')).toHaveCount(4);
  await expect(page.getByRole('article', { name: WEDDING }).getByRole('link')).toHaveCount(4);
  await other.context.close();
});

test('a full disk: what is on screen is marked as not kept, goes to the server, and is kept once there is room', async ({
  stack,
  page,
  setup,
}) => {
  await setup.open(stack, HALL);
  const protocol = await page.context().newCDPSession(page);
  await protocol.send('Storage.overrideQuotaForOrigin', { origin: stack.url, quotaSize: 1 });
  // the browser remembers for a while how much room there was
  await expect.poll(() => page.evaluate(writesWell)).toBe(false);
  await setup.typeReading('Ambient', 'Face, ambient', '5.6 7');
  const alert = page.getByRole('alert').filter({ hasText: 'not kept on this device' }).filter({ visible: true });
  await expect(alert).toBeVisible();
  await expect(alert).toContainText('The server has 1 of them');
  expect(await stack.query("select 1 from documents where body ->> 'text' = '5.6 7'")).toHaveLength(1);
  await expect(await setup.part('Log')).toContainText('not kept on this device yet');
  await protocol.send('Storage.overrideQuotaForOrigin', { origin: stack.url });
  await expect(alert).toHaveCount(0);
  await expect(setup.saved).toBeVisible();
  await page.reload();
  await expect(await setup.part('Log')).toContainText('Face, ambient: f/5.6⁷');
  expect(await stack.query("select 1 from documents where body ->> 'text' = '5.6 7'")).toHaveLength(1);
});

test('where the browser blocks its storage the work goes on in memory and to the server, and says so', async ({
  stack,
  page,
  setup,
  browser,
}) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('denied', 'SecurityError');
    };
  });
  await setup.open(stack, HALL);
  await expect(page.getByRole('alert').filter({ hasText: 'does not let Sphene keep anything' }).first()).toBeVisible();
  await setup.typeReading('Ambient', 'Face, ambient', '5.6 7');
  await expect(setup.saved).toBeVisible();
  const other = await device(browser);
  await other.setup.open(stack, HALL);
  await expect(await other.setup.part('Log')).toContainText('Face, ambient: f/5.6⁷');
  await other.context.close();
});

test("a device whose clock is a day ahead notes readings in everybody's time, and nothing is questioned", async ({
  stack,
  browser,
  setup,
}) => {
  const late = await device(browser);
  await late.page.clock.install({ time: Date.now() + 24 * 3600_000 });
  await late.setup.open(stack, HALL);
  await late.setup.typeReading('Ambient', 'Face, ambient', '5.6 7');
  await expect(late.setup.saved).toBeVisible();
  await setup.open(stack, HALL);
  await expect(await setup.part('Log')).toContainText('Face, ambient: f/5.6⁷');
  const [row] = await stack.query<{ ahead: string }>(
    "select extract(epoch from (body ->> 'at')::timestamptz - now()) as ahead from documents where body ->> 'text' = '5.6 7'",
  );
  expect(Math.abs(Number(row?.ahead))).toBeLessThan(3600);
  await expect((await setup.part('Ambient')).getByText(/by its own account/)).toHaveCount(0);
  await late.context.close();
});

test('a browser killed in the moment after a tap has kept it', async ({ stack }) => {
  const folder = mkdtempSync(path.join(tmpdir(), 'sphene-killed-'));
  const launch = () => chromium.launchPersistentContext(folder, config.use?.launchOptions ?? {});
  const context = await launch();
  const page = await context.newPage();
  const setup = new SetupPage(page);
  await setup.open(stack, HALL);
  await stack.kill();
  await setup.typeReading('Ambient', 'Face, ambient', '5.6 7');
  await expect(
    page.getByRole('status', { name: /changes wait on this device/ }).filter({ visible: true }),
  ).toBeVisible();
  const gone = new Promise((done) => context.once('close', done));
  const protocol = await context.newCDPSession(page);
  void protocol.send('Browser.crash').catch(() => undefined);
  await gone;
  await stack.up();
  const again = await launch();
  const tab = new SetupPage(await again.newPage());
  await tab.open(stack, HALL);
  await expect(await tab.part('Log')).toContainText('Face, ambient: f/5.6⁷');
  await again.close();
  rmSync(folder, { recursive: true, force: true });
});

test('changes of others are pushed over one connection for all tabs, which lets go when nobody looks', async ({
  stack,
  context,
  setup,
  browser,
}) => {
  const streams: string[] = [];
  context.on('request', (request) => {
    if (request.url().endsWith('/api/sync/events')) streams.push(request.url());
  });
  await setup.open(stack, HALL);
  const tab = await context.newPage();
  await new SetupPage(tab).open(stack, HALL);
  await expect.poll(() => streams.length).toBe(1);
  const other = await device(browser);
  await other.setup.open(stack, HALL);
  await other.setup.typeReading('Ambient', 'Face, ambient', '5.6 7');
  await expect(await setup.part('Log')).toContainText('Face, ambient: f/5.6⁷');
  await expect(await new SetupPage(tab).part('Log')).toContainText('Face, ambient: f/5.6⁷');
  expect(streams).toHaveLength(1);
  // nobody looks at the page that holds it: it lets go, and the other page takes it over
  await setup.page.evaluate(() => {
    Object.defineProperty(document, 'visibilityState', { get: () => 'hidden', configurable: true });
    document.dispatchEvent(new Event('visibilitychange'));
  });
  await expect.poll(() => streams.length).toBe(2);
  await other.context.close();
});

test('the settings tell how much room there is on this device, and whether the browser keeps it', async ({
  stack,
  page,
}) => {
  await page.addInitScript(() => {
    const asked = { persisted: false };
    Object.assign(globalThis, { asked });
    navigator.storage.estimate = () => Promise.resolve({ usage: 12_300_000, quota: 480_000_000 });
    navigator.storage.persist = () => {
      asked.persisted = true;
      return Promise.resolve(true);
    };
    navigator.storage.persisted = () => Promise.resolve(true);
  });
  await page.goto(`${stack.url}/settings`);
  await expect(page.getByText('12.3 MB kept here, of 480 MB that the browser allows.')).toBeVisible();
  await expect(page.getByText('The browser keeps it until you clear it.')).toBeVisible();
  await page.getByRole('radio', { name: 'Feet' }).click();
  // something is kept: from then on the browser is asked not to clear it by itself
  await expect.poll(() => page.evaluate((): unknown => Reflect.get(globalThis, 'asked'))).toEqual({ persisted: true });
});
