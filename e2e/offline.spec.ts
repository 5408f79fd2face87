import { chromium, type CDPSession, type Page } from '@playwright/test';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import config from '../playwright.config';
import { expect, HALL, SetupPage, test } from './stack';

// what intercepts a request stands in a service worker's way: pictures are drawn here
test.use({ serviceWorkers: 'allow', pictures: true });

/** The whole application is on the device: its worker has fetched all of it and has taken the page over. */
const isInstalled = (page: Page) =>
  page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    while (navigator.serviceWorker.controller === null)
      await new Promise((done) => navigator.serviceWorker.addEventListener('controllerchange', done, { once: true }));
  });

test('after one visit of the first screen, all of it starts and works without a server, in a new tab, for days', async ({
  stack,
  page,
  context,
}) => {
  await page.goto(stack.url);
  await expect(new SetupPage(page).saved).toBeVisible();
  await isInstalled(page);
  await stack.kill();
  await page.close();
  const tab = await context.newPage();
  const faults: string[] = [];
  tab.on('pageerror', (error) => faults.push(String(error)));
  await tab.clock.install();
  const setup = new SetupPage(tab);
  // a setup that was never opened: its screens, its worker and the typeface come from the device
  await tab.goto(stack.url + HALL);
  await expect(setup.next).toContainText(/\w/);
  await setup.tapReading('Ambient', ['f 4'], 'Save for face');
  await (await setup.part('Look')).getByRole('button', { name: /^Lead/ }).click();
  await setup.part('Stage');
  await expect(tab.getByRole('group', { name: 'Stage from above' })).toBeVisible();
  await tab.clock.fastForward('50:00:00');
  await setup.tapReading('Check', ['f 4'], 'Save the test');
  await tab.reload();
  await expect(await setup.part('Log')).toContainText('Face, ambient: f/4');
  // a screen that nobody opened before
  await tab.goto(`${stack.url}/kit`);
  await expect(tab.getByRole('heading', { name: 'Kit' })).toBeVisible();
  await expect(tab.getByRole('status', { name: /server is out of reach/ }).filter({ visible: true })).toBeVisible();
  await tab.goto(stack.url + HALL);
  await stack.up();
  await tab.clock.fastForward('01:00');
  await expect(setup.saved).toBeVisible();
  expect(faults).toEqual([]);
});

test('the browser finds nothing that keeps it from being installed', async ({ stack }) => {
  const folder = mkdtempSync(path.join(tmpdir(), 'sphene-profile-'));
  // a private window cannot install anything: an ordinary profile
  const context = await chromium.launchPersistentContext(folder, config.use?.launchOptions ?? {});
  const page = await context.newPage();
  await page.goto(stack.url);
  await expect(new SetupPage(page).saved).toBeVisible();
  await isInstalled(page);
  const protocol: CDPSession = await context.newCDPSession(page);
  expect((await protocol.send('Page.getInstallabilityErrors')).installabilityErrors).toEqual([]);
  const manifest = await protocol.send('Page.getAppManifest');
  expect(manifest.errors).toEqual([]);
  await context.close();
  rmSync(folder, { recursive: true, force: true });
});

test('a newer version waits beside the running one, is offered away from the work, and takes over with one tap', async ({
  stack,
  page,
  context,
}) => {
  await stack.serveCopy();
  const setup = new SetupPage(page);
  await setup.open(stack, HALL);
  await isInstalled(page);
  const worker = path.join(stack.client, 'sw.js');
  const before = readFileSync(worker, 'utf8');
  writeFileSync(worker, `${before}\n// a newer version\n`);
  // what was compressed beside it is of the old one
  for (const packed of ['.br', '.gz']) rmSync(worker + packed);
  await page.evaluate(async () => {
    const registration = await navigator.serviceWorker.getRegistration();
    await registration?.update();
  });
  await setup.typeReading('Ambient', 'Face, ambient', '5.6 7');
  await expect(await setup.part('Log')).toContainText('Face, ambient: f/5.6⁷');
  await expect(setup.saved).toBeVisible();
  // nothing is said in the middle of the work, and nothing is lost by taking it
  await expect(page.getByRole('button', { name: 'Take it' })).toHaveCount(0);
  await page.goto(stack.url);
  await page.evaluate(() => Object.assign(window, { before: true }));
  await page.getByRole('button', { name: 'Take it' }).click();
  // a browser that is at its limit may hold it back until the pages are closed: then that is said
  const held = page.getByText(/starts as soon as all pages .* have been closed/);
  const taken = () => page.evaluate(() => !('before' in window)).catch(() => false);
  await expect.poll(async () => (await taken()) || (await held.isVisible())).toBe(true);
  await expect(page.getByRole('button', { name: 'Take it' })).toHaveCount(0);
  await expect(page.getByRole('article', { name: 'Wedding at the old funicular' })).toBeVisible();
  // what it says is done then: a browser may leave a page without an answer that is loaded while it still holds back
  const isHeld = !(await taken());
  if (isHeld) await page.close();
  const after = isHeld ? new SetupPage(await context.newPage()) : setup;
  await after.open(stack, HALL);
  await expect(await after.part('Log')).toContainText('Face, ambient: f/5.6⁷');
});

test('a page whose storage a newer version has taken over says so', async ({ stack, page, context }) => {
  const setup = new SetupPage(page);
  await setup.open(stack, HALL);
  const other = await context.newPage();
  await other.goto(`${stack.url}/manifest.webmanifest`);
  await other.evaluate(
    () =>
      new Promise<void>((done, failed) => {
        const opening = indexedDB.open('sphene', 99);
        opening.onsuccess = () => done();
        opening.onerror = () => failed(opening.error ?? new Error('not opened'));
      }),
  );
  await expect(
    page.getByRole('alert').filter({ hasText: 'newer version of Sphene runs in another tab' }),
  ).toBeVisible();
});

test('a tab of an older version that holds the storage is named, and once it is closed the work goes on', async ({
  stack,
  page,
  context,
}) => {
  const older = await context.newPage();
  await older.goto(`${stack.url}/manifest.webmanifest`);
  await older.evaluate(
    () =>
      new Promise<void>((done) => {
        const opening = indexedDB.open('sphene', 1);
        opening.onupgradeneeded = () => {
          opening.result.createObjectStore('documents', { keyPath: 'id' });
          opening.result.createObjectStore('outbox', { keyPath: 'key' });
          opening.result.createObjectStore('values');
        };
        // it does not let go when it is asked to
        opening.onsuccess = () => done();
      }),
  );
  await page.goto(stack.url);
  await expect(page.getByRole('alert').filter({ hasText: 'still runs an older version' })).toBeVisible();
  await older.close();
  await expect(page.getByRole('article', { name: 'Wedding at the old funicular' })).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: 'still runs an older version' })).toHaveCount(0);
});
