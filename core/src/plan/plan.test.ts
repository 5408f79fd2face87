import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { PLAIN_PLAN, type SetupPlan } from '../setup';
import { dayPlan, type PlanEntry, whenLate, windowsOf } from './dayPlan';
import { learnOutline, shadeEdges, spotSun, sunInFrame, sunOutline } from './spotSun';

const FROM = Date.parse('2026-02-27T00:00:00+01:00');
const TO = FROM + 86_400_000;
const MINUTE_MS = 60_000;
const at = (clock: string) => Date.parse(`2026-02-27T${clock}:00+01:00`);
const iso = (clock: string) => new Date(at(clock)).toISOString();
const ORLABACH = { latitudeDeg: 46.93, longitudeDeg: 10.21 };
/** A ridge in the south-west, ten degrees high. */
const RIDGE = { fromDeg: 200, toDeg: 290, size: { by: 'angle', riseDeg: 10 }, leaves: false } as const;
const terrace = { spot: { place: ORLABACH, outline: [RIDGE], looksDeg: 235 }, backgroundM: 30 };
const sun = spotSun(terrace, FROM, TO);
const open = spotSun({ spot: { place: ORLABACH, outline: [], looksDeg: null }, backgroundM: null }, FROM, TO);

let number = 0;
const entry = (plan: Partial<SetupPlan>, spotId = 'terrace', its = open): PlanEntry => ({
  setupId: `setup ${(number += 1)}`,
  spotId,
  plan: { ...PLAIN_PLAN, ...plan },
  sun: its,
});
const BLUE = { by: 'heights', fromDeg: -4, toDeg: -8 } as const;
const GOLDEN = { by: 'heights', fromDeg: 6, toDeg: -4 } as const;

