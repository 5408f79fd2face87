import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { ambientReading, usualPoint } from '../../test/points';
import { solveSet } from '../../test/said';
import { dimmerSettings, type Kit, type Lamp, POWER_NOT_SAID } from '../gear';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import { type Light, newLight, type PlacedLamp, type Reading, type Setup, withSettings } from '../setup';
import { solveNumbers } from '../solution';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const hall = SAMPLE_HALL.setup;
const FIRST = sampleId(970);
const SECOND = sampleId(971);
const VIDEO = { framesPerSecond: 25, angleDeg: 180 };

const lampOf = (lux: number, dimmer: Lamp['dimmer']): Lamp => ({
  name: 'Panel',
  output: { by: 'lux', luxAt1M: lux },
  kelvinLow: 3000,
  kelvinHigh: 5600,
  ...POWER_NOT_SAID,
  beam: { kind: 'diffuse' },
  dimmer,
});
const placed = (over: Partial<PlacedLamp>): PlacedLamp => ({
  id: sampleId(972),
  lampId: FIRST,
  pointId: 'face',
  distanceM: 2,
  sideDeg: 40,
  heightM: 0.4,
  offAxisDeg: 0,
  on: true,
  dimStops: -1,
  kelvin: 4000,
  role: 'key',
  standsFor: null,
  fromDusk: false,
  ...over,
});
const kitOf = (...lamps: Lamp[]): Kit => ({
  ...SAMPLE_KIT,
  lamps: lamps.map((lamp, index) => ({ ...lamp, id: [FIRST, SECOND][index] ?? FIRST, retired: false })),
});
/** Everything is read before a lamp is there. */
const read = (pointId: string, number: number, ev: number): Reading => ({
  ...ambientReading(hall, number, pointId, ev),
  stood: { turnDeg: hall.stage.subject.turnDeg, backgroundM: hall.backgroundM, sun: hall.stage.sun, lamps: [] },
});

const anyRoom = fc.record({
  ev: fc.record({
    face: fc.double({ min: 4, max: 9, noNaN: true }),
    hair: fc.double({ min: -1.5, max: 0, noNaN: true }),
    background: fc.double({ min: -2, max: 0.5, noNaN: true }),
  }),
  holdBackStops: fc.double({ min: 0.5, max: 3, noNaN: true }),
  filmed: fc.boolean(),
  lux: fc.double({ min: 200, max: 8000, noNaN: true }),
  dimmer: fc.constantFrom<Lamp['dimmer'][]>(
    { leastPercent: 1, stepPercent: 1 },
    { leastPercent: 10, stepPercent: 5 },
    { leastPercent: 20, stepPercent: 10 },
    null,
  ),
  role: fc.constantFrom('key' as const, 'rim' as const, 'background' as const),
  distanceM: fc.double({ min: 0.6, max: 5, noNaN: true }),
  dimStops: fc.double({ min: -4, max: 0, noNaN: true }),
  flashStops: fc.option(fc.integer({ min: -8, max: -3 }), { nil: null }),
  withSecond: fc.boolean(),
});
type Room = typeof anyRoom extends fc.Arbitrary<infer T> ? T : never;
const AIMS = { key: 'face', rim: 'hair', background: 'background' } as const;

function roomOf(room: Room): { setup: Setup; kit: Kit; facts: Reading[] } {
  const { ev, role, distanceM, dimStops, filmed, flashStops } = room;
  // a flash that is held at its power lights the face beside the lamp
  const flash: Light[] =
    flashStops === null || filmed
      ? []
      : [{ ...newLight(sampleId(21), 'key', sampleId(111), 'face', []), locked: true, dialledStops: flashStops }];
  const second = placed({
    id: sampleId(973),
    lampId: SECOND,
    pointId: 'hair',
    role: 'rim',
    sideDeg: -150,
    dimStops: -2,
  });
  const setup: Setup = {
    ...hall,
    points: [usualPoint('face', 'face'), usualPoint('background', 'background'), usualPoint('hair', 'highlight')],
    look: { ...hall.look, exposeBy: 'face', holdBackStops: room.holdBackStops, targets: [] },
    camera: { ...hall.camera, video: filmed ? VIDEO : null, support: 'tripod', motion: 'none', wantedAv: 3 },
    lights: flash,
    lamps: [
      placed({ role, pointId: AIMS[role], distanceM, dimStops, sideDeg: role === 'rim' ? -140 : 40 }),
      ...(room.withSecond && role !== 'rim' ? [second] : []),
    ],
    panels: [],
  };
  return {
    setup,
    kit: kitOf(lampOf(room.lux, room.dimmer), lampOf(3000, { leastPercent: 1, stepPercent: 1 })),
    facts: [
      read('face', 961, ev.face),
      read('background', 962, ev.face + ev.background),
      read('hair', 963, ev.face + ev.hair),
    ],
  };
}

