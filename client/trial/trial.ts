// Simulated devices with the product's own storage, merge and exchange code, on a bad network, against the real server
// and the real PostgreSQL, both of which are killed hard again and again. Prints what was made, found and lost.
import { selectDocument } from '@/store/selectors';
import 'fake-indexeddb/auto';

import type { Document } from '@sphene/core/documents';
import { SAMPLE_HALL, SAMPLE_TERRACE } from '@sphene/core/sample';
import { type SettingPath, settingAt } from '@sphene/core/setup';
import { BackEnd } from './backEnd';
import { Device, type Tab } from './device';
import { type Badness, Network, PERFECT } from './network';
import { seeded } from './random';

const SHORT = process.argv.includes('--short');
const SEED = Number(process.env['TRIAL_SEED'] ?? Date.now() % 1_000_000);
const KILLS = SHORT ? 5 : 150;
const DEVICES = SHORT ? 3 : 5;
const FRAMES = 12;
const HOUR_MS = 3600_000;

const MOBILE: Badness = { loss: 0.06, duplicates: 0.05, delayMs: 250, bitsPerSecond: 400_000 };

const random = seeded(SEED);
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

const SETUPS = [SAMPLE_HALL.setup.id, SAMPLE_TERRACE.setup.id];
const SETTINGS: [SettingPath, (n: number) => number | string][] = [
  ['look.holdBackStops', (n) => Math.round((0.1 + (n % 4000) / 1000) * 10_000) / 10_000],
  ['lights.0.distanceM', (n) => Math.round((1 + n / 10_000) * 10_000) / 10_000],
  ['title', (n) => `Name ${n}`],
  ['camera.wantedAv', (n) => Math.round((2 + (n % 4000) / 1000) * 10_000) / 10_000],
];

/** Something that a hand did, and that is on its device: it must be found in the end. */
type Made =
  | { kind: 'setting'; setupId: string; path: SettingPath; value: unknown }
  | { kind: 'title'; documentId: string; value: string }
  | { kind: 'fact'; text: string }
  | { kind: 'frame'; id: string };

const made: Made[] = [];
let number = 0;

/** One thing that a person does; it counts once it is on the device. */
async function act({ store, actions, keeper }: Tab): Promise<void> {
  number += 1;
  const n = number;
  const what = random();
  const setupId = pick(SETUPS);
  const done: Made[] = [];
  if (what < 0.45) {
    const [path, make] = pick(SETTINGS);
    const value = make(n);
    if (actions.changeSettings(setupId, [{ path, value }]).ok) done.push({ kind: 'setting', setupId, path, value });
  } else if (what < 0.85) {
    const text = `reading ${n}`;
    actions.addReading(setupId, { pointId: 'face', text, av: 4, tv: 7, sv: 2 });
    done.push({ kind: 'fact', text });
  } else if (what < 0.95) {
    const spot = selectDocument(store.getState(), 'spot', SAMPLE_HALL.spot.id);
    if (spot === undefined) return;
    actions.rename(spot, `Spot ${n}`);
    done.push({ kind: 'title', documentId: spot.id, value: `Spot ${n}` });
  } else actions.undo(setupId);
  await keeper.flush();
  made.push(...done);
}

const IMAGE = `data:image/jpeg;base64,${Buffer.from(Uint8Array.from({ length: 120_000 }, (_, i) => i % 251)).toString('base64')}`;
const BINS = new Array<number>(64).fill(1);

async function takeFrames({ actions, keeper }: Tab): Promise<void> {
  for (let frame = 0; frame < FRAMES; frame += 1) {
    const id = actions.addFrame(SAMPLE_HALL.setup.id, {
      name: `Frame ${frame}`,
      takenAt: null,
      av: 3,
      tv: 7,
      sv: 2,
      settingsFrom: 'typed',
      byItself: { exposure: null, compensationStops: null, whiteBalance: null, flashFired: null },
      widthPx: 60,
      heightPx: 40,
      image: IMAGE,
      histogram: { red: BINS, green: BINS, blue: BINS },
      clipped: { highlights: [0, 0, 0], shadows: [0, 0, 0] },
    });
    await keeper.flush();
    made.push({ kind: 'frame', id });
  }
}

/** True where a value, or what lies in it under a key, is the one that is looked for. */
function holds(value: unknown, key: string, wanted: unknown): boolean {
  if (value === wanted) return true;
  if (typeof value !== 'object' || value === null) return false;
  return Object.entries(value).some(([name, inside]) =>
    typeof inside === 'object' ? holds(inside, key, wanted) : name === key && inside === wanted,
  );
}

/** In the end state, replaced by a change that had seen it, or kept as one of two values to choose from. */
function isFound(one: Made, documents: readonly Document[], pictures: ReadonlySet<string>): boolean {
  if (one.kind === 'fact') return documents.some((its) => its.type === 'reading' && its.text === one.text);
  if (one.kind === 'frame') return pictures.has(one.id) && documents.some(({ id }) => id === one.id);
  const key = one.kind === 'title' ? 'title' : (one.path.split('.').at(-1) ?? '');
  const inConflict = documents.some(
    (its) => its.type === 'conflict' && its.claims.some((claim) => holds(claim.value, key, one.value)),
  );
  if (inConflict) return true;
  if (one.kind === 'title')
    return documents.some(
      (its) =>
        (its.id === one.documentId && 'title' in its && its.title === one.value) ||
        (its.type === 'edit' && its.fields.some(({ from }) => from === one.value)),
    );
  return documents.some(
    (its) =>
      (its.type === 'setup' && its.id === one.setupId && settingAt(its, one.path) === one.value) ||
      (its.type === 'change' && its.settings.some(({ path, from }) => path === one.path && from === one.value)),
  );
}