describe('the sun at a spot', () => {
  it('leaves people and what is behind them, and says how long it is safe', () => {
    const edges = shadeEdges(terrace, sun);
    const leaves = edges.find(({ of, comes }) => of === 'people' && !comes)!;
    const { altitudeDeg, azimuthDeg } = sun.track.at(leaves.atMs);
    expect(altitudeDeg).toBeCloseTo(10, 1);
    expect(azimuthDeg).toBeGreaterThan(200);
    // a ridge far away is gone behind for all at once: no edge walks over the ground
    expect(edges.find(({ of, comes }) => of === 'background' && !comes)!.atMs).toBe(leaves.atMs);
    expect(leaves.seatedMs).toBeNull();
    expect(leaves.leaves).toBe(false);
  });

  it('a wall near by leaves those who sit earlier, and is safe until its shade is two metres away', () => {
    const wall = { fromDeg: 150, toDeg: 300, size: { by: 'height', heightM: 8, awayM: 20 }, leaves: false } as const;
    const yard = { spot: { place: ORLABACH, outline: [wall], looksDeg: null }, backgroundM: null };
    const gone = shadeEdges(yard, spotSun(yard, FROM, TO)).find(({ comes }) => !comes)!;
    expect(gone.seatedMs!).toBeLessThan(gone.atMs);
    expect(gone.safeMs!).toBeLessThan(gone.atMs);
  });

  it('comes in by windows only from the way that they face', () => {
    const spot = {
      place: ORLABACH,
      outline: sunOutline({ outline: [], light: 'indoors', windowsFaceDeg: 180 }),
      looksDeg: null,
    };
    const room = spotSun({ spot, backgroundM: null }, FROM, TO);
    const lit = room.standing.filter(({ reach }) => reach === 'sun');
    expect(lit).toHaveLength(1);
    expect(room.track.at(lit[0]!.fromMs).azimuthDeg).toBeCloseTo(
      Math.max(100, room.track.at(open.day.risesMs[0]!).azimuthDeg),
      0,
    );
    const north = { ...spot, outline: sunOutline({ outline: [], light: 'indoors', windowsFaceDeg: 0 }) };
    expect(spotSun({ spot: north, backgroundM: null }, FROM, TO).standing.some(({ reach }) => reach === 'sun')).toBe(
      false,
    );
  });

  it('teaches the skyline in the moment that it leaves or comes', () => {
    for (const [what, clock] of [
      ['left', '16:20'],
      ['came', '08:40'],
    ] as const) {
      const outline = learnOutline([], open.track.at(at(clock)), what);
      const spot = { place: ORLABACH, outline, looksDeg: null };
      const edge = shadeEdges({ spot, backgroundM: null }, spotSun({ spot, backgroundM: null }, FROM, TO)).find(
        ({ comes, atMs }) => comes === (what === 'came') && Math.abs(atMs - at(clock)) < 30 * MINUTE_MS,
      );
      // rises are kept to a tenth of a degree
      expect(Math.abs(edge!.atMs - at(clock))).toBeLessThan(MINUTE_MS);
      // seen again at another minute it is the same skyline, corrected
      const again = learnOutline(outline, open.track.at(at(clock) + 5 * MINUTE_MS), what);
      expect(again).toHaveLength(1);
      expect(again[0]!.size).not.toEqual(outline[0]!.size);
    }
  });

  it('stands behind, beside or before people, and shines on the lens until the camera is turned', () => {
    expect(sunInFrame({ altitudeDeg: -3, azimuthDeg: 200 }, 200)).toBeNull();
    expect(sunInFrame({ altitudeDeg: 5, azimuthDeg: 200 }, 200)).toMatchObject({ against: 'in-frame' });
    expect(sunInFrame({ altitudeDeg: 30, azimuthDeg: 230 }, 200)).toMatchObject({ against: 'behind' });
    expect(sunInFrame({ altitudeDeg: 30, azimuthDeg: 300 }, 200)).toMatchObject({ against: 'side', turnDeg: null });
    expect(sunInFrame({ altitudeDeg: 30, azimuthDeg: 20 }, 200)).toMatchObject({ against: 'front', turnDeg: null });
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 80 }), fc.integer({ min: 0, max: 359 }), (altitudeDeg, azimuthDeg) => {
        const { turnDeg } = sunInFrame({ altitudeDeg, azimuthDeg }, 0)!;
        if (turnDeg === null) return;
        // turned so far it shines on the lens no more, and a degree less is not enough
        expect(sunInFrame({ altitudeDeg, azimuthDeg }, turnDeg)!.turnDeg).toBeNull();
        expect(sunInFrame({ altitudeDeg, azimuthDeg }, turnDeg - Math.sign(turnDeg))!.turnDeg).not.toBeNull();
      }),
    );
  });
});

describe('windows', () => {
  it('by heights of the sun are those of the day, evening and morning apart', () => {
    const spans = (light: string) => open.day.spans.filter((span) => span.light === light);
    const [evening] = windowsOf({ by: 'heights', fromDeg: 6, toDeg: -4 }, open)!;
    const golden = spans('golden')[1]!;
    expect(Math.abs(evening!.fromMs - golden.fromMs)).toBeLessThanOrEqual(MINUTE_MS);
    expect(Math.abs(evening!.toMs - golden.toMs)).toBeLessThanOrEqual(MINUTE_MS);
    const [morning] = windowsOf({ by: 'heights', fromDeg: -4, toDeg: 6 }, open)!;
    expect(morning!.toMs).toBeLessThan(at('09:00'));
    expect(windowsOf({ by: 'heights', fromDeg: 70, toDeg: 60 }, open)).toEqual([]);
    expect(windowsOf(GOLDEN, null)).toBeNull();
  });

  it('by the sun on the spot end where the ridge takes it', () => {
    const windows = windowsOf({ by: 'sun', reaches: true }, sun)!;
    const gone = shadeEdges(terrace, sun).find(({ comes }) => !comes)!;
    expect(windows.at(-1)!.toMs).toBe(gone.atMs);
    expect(windowsOf({ by: 'sun', reaches: false }, sun)!.some(({ fromMs }) => fromMs === gone.atMs)).toBe(true);
  });
});