const numbersWith = ({ setup, kit, facts }: ReturnType<typeof roomOf>, lamps: PlacedLamp[]) =>
  solveNumbers({ ...setup, lamps }, kit, facts, CLOCK).numbers;
const changed = (lamps: readonly PlacedLamp[], id: string | undefined, change: Partial<PlacedLamp>): PlacedLamp[] =>
  lamps.map((lamp) => (lamp.id === id ? { ...lamp, ...change } : lamp));

describe('a lamp that is a light', () => {
  it('is set so that no other setting of its dimmer does better, alone and beside a flash or another lamp', () => {
    let [asked, beside] = [0, 0];
    fc.assert(
      fc.property(anyRoom, (room) => {
        const scene = roomOf(room);
        const { lamps } = numbersWith(scene, scene.setup.lamps);
        // all of them as they should be
        const set = lamps.reduce(
          (list, { id, wish }) =>
            wish?.dimStops == null ? list : changed(list, id, { dimStops: wish.dimStops, on: true }),
          scene.setup.lamps,
        );
        const done = numbersWith(scene, set);
        for (const { id, wish } of done.lamps) {
          if (wish?.dimStops == null || wish.outOfRange !== null) continue;
          expect([id, wish.isSet]).toEqual([id, true]);
        }
        const [first] = done.lamps;
        if (first?.wish?.dimStops == null || done.lamps.some(({ wish }) => wish?.dimStops == null)) return;
        asked += 1;
        if (scene.setup.lights.length > 0 || set.length > 1) beside += 1;
        const { targetStops } = first.wish;
        const lamp = scene.kit.lamps[0];
        if (lamp === undefined) return;
        const missAt = (list: PlacedLamp[]) => {
          const { points } = numbersWith(scene, list);
          const misses = done.lamps.map(({ pointId, wish }) => {
            const total = points.find((point) => point.pointId === pointId)?.totalStops ?? -20;
            return (pointId === 'face' ? 4 : 1) * (total - (wish?.targetStops ?? 0)) ** 2;
          });
          return misses.reduce((sum, one) => sum + one, 0);
        };
        const chosen = missAt(set);
        // what stood as it should be already stays so within a step's half
        const stood = set.every(({ dimStops }, at) => dimStops === scene.setup.lamps[at]?.dimStops);
        const leeway = stood ? 0.04 : 1e-3;
        expect(Number.isFinite(targetStops)).toBe(true);
        const settings = dimmerSettings(lamp);
        for (const dimStops of settings.filter((_, index) => index % 7 === 0))
          expect(chosen).toBeLessThanOrEqual(missAt(changed(set, first.id, { dimStops })) + leeway);
      }),
      { numRuns: process.env['CORPUS'] === 'all' ? 500 : 60 },
    );
    expect(asked).toBeGreaterThan(10);
    expect(beside).toBeGreaterThan(3);
  });

  it('does from the distance that is said what is wanted of it, as it is dimmed and at full', () => {
    let found = 0;
    fc.assert(
      fc.property(anyRoom, (room) => {
        const scene = roomOf({ ...room, withSecond: false });
        const [first] = numbersWith(scene, scene.setup.lamps).lamps;
        if (first?.wish == null) return;
        const totalWith = (change: Partial<PlacedLamp>) =>
          numbersWith(scene, changed(scene.setup.lamps, first.id, change)).points.find(
            ({ pointId }) => pointId === first.pointId,
          )?.totalStops ?? NaN;
        const { distanceM, fullDistanceM, targetStops } = first.wish;
        // what moves a level by less than a twentieth of a stop leaves the reading as it was read
        const meets = (total: number) => Math.abs(total - targetStops) < 0.06;
        if (distanceM !== null) expect(meets(totalWith({ distanceM }))).toBe(true);
        if (fullDistanceM !== null) expect(meets(totalWith({ distanceM: fullDistanceM, dimStops: 0 }))).toBe(true);
        if (distanceM !== null) found += 1;
        // more light from the same place carries farther
        if (distanceM !== null && fullDistanceM !== null)
          expect(fullDistanceM).toBeGreaterThanOrEqual(distanceM - 1e-6);
      }),
      { numRuns: process.env['CORPUS'] === 'all' ? 500 : 100 },
    );
    expect(found).toBeGreaterThan(10);
  });
});