async function settled(devices: readonly Device[]): Promise<void> {
  for (const { network } of devices) network.badness = PERFECT;
  for (let round = 0; round < 4; round += 1)
    for (const { tabs } of devices) for (const { keeper } of tabs) await keeper.sync();
  for (const { tabs } of devices)
    for (const { store, keeper } of tabs)
      while (store.getState().device.waiting > 0 || (await keeper.kept?.count('uploads')) !== 0) {
        await keeper.sync();
        await pause(50);
      }
  // what the last one sent reaches the first
  for (let round = 0; round < 2; round += 1)
    for (const { tabs } of devices) for (const { keeper } of tabs) await keeper.sync();
}

async function run(): Promise<boolean> {
  console.log(`Seed ${SEED}: ${DEVICES} devices of two tabs, ${KILLS} hard kills, one restored backup.`);
  const backEnd = new BackEnd();
  await backEnd.start();
  const devices: Device[] = [];
  for (let index = 0; index < DEVICES; index += 1) {
    const network = new Network(backEnd.url, random, PERFECT);
    const off = index === 0 ? 0 : (random() * 48 - 24) * HOUR_MS;
    const device = new Device(`device ${index + 1}`, network, random, off);
    devices.push(device);
    await device.openTab();
    await device.openTab();
  }
  const hasSample = ({ store }: Tab) => selectDocument(store.getState(), 'setup', SETUPS[0] ?? '') !== undefined;
  while (!devices.every(({ tabs }) => tabs.every(hasSample))) await pause(50);
  for (const { network } of devices) network.badness = MOBILE;
  let working = true;
  let tabKills = 0;
  const hands = devices.map(async (device) => {
    while (working) {
      const tab = pick(device.tabs);
      if (random() < 0.02) {
        device.killTab(tab);
        tabKills += 1;
        await device.openTab();
      } else await act(tab);
      await pause(random() * 120);
    }
  });
  const [first] = devices;
  const frames = first?.tabs[0] === undefined ? Promise.resolve() : takeFrames(first.tabs[0]);
  for (let kill = 1; kill <= KILLS; kill += 1) {
    await pause(random() * 900);
    if (kill === Math.ceil(KILLS / 3)) await backEnd.backUp();
    if (kill === Math.ceil((KILLS * 2) / 3)) {
      await backEnd.restore();
      console.log(`  after ${kill} kills: the backup of ${Math.ceil(KILLS / 3)} kills was restored`);
    } else if (kill % 4 === 0) await backEnd.killPostgres();
    else await backEnd.killServer();
    if (!SHORT && kill % 25 === 0) console.log(`  ${kill} kills, ${made.length} changes made`);
  }
  working = false;
  await Promise.all([...hands, frames]);
  await settled(devices);
  const documents = (
    await backEnd.query<{ body: Document }>('select body from documents where deleted_at is null')
  ).map(({ body }) => body);
  const pictures = new Set(
    (
      await backEnd.query<{ id: string }>(
        'select frame_id as id from pictures where octet_length(bytes) = size and size = 120000',
      )
    ).map(({ id }) => id),
  );
  const lost = made.filter((one) => !isFound(one, documents, pictures));
  const texts = documents.flatMap((one) => (one.type === 'reading' ? [one.text] : []));
  const own = texts.filter((text) => text.startsWith('reading '));
  const twice = own.length - new Set(own).size;
  const onServer = JSON.stringify(sorted(documents));
  const disagreements = devices
    .flatMap(({ tabs }) => tabs)
    .filter(({ store }) => JSON.stringify(sorted(Object.values(store.getState().documents.byId))) !== onServer).length;
  const conflicts = documents.filter(({ type }) => type === 'conflict').length;
  await Promise.all(devices.map((device) => device.close()));
  await backEnd.stop();
  console.log(
    `${made.length} changes made, ${made.length - lost.length} found, ${lost.length} lost, ${twice} done twice, ` +
      `${disagreements} disagreements; ${conflicts} asked about, ${tabKills} tabs killed, ` +
      `${FRAMES} frames over 400 kbit/s with drops`,
  );
  for (const one of lost.slice(0, 5)) console.log(`  lost: ${JSON.stringify(one)}`);
  return lost.length === 0 && twice === 0 && disagreements === 0;
}

const sorted = (documents: readonly Document[]) =>
  [...documents].sort((a, b) => (a.id < b.id ? -1 : 1)).map((document) => canonical(document));

/** Keys in one order: a database gives them back in its own. */
function canonical(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(canonical);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, inside]) => [key, canonical(inside)]),
  );
}

void run().then(
  (well) => process.exit(well ? 0 : 1),
  (error: unknown) => {
    console.error(error);
    process.exit(1);
  },
);
