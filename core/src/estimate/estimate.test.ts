import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { ambientAt, BACKGROUND, evening, FACE, key, TESTED, totalAt } from '../../test/evenings/plain';
import { addLight } from '../photometry';
import { type CauseKind, causes, type Cause } from './causes';
import { BELIEFS } from './beliefs';
import { estimate } from './estimate';
import type { Evening, Fired, Held, Learned, Taken } from './evening';
import { judged, telling } from './telling';

/** An evening before its newest reading, and with it. */
const around = (whole: Evening) => {
  const before = estimate({ ...whole, taken: whole.taken.slice(0, -1) });
  return { before, after: estimate(whole, before) };
};
/** How far the newest reading lies from what was foretold, in standard deviations of both. */
function surpriseOf(whole: Evening): number {
  const newest = whole.taken.at(-1) as Taken;
  const foretold = around(whole).before.expect(newest);
  return (newest.stops - foretold.stops) / Math.hypot(foretold.sdStops, newest.sdStops);
}
function ask(whole: Evening): Cause[] {
  const { before, after } = around(whole);
  return causes(whole, before, after);
}
const chanceOf = (all: readonly Cause[], ...kinds: CauseKind[]): number =>
  all.reduce((sum, { kind, chance }) => (kinds.includes(kind) ? sum + chance : sum), 0);

describe('a test, then a cloud of one stop', () => {
  const after = [...TESTED, ambientAt(4, FACE, 11.4)];
  const declared = { now: 4, events: [{ minute: 3, what: 'cloud' as const }] };

  it('separates the flash from the ambient that held', () => {
    const flash = estimate(evening(TESTED)).flash(key(-6), FACE);
    expect(Math.abs(flash.stops - 11.45)).toBeLessThan(flash.sdStops);
    expect(flash.sdStops).toBeLessThan(0.4);
  });

  it('declared and read again: the flash has not moved, the background is carried down with an honest ±', () => {
    const told = estimate(evening(after, declared));
    const before = estimate(evening(TESTED)).flash(key(-6), FACE).stops;
    expect(Math.abs(told.flash(key(-6), FACE).stops - before)).toBeLessThan(0.05);
    const background = told.ambient(BACKGROUND);
    expect(background.stops).toBeGreaterThan(13.1 - 1.1);
    expect(background.stops).toBeLessThan(13.1 - 0.8);
    expect(background.sdStops).toBeGreaterThan(0.7);
    expect(surpriseOf(evening(after, declared))).toBeGreaterThan(-2);
  });

  it('undeclared under a steady sky it is asked for, the likely causes first', () => {
    expect(surpriseOf(evening(after))).toBeLessThan(-3);
    const all = ask(evening(after));
    expect(chanceOf(all, 'ambient', 'meter')).toBeGreaterThan(0.95);
    expect(all.find(({ kind }) => kind === 'ambient')?.stops).toBeCloseTo(-1, 0);
    expect(all.find(({ kind }) => kind === 'meter')?.stops).toBe(1);
  });

  it('undeclared under moving cloud it is a quiet line', () => {
    const surprise = Math.abs(surpriseOf(evening(after, { sky: 'moving' })));
    expect(surprise).toBeGreaterThan(2);
    expect(surprise).toBeLessThan(3);
  });
});

describe('the dial that does not agree: ambient 3.1, total 6.0 at dial 6.0, then 5.3 at 4.7', () => {
  const read = (sdStops: number) =>
    evening(
      [ambientAt(0, FACE, 10.1), totalAt(1, 13, [key(-6, 19)]), totalAt(2, 12.3, [key(-7.3, 19)])].map((one) => ({
        ...one,
        sdStops,
      })),
    );

  it('is asked for by a good meter, the ambient before the power, and the ambient at the face tells', () => {
    const whole = read(0.05);
    expect(surpriseOf(whole)).toBeGreaterThan(3.5);
    expect(surpriseOf(whole)).toBeLessThan(4.5);
    const all = ask(whole);
    const ambient = all.find(({ kind }) => kind === 'ambient');
    expect(ambient?.stops).toBeCloseTo(0.9, 0);
    const power = all.find(({ kind }) => kind === 'power');
    expect(power?.stops).toBeCloseTo(0.45, 0);
    expect(chanceOf(all, 'ambient', 'earlier')).toBeGreaterThan(power?.chance ?? 1);
    const next = telling(whole, all);
    expect(next?.wanted).toMatchObject({ light: 'ambient', point: 'face' });
    if (next === null) return;
    expect(chanceOf(judged(next, 11, 0.05).slice(0, 1), 'ambient', 'earlier')).toBeGreaterThan(0.5);
    expect(judged(next, 10.1, 0.05)[0]?.kind).toBe('power');
  });

  it('is a quiet line with the usual noise', () => {
    const surprise = surpriseOf(read(0.11));
    expect(surprise).toBeGreaterThan(1.5);
    expect(surprise).toBeLessThan(3);
  });
});