describe('the plan of a day', () => {
  it('puts setups after each other, with moving where the spot changes, and finds what does not fit', () => {
    const [first, second, third] = dayPlan(
      [
        entry({ startsAt: iso('14:30'), shootMin: 30 }, 'hall'),
        entry({ startsAt: iso('15:00'), shootMin: 20, setUpMin: 10 }, 'platform'),
        entry({}, 'platform'),
      ],
      at('08:00'),
    );
    // thirty minutes, five to pack, five to move; then the next one's ten of setting up reach back over all of that
    expect(first!.busy.toMs).toBe(at('15:10'));
    expect(second!.overlapMin).toBe(20);
    expect(third!.fromMs).toBe(second!.busy.toMs + 10 * MINUTE_MS);
    expect(third!.gapMin).toBe(0);
  });

  it('a setup without a time goes into its window, and start-by times count backwards from it', () => {
    const [family, blue] = dayPlan(
      [
        entry({ startsAt: iso('15:40'), shootMin: 20 }, 'platform'),
        entry({ window: BLUE, shootMin: 10, setUpMin: 15 }, 'cabin'),
      ],
      at('08:00'),
    );
    const [window] = windowsOf(BLUE, open)!;
    expect(blue!.fromMs).toBe(window!.fromMs);
    expect(blue!.fit).toBe('inside');
    expect(blue!.startByMs).toBe(window!.toMs - 10 * MINUTE_MS);
    expect(family!.startByMs).toBe(blue!.startByMs! - (15 + 5 + 5 + 20) * MINUTE_MS);
  });

  it('a setup with a window comes where that lies, wherever it stands in the list', () => {
    const blue = entry({ window: BLUE });
    const couple = entry({ startsAt: iso('16:30') });
    expect(dayPlan([blue, couple], at('08:00')).map(({ setupId }) => setupId)).toEqual([couple.setupId, blue.setupId]);
  });

  it('says how much of a setup lies outside of its window, and that there is none that day', () => {
    const [late, never] = dayPlan(
      [
        entry({ startsAt: new Date(windowsOf(BLUE, open)![0]!.toMs - 5 * MINUTE_MS).toISOString(), window: BLUE }),
        entry({ window: { by: 'heights', fromDeg: 80, toDeg: 70 } }),
      ],
      at('08:00'),
    );
    expect(late).toMatchObject({ fit: 'partly', outsideMin: 10 });
    expect(never).toMatchObject({ fit: 'none-that-day' });
  });

  it('late: leaves out what is worth least, keeps what must be had, and every kept one comes in time', () => {
    const plan = fc.record({
      shootMin: fc.integer({ min: 5, max: 40 }),
      setUpMin: fc.integer({ min: 0, max: 15 }),
      value: fc.integer({ min: 1, max: 5 }),
      must: fc.boolean(),
      window: fc.constantFrom(null, GOLDEN, BLUE),
    });
    fc.assert(
      fc.property(
        fc.array(plan, { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 0, max: 120 }),
        (plans, lateMin) => {
          const entries = plans.map((one) => entry(one));
          const { drop, kept, missed } = whenLate(entries, at('17:00') + lateMin * MINUTE_MS);
          expect([...drop, ...missed, ...kept.map(({ setupId }) => setupId)].sort()).toEqual(
            entries.map(({ setupId }) => setupId).sort(),
          );
          for (const one of kept) {
            expect(['any-time', 'inside']).toContain(one.fit);
            expect(one.overlapMin).toBe(0);
            expect(one.busy.fromMs).toBeGreaterThanOrEqual(at('17:00') + lateMin * MINUTE_MS);
          }
          // nothing that was left out would still have had its place beside all that is kept
          const keptEntries = entries.filter(({ setupId }) => kept.some((one) => one.setupId === setupId));
          for (const gone of [...drop, ...missed]) {
            const more = entries.filter(
              ({ setupId }) => setupId === gone || keptEntries.some((one) => one.setupId === setupId),
            );
            expect(whenLate(more, at('17:00') + lateMin * MINUTE_MS).kept.length).toBeLessThan(more.length);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});
