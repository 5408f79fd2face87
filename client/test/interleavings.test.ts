/** @jest-environment node */
import { Actions } from '@/store/actions';
import { selectDocument } from '@/store/selectors';
import { Clock } from '@/store/ids';
import { makeStore } from '@/store/store';
import { Keeper } from '@/store/sync/keeper';
import { openStorage } from '@/store/sync/storage';
import fc from 'fast-check';
import 'fake-indexeddb/auto';

import type { Document } from '@sphene/core/documents';
import { SAMPLE_HALL } from '@sphene/core/sample';
import { type SettingPath, settingAt, type Setup } from '@sphene/core/setup';
import { FakeServer, testWorld } from './fakeServer';

const RUNS = Number(process.env['INTERLEAVINGS'] ?? 400);
const { shoot, spot, setup } = SAMPLE_HALL;

/** Fields that a hand may change, and how a value that nobody else gives them is made of a number. */
const FIELDS: [SettingPath, (n: number) => number | string][] = [
  ['look.holdBackStops', (n) => Math.round((0.1 + n / 1000) * 1000) / 1000],
  ['lights.0.distanceM', (n) => Math.round((1 + n / 1000) * 1000) / 1000],
  ['title', (n) => `Name ${n}`],
];

/** Messages between the tabs of one device, delivered when the scheduler says so. */
class Channels {
  private readonly listeners = new Set<(message: unknown) => void>();
  constructor(private readonly scheduler: fc.Scheduler) {}
  join(listen: (message: unknown) => void) {
    this.listeners.add(listen);
    return (message: unknown) => {
      for (const one of this.listeners)
        if (one !== listen) void this.scheduler.schedule(Promise.resolve(), 'message').then(() => one(message));
    };
  }
}

let number = 0;
/** A device with tabs that share its storage; every answer of the network comes when the scheduler says so. */
async function device(name: string, tabs: number, server: FakeServer, scheduler: fc.Scheduler) {
  number += 1;
  const storage = `${name}-${number}`;
  const channels = new Channels(scheduler);
  let last: Promise<unknown> = Promise.resolve();
  const alone = <T>(_name: string, work: () => Promise<T>): Promise<T> => {
    const mine = last.then(work, work);
    last = mine.catch(() => undefined);
    return mine;
  };
  const opened = [];
  for (let tab = 0; tab < tabs; tab += 1) {
    const store = makeStore();
    const world = testWorld(server, {
      clock: new Clock(),
      deviceName: () => name,
      storageName: { get: () => storage, set: () => undefined },
      open: openStorage,
      channel: (_name, listen) => channels.join(listen),
      alone,
    });
    const keeper = new Keeper(store, world);
    await keeper.start();
    opened.push({ store, keeper, actions: new Actions(store, keeper, world.clock) });
  }
  // only from here on everything waits for the scheduler
  return { tabs: opened, storage };
}

/** What a hand did: it gave a field of the setup a value. */
interface Done {
  path: SettingPath;
  value: unknown;
}

/** A change is in the end state, or was replaced by one that saw it, or waits as one of two values to choose from. */
function isAccountedFor({ path, value }: Done, end: Setup, log: readonly Document[]): boolean {
  if (settingAt(end, path) === value) return true;
  return log.some((document) => {
    if (document.type === 'change') return document.settings.some((one) => one.path === path && one.from === value);
    return document.type === 'conflict' && document.claims.some((claim) => claim.value === value);
  });
}

it('no change is lost, whatever two tabs, another device and the network do in whatever order', async () => {
  let changes = 0;
  let conflicts = 0;
  await fc.assert(
    fc.asyncProperty(
      fc.scheduler(),
      fc.array(
        fc.record({
          who: fc.constantFrom(0, 1, 2),
          field: fc.nat(FIELDS.length - 1),
          lost: fc.boolean(),
        }),
        { minLength: 2, maxLength: 7 },
      ),
      async (scheduler, steps) => {
        const server = new FakeServer();
        server.session = true;
        [shoot, spot, setup].forEach((document) => server.add(document));
        let scheduled = false;
        let loses = false;
        const { send } = server;
        const network: typeof send = async (sent) => {
          if (!scheduled) return send(sent);
          const loseAnswer = loses;
          loses = false;
          await scheduler.schedule(Promise.resolve(), 'request');
          const answered = await send(sent);
          await scheduler.schedule(Promise.resolve(), 'answer');
          if (loseAnswer) throw new TypeError('lost on the way');
          return answered;
        };
        const wired = Object.assign(Object.create(server) as FakeServer, { send: network });
        const here = await device('here', 2, wired, scheduler);
        const there = await device('there', 1, wired, scheduler);
        const hands = [...here.tabs, ...there.tabs];
        scheduled = true;
        const done: Done[] = [];
        const all = steps.map(({ who, field, lost }, step) =>
          scheduler.schedule(Promise.resolve(), `hand ${who}`).then(() => {
            const [path, make] = FIELDS[field] ?? FIELDS[0] ?? [];
            if (path === undefined || make === undefined) return;
            const value = make(step + 1);
            loses ||= lost;
            const changed = hands[who]?.actions.changeSettings(setup.id, [{ path, value }]);
            if (changed?.ok === true) done.push({ path, value });
          }),
        );
        await scheduler.waitFor(Promise.all(all));
        // the network stays: everything arrives in the end
        for (let round = 0; round < 4; round += 1)
          for (const { keeper } of hands) await scheduler.waitFor(keeper.sync());
        scheduled = false;
        for (let round = 0; round < 2; round += 1) for (const { keeper } of hands) await keeper.sync();
        const end = server.document(setup.id) as Setup;
        const log = server.documents;
        for (const one of done) expect([one, isAccountedFor(one, end, log)]).toEqual([one, true]);
        for (const { store } of hands) {
          expect(selectDocument(store.getState(), 'setup', setup.id)).toEqual(end);
          expect(store.getState().device.waiting).toBe(0);
        }
        changes += done.length;
        conflicts += log.filter(({ type }) => type === 'conflict').length;
        for (const { keeper } of hands) await keeper.close();
        for (const name of [here.storage, there.storage]) indexedDB.deleteDatabase(name);
      },
    ),
    { numRuns: RUNS },
  );
  // a property that nothing ever comes near proves nothing
  expect(changes).toBeGreaterThan(RUNS);
  expect(conflicts).toBeGreaterThan(0);
}, 600_000);