describe('light that fades', () => {
  it('a face read 0.6 lower a quarter of an hour later carries what stands in its light, and the ± grows', () => {
    const later = [...TESTED, ambientAt(17, FACE, 11.8)];
    const background = estimate(evening(later)).ambient(BACKGROUND);
    expect(background.stops).toBeLessThan(13.1 - 0.4);
    expect(background.sdStops).toBeGreaterThan(1 / 6);
    const foretold = estimate(evening(later, { forecast: (minute) => -0.04 * minute })).ambient(BACKGROUND);
    expect(foretold.sdStops).toBeLessThan(background.sdStops);
  });

  it('every ± grows with time and shrinks with a reading', () => {
    const now = estimate(evening(TESTED)).ambient(FACE).sdStops;
    const later = estimate(evening(TESTED, { now: 40 })).ambient(FACE).sdStops;
    const again = estimate(evening([...TESTED, ambientAt(40, FACE, 12.2)])).ambient(FACE).sdStops;
    expect(later).toBeGreaterThan(now);
    expect(again).toBeLessThan(later);
  });
});

describe('what is learned of the kit', () => {
  const made = key(-6).made;
  const learn = (stops: number[], learned: Learned | null = null) =>
    estimate(
      evening([ambientAt(0, FACE, 6), ...stops.map((one, i) => totalAt(i + 1, one, [key(-6)]))], { learned }),
    ).learned(made);

  it('goes on from one shoot to the next with what unit and modifier owe each other', () => {
    const first = learn([11.5]);
    expect(first.meanStops[0]).toBeGreaterThan(0.2);
    expect(first.covariance[0]?.[1]).toBeLessThan(0);
    const untouched = estimate(evening([ambientAt(0, FACE, 6)], { learned: first })).learned(made);
    first.meanStops.forEach((mean, i) => expect(untouched.meanStops[i]).toBeCloseTo(mean, 9));
    first.covariance.forEach((row, i) =>
      row.forEach((value, j) => expect(untouched.covariance[i]?.[j]).toBeCloseTo(value, 9)),
    );
    const second = learn([11.5], first);
    expect(second.covariance[0]?.[0]).toBeLessThan(first.covariance[0]?.[0] ?? 0);
  });

  it('readings that differ by a stop leave an honest ±', () => {
    const agree = estimate(evening([ambientAt(0, FACE, 6), totalAt(1, 11, [key(-6)]), totalAt(2, 11, [key(-6)])]));
    const apart = estimate(evening([ambientAt(0, FACE, 6), totalAt(1, 10.5, [key(-6)]), totalAt(2, 11.5, [key(-6)])]));
    expect(agree.flash(key(-6), FACE).sdStops).toBeLessThan(0.1);
    expect(apart.flash(key(-6), FACE).sdStops).toBeGreaterThan(0.3);
  });
});

