import { type ChildProcess, spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { cpSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { test as base, expect, type Locator, type Page } from '@playwright/test';
import pg from 'pg';

import { SAMPLE_HALL, SAMPLE_TERRACE, SAMPLE_TESTS } from '@sphene/core/sample';
import { freePort } from '../scripts/postgres.mjs';

const ROOT = path.resolve(import.meta.dirname, '..');

/** Migrating and seeding takes longer than copying: each test's database is a copy of one of these. */
const TEMPLATES = { sample: 'template_sample', empty: 'template_empty' } as const;

/** The built client on the real server and a database of its own, with the sample shoot or empty. */
export class Stack {
  private server: ChildProcess | null = null;
  /** addresses of devices for the gateway; set before `up` */
  devices: string[] = [];
  /** address of a weather service; set before `up` */
  weather: string | null = null;
  /** the built client that it serves */
  client = path.join(ROOT, 'client/dist');
  private constructor(
    readonly url: string,
    private readonly port: number,
    private readonly databaseUrl: string,
    private readonly sample: boolean,
  ) {}

  static async start({
    sample = true,
    devices = [] as string[],
    weather = null as string | null,
  } = {}): Promise<Stack> {
    const name = `e_${randomBytes(6).toString('hex')}`;
    await Stack.asAdmin(`create database ${name} template ${TEMPLATES[sample ? 'sample' : 'empty']}`);
    const stack = await Stack.on(name, sample);
    stack.devices = devices;
    stack.weather = weather;
    await stack.up();
    return stack;
  }

  /** Makes what every test's database is copied from: the tables, with the sample shoot or empty. */
  static async makeTemplates(): Promise<void> {
    for (const [content, name] of Object.entries(TEMPLATES)) {
      await Stack.asAdmin(`create database ${name}`);
      const stack = await Stack.on(name, content === 'sample');
      await stack.up();
      await stack.kill('SIGTERM');
      if (content === 'sample') await stack.beginAgain();
    }
  }

  /** Hall and terrace as they were begun: tests do the work that in the sample is done. */
  private async beginAgain(): Promise<void> {
    for (const { setup } of [SAMPLE_HALL, SAMPLE_TERRACE])
      await this.query('update documents set body = $2::jsonb where id = $1', [setup.id, JSON.stringify(setup)]);
    await this.query('delete from documents where id = any($1)', [SAMPLE_TESTS.map(({ id }) => id)]);
  }

  private static async on(name: string, sample: boolean): Promise<Stack> {
    const databaseUrl = new URL(process.env['E2E_DATABASE_URL'] ?? '');
    databaseUrl.pathname = `/${name}`;
    const port = await freePort();
    return new Stack(`http://127.0.0.1:${port}`, port, databaseUrl.href, sample);
  }

  /** Starts the server (again) on the same address and database. */
  async up(): Promise<void> {
    const server = spawn(process.execPath, [path.join(ROOT, 'server/dist/main.mjs')], {
      stdio: ['ignore', 'pipe', 'inherit'],
      env: {
        ...process.env,
        NODE_ENV: 'test',
        DATABASE_URL: this.databaseUrl,
        PORT: String(this.port),
        CLIENT_DIR: this.client,
        SAMPLE_DATA: String(this.sample),
        DEVICES: this.devices.join(),
        ...(this.weather === null ? {} : { WEATHER_URL: this.weather }),
      },
    });
    this.server = server;
    for await (const chunk of server.stdout) if (String(chunk).includes('"listening"')) break;
    server.stdout.resume();
  }

  /** Serves a copy of the client, which a test may change. */
  async serveCopy(): Promise<void> {
    await this.kill();
    this.client = mkdtempSync(path.join(tmpdir(), 'sphene-client-'));
    cpSync(path.join(ROOT, 'client/dist'), this.client, { recursive: true });
    await this.up();
  }

  /** Asks the database something, as nobody outside can. */
  async query<T>(sql: string, values: unknown[] = []): Promise<T[]> {
    const client = new pg.Client({ connectionString: this.databaseUrl });
    await client.connect();
    const { rows } = await client.query(sql, values);
    await client.end();
    return rows as T[];
  }

  /** Kills the server, without a warning as a power cut would unless another signal is given. */
  async kill(signal: 'SIGKILL' | 'SIGTERM' = 'SIGKILL'): Promise<void> {
    if (this.server === null) return;
    const gone = once(this.server, 'exit');
    this.server.kill(signal);
    await gone;
    this.server = null;
  }

  private static async asAdmin(sql: string): Promise<void> {
    const client = new pg.Client({ connectionString: process.env['E2E_DATABASE_URL'] ?? '' });
    await client.connect();
    await client.query(sql);
    await client.end();
  }
}

export const HALL = '/setup/019c9c00-0000-7000-8000-000000000011';
export const TERRACE = '/setup/019c9c00-0000-7000-8000-000000000012';
/** The spot that it is at. */
export const TERRACE_SPOT = '/spot/019c9c00-0000-7000-8000-000000000003';
export const PHONE = { width: 390, height: 844 };
export const WIDE = { width: 1280, height: 800 };
/** What flows are walked at whose screens are built otherwise where there is room. */
export const SIZES = [
  ['phone', PHONE],
  ['wide', WIDE],
] as const;
/** What the other flows are walked at: `npm run e2e` walks them at both sizes, every run at the narrower one. */
export const WALKED_SIZES = process.env['SIZES'] === 'all' ? SIZES : SIZES.slice(0, 1);

/** A setup on screen, through what a person sees and touches. */
export class SetupPage {
  constructor(readonly page: Page) {}
  get next() {
    return this.byName('region', 'Next');
  }
  get ladder() {
    return this.page.getByRole('img', { name: /^Wedge ladder/ });
  }
  get saved() {
    return this.page.getByRole('status', { name: 'Everything is saved' }).filter({ visible: true });
  }
  private byName(role: 'region' | 'group', name: string) {
    return this.page.getByRole(role, { name, exact: true });
  }
  async open(stack: Stack, address: string): Promise<void> {
    await this.page.goto(stack.url + address);
    await expect(this.saved).toBeVisible();
    // what a setup's screen is made of comes after the first screen's code: a server that is gone then cannot give it
    if (address.startsWith('/setup/')) await expect(this.next).toBeVisible();
  }
  /** A new shoot with its first setup, opened from the first screen, without lights and with the meter at 1/125. */
  async openFresh(stack: Stack, name: string): Promise<void> {
    await this.page.goto(stack.url);
    await expect(this.saved).toBeVisible();
    await this.page.getByRole('button', { name: 'New shoot' }).click();
    await this.page.getByLabel('Name', { exact: true }).fill(name);
    await this.page.getByRole('button', { name: 'Make the shoot' }).click();
    await this.page.getByRole('link', { name: /Setup 1/ }).click();
    const lights = await this.part('Lights');
    await expect(lights.getByRole('button', { name: /^Add a key/ })).toBeVisible();
    const without = lights.getByRole('button', { name: /^Without lights/ });
    if (await without.isVisible()) await without.click();
    await expect(without).toHaveCount(0);
    const ambient = await this.part('Ambient');
    // the meter holds what it held last time: other settings in the sample
    for (const [dial, wanted] of [
      ['Meter shutter', '1/125'],
      ['Meter ISO', '100'],
    ] as const) {
      await ambient.getByRole('button', { name: new RegExp(`^${dial} .*Type a value`) }).click();
      await ambient.getByLabel(`${dial}, typed`).fill(wanted);
      await ambient.getByLabel(`${dial}, typed`).press('Enter');
      await expect(ambient.getByRole('button', { name: `${dial} ${wanted}. Type a value` })).toBeVisible();
    }
  }
  /** On a phone the part's tab; on a wide screen all parts are there already. */
  async part(name: 'Ambient' | 'Look' | 'Camera' | 'Lights' | 'Stage' | 'Check' | 'Log') {
    const tab = this.page.getByRole('tab', { name });
    if ((this.page.viewportSize()?.width ?? 0) < 1000) {
      await tab.click();
      return this.page.getByRole('tabpanel', { name });
    }
    return this.byName('region', name);
  }
  /** Opens the picture with all that can be done with it. */
  async openPicture(): Promise<void> {
    if ((this.page.viewportSize()?.width ?? 0) < 1000) {
      const stage = await this.part('Stage');
      await stage.getByRole('radio', { name: 'Picture' }).click();
    }
    await this.page.getByRole('button', { name: 'Open the picture' }).filter({ visible: true }).click();
  }
  /** Does what the bar says. */
  async doNext(): Promise<void> {
    await this.next.getByRole('button').first().click();
  }
  /** The bar asks to set the camera, and it is set. */
  async setCamera(): Promise<void> {
    await expect(this.next).toContainText('Set the camera');
    await this.next.getByRole('button', { name: /^It is set: Set the camera/ }).click();
    await expect(this.next).not.toContainText('Set the camera');
  }
  /** What keeps the reading that is being entered: the bar. */
  save(name: string | RegExp) {
    const named = typeof name === 'string' ? new RegExp(`^Save: ${name}\\.`) : name;
    return this.next.getByRole('button', { name: named }).filter({ visible: true });
  }
  /** Taps keys of the pad and saves: at most three taps for a usual reading. */
  async tapReading(part: 'Ambient' | 'Check', keys: string[], save: string | RegExp): Promise<void> {
    const panel = await this.part(part);
    for (const key of keys) await panel.getByRole('button', { name: key, exact: true }).click();
    await this.save(save).click();
  }
  async typeReading(part: 'Ambient' | 'Check', field: string, text: string): Promise<void> {
    const panel = await this.part(part);
    await panel.getByLabel(field).fill(text);
    await panel.getByLabel(field).press('Enter');
  }
}

/** A point of the ambient part, by its name; its accessible name ends with its reading. */
export const pointIn = (ambient: Locator, name: string): Locator =>
  ambient.getByRole('radiogroup', { name: 'Point' }).getByRole('radio', { name: new RegExp(`^${name}`) });

/**
 * Presses a button in the moment that it appears: what it stops could be over before a mouse is there. Ask for
 * it before what starts that, await it after.
 */
export const pressOnceShown = (page: Page, name: string): Promise<void> =>
  page.evaluate(
    (label) =>
      new Promise<void>((done) => {
        const press = () => {
          const button = document.querySelector<HTMLElement>(`[role="button"][aria-label="${label}"]`);
          if (button === null) return;
          watching.disconnect();
          button.click();
          done();
        };
        const watching = new MutationObserver(press);
        watching.observe(document.body, { childList: true, subtree: true });
        press();
      }),
    name,
  );

/** Pictures are made by a worker that never answers: the rest of the interface must not wait for it. */
function leaveUndrawn(): void {
  const Real = globalThis.Worker;
  class Mute extends EventTarget {
    postMessage() {}
    terminate() {}
  }
  globalThis.Worker = new Proxy(Real, {
    construct: (_, [url, options]: [string | URL, WorkerOptions?]) =>
      /\/preview-[^/]*\.js$/.test(String(url)) ? new Mute() : new Real(url, options),
  });
}

interface Fixtures {
  /** whether pictures are really drawn: only where a test is about them, for they take most of the processor */
  pictures: boolean;
  undrawn: void;
  stack: Stack;
  setup: SetupPage;
}

export const test = base.extend<Fixtures>({
  pictures: [false, { option: true }],
  undrawn: [
    async ({ context, pictures }, provide) => {
      if (!pictures) await context.addInitScript(leaveUndrawn);
      await provide();
    },
    { auto: true },
  ],
  stack: async ({}, provide) => {
    const stack = await Stack.start();
    await provide(stack);
    await stack.kill();
  },
  setup: async ({ page }, provide) => provide(new SetupPage(page)),
});
export { expect };