describe('lights that are lamps', () => {
  const room = (over: Partial<Setup> = {}, lamps: PlacedLamp[] = [placed({})]): Setup => ({
    ...roomOf({
      ev: { face: 6, hair: -0.5, background: -0.5 },
      holdBackStops: 1.5,
      filmed: true,
      lux: 1600,
      dimmer: { leastPercent: 1, stepPercent: 1 },
      role: 'key',
      distanceM: 2,
      dimStops: 0,
      flashStops: null,
      withSecond: false,
    }).setup,
    lamps,
    ...over,
  });
  const kit = kitOf(lampOf(4000, { leastPercent: 1, stepPercent: 1 }));
  const facts = [read('face', 961, 6), read('background', 962, 5.5), read('hair', 963, 5.5)];
  const solved = (setup: Setup) => solveSet(setup, kit, facts, CLOCK);

  it('hold the room back as a flash would: the camera is set by what is there without them', () => {
    const { camera, look, points, lamps } = solved(room());
    // 1.5 stops under the face's place
    expect((camera?.ev100 ?? NaN) - 6).toBeCloseTo(1.5, 0);
    const wish = lamps[0]?.wish;
    const done = solved(room({}, [placed({ dimStops: wish?.dimStops ?? 0 })]));
    expect(done.points[0]?.totalStops).toBeCloseTo(look.finalStops, 1);
    expect(done.camera?.ev100).toBeCloseTo(camera?.ev100 ?? NaN, 9);
    expect(points).toHaveLength(3);
  });

  it('bring their point to a ratio or a share as to a tone', () => {
    const rim = placed({ role: 'rim', pointId: 'hair', sideDeg: -140 });
    const wants = (kind: 'ratio' | 'share' | 'value', stops: number) => {
      const { look } = room();
      const targets = [{ pointId: 'hair', kind, stops, weight: 1 as const }];
      const solution = solved(room({ look: { ...look, targets } }, [rim]));
      return { solution, wish: solution.lamps[0]?.wish };
    };
    const { finalStops } = wants('value', 0.5).solution.look;
    expect(wants('value', 0.5).wish?.targetStops).toBeCloseTo(0.5, 9);
    expect(wants('ratio', 1).wish?.targetStops).toBeCloseTo(finalStops - 1, 9);
    // half of the light there is the lamp's: a stop over what is there without it
    const share = wants('share', 1);
    expect(share.wish?.targetStops).toBeCloseTo(5.5 - (share.solution.camera?.ev100 ?? NaN) + 1, 1);
  });

  it('are told before filming: set to so much, then film with that', () => {
    const low = room({}, [placed({ dimStops: -5 })]);
    const first = solved(low).nextAction;
    expect(first).toMatchObject({ kind: 'set-lamps', text: expect.stringMatching(/^Key lamp \d+(\.\d)? %/) });
    const set = withSettings(low, first.settings);
    if (!set.ok) throw new Error('not set');
    expect(solved(set.value).nextAction).toMatchObject({
      kind: 'film',
      detail: expect.stringMatching(/^Key lamp \d+(\.\d)? %/),
    });
  });

  it('are the lights of a still too: no flash is asked for where none is meant', () => {
    const still = room();
    const stills = { ...still, camera: { ...still.camera, video: null } };
    const set = solved({ ...stills, lamps: [placed({ dimStops: solved(stills).lamps[0]?.wish?.dimStops ?? 0 })] });
    expect(set.nextAction).toMatchObject({ kind: 'film', text: expect.stringMatching(/^Shoot: 1\//) });
  });

  it('stay where they are set while the light by it is as wished: no step of a dimmer by itself', () => {
    const set = solved(room()).lamps[0]?.wish?.dimStops ?? NaN;
    for (const off of [0.05, -0.05]) {
      const { lamps, nextAction } = solved(room({}, [placed({ dimStops: set + off })]));
      expect(lamps[0]?.wish).toMatchObject({ dimStops: set + off, isSet: true });
      expect(nextAction.kind).toBe('film');
    }
    expect(solved(room({}, [placed({ dimStops: set - 0.2 })])).nextAction.kind).toBe('set-lamps');
  });

  it('that are too weak are brought nearer in one tap, and do it from there', () => {
    const far = room({}, [placed({ distanceM: 9 })]);
    const { nextAction } = solved(far);
    expect(nextAction).toMatchObject({ kind: 'lamp-out-of-range', text: expect.stringMatching(/too weak$/) });
    const moved = withSettings(far, nextAction.settings);
    if (!moved.ok) throw new Error('not moved');
    expect(solved(moved.value).lamps[0]?.wish?.outOfRange).toBeNull();
  });

  it('leave waiting for more light as a way out: the camera is led by the rest, which then is more', () => {
    const dark = facts.map((one) => ({ ...one, av: one.av - 9 }));
    const { waysOut, camera } = solveSet(room(), kit, dark, CLOCK);
    expect(camera?.missing).toBe('too dark');
    expect(waysOut.map(({ id }) => id)).toContain('wait-darker');
  });

  it('that nothing is asked of count as they are', () => {
    const { lamps, nextAction } = solved(room({}, [placed({ role: null })]));
    expect(lamps[0]?.wish).toBeNull();
    expect(nextAction.kind).toBe('film');
  });
});