describe('one pass of all lights, each point read once', () => {
  const SPOTS = ['face', 'shadow', 'hair'] as const;
  const heldAt = (point: string): Held => ({ ...FACE, point });
  /** A light of its own unit and modifier at a point: full where it aims, `lead` stops less elsewhere. */
  const lightAt = (aims: number, spot: number, statedStops: number, lead: number): Fired => {
    const id = `light${aims}`;
    const made = [
      { id: `unit:${id}`, sdStops: BELIEFS.unit },
      { id: `modifier:${id}`, sdStops: BELIEFS.modifier },
    ];
    const spillSdStops = spot === aims ? 0 : BELIEFS.spill;
    return { ...key(-4, statedStops - (spot === aims ? 0 : lead)), id, made, spillSdStops };
  };
  /** What one pass leaves of each light where it aims: its ± and how far it is off the truth. */
  const passOver = (points: number, off: readonly number[], ambientStops: number, lead: number) => {
    const statedStops = 15;
    const spots = SPOTS.slice(0, points);
    const fired = (spot: number) => off.map((_, aims) => lightAt(aims, spot, statedStops, lead));
    const ambient = spots.map((point, minute) => ambientAt(minute / 10, heldAt(point), ambientStops));
    const totals = spots.map((point, spot) => {
      const flashes = fired(spot).map((one, aims) => one.statedStops + one.powerStops + off[aims]!);
      return { ...totalAt(1, addLight(ambientStops, ...flashes), fired(spot), heldAt(point)), id: `total:${point}` };
    });
    const { flash } = estimate(evening([...ambient, ...totals]));
    return off.map((truth, aims) => {
      const { stops, sdStops } = flash(lightAt(aims, aims, statedStops, lead), heldAt(SPOTS[aims]!));
      return { sdStops, errorStops: stops - (statedStops - 4 + truth) };
    });
  };
  const offs = (count: number) =>
    fc.array(fc.double({ min: -0.5, max: 0.5, noNaN: true }), { minLength: count, maxLength: count });

  it('tells each to 0.3 where it leads the others by 2 stops and the ambient lies a stop under it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 3 }).chain(offs),
        fc.double({ min: 2, max: 4, noNaN: true }),
        (off, lead) => {
          // a stop under the weakest of them
          const told = passOver(off.length, off, 11 + Math.min(...off) - 1, lead + Math.max(...off) - Math.min(...off));
          for (const { sdStops, errorStops } of told) {
            expect(sdStops).toBeLessThanOrEqual(0.3);
            expect(Math.abs(errorStops)).toBeLessThan(0.3);
          }
        },
      ),
    );
  });

  it('with fewer points than lights the one that is read nowhere by itself stays as unsure as it was', () => {
    fc.assert(
      fc.property(offs(3), (off) => {
        const told = passOver(2, off, 9, 3);
        expect(told[2]?.sdStops).toBeGreaterThan(1 / 3);
      }),
    );
  });
});

it('what was read at another point counts by this reading, whatever shutter the other was read at', () => {
  const behind = { ...BACKGROUND, tv: 7 };
  const total = totalAt(1, addLight(13.4 - 7, 5), [{ ...key(-6, 11), spillSdStops: 0.3 }], behind);
  const whole = evening([ambientAt(0, FACE, 12.4), ambientAt(0.5, BACKGROUND, 13.4), total, ambientAt(2, FACE, 13.4)]);
  expect(surpriseOf(whole)).toBeGreaterThan(3);
  expect(chanceOf(ask(whole), 'point')).toBeGreaterThan(0.05);
});

describe('any evening', () => {
  const stops = fc.double({ min: -4, max: 17, noNaN: true });
  const readings = fc.array(fc.tuple(fc.constantFrom('ambient', 'total'), fc.boolean(), stops), {
    minLength: 1,
    maxLength: 12,
  });
  const takenOf = (all: readonly (readonly [string, boolean, number])[]): Taken[] =>
    all.map(([light, atFace, value], i) =>
      light === 'ambient'
        ? ambientAt(i, atFace ? FACE : BACKGROUND, value)
        : totalAt(i, value, [key(-5)], atFace ? FACE : BACKGROUND),
    );

  it('has an answer in figures, and does not depend on where the search started', () => {
    fc.assert(
      fc.property(readings, (all) => {
        const taken = takenOf(all);
        const cold = estimate(evening(taken));
        const before = estimate(evening(taken.slice(0, -1)));
        const warm = estimate(evening(taken), before);
        for (const held of [FACE, BACKGROUND]) {
          const figure = cold.ambient(held);
          expect(Number.isFinite(figure.stops) && Number.isFinite(figure.sdStops)).toBe(true);
          expect(cold.flash(key(-5), held).sdStops).toBeGreaterThan(0);
        }
        // readings that contradict each other may leave two answers that explain them about as well
        if (Math.abs(cold.fit.evidence - warm.fit.evidence) < 1e-6)
          expect(warm.ambient(FACE).stops).toBeCloseTo(cold.ambient(FACE).stops, 2);
      }),
    );
  });

  it('whatever is asked, the chances of the causes add to one', () => {
    const apart = ask(evening([ambientAt(0, BACKGROUND, 10), ambientAt(1, BACKGROUND, -8)]));
    expect(apart.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 9);
    fc.assert(
      fc.property(readings, (all) => {
        const whole = evening(takenOf(all));
        const found = ask(whole);
        expect(found.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 9);
        expect(found.every(({ stops: by }) => Number.isFinite(by))).toBe(true);
      }),
      { numRuns: 30 },
    );
  });
});
