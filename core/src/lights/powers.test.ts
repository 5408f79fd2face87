import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import golden from '../../test/golden/several-lights.json';
import { choosePowers, missStops, type PowerProblem } from './powers';

const settingsOf = (step: number, lowest: number): number[] =>
  Array.from({ length: Math.floor(-lowest / step + 1e-6) + 1 }, (_, index) => -index * step);

/** Every combination, one by one: written for clarity, not speed. */
function bruteForce({ gains, ambient, targets, settings }: PowerProblem): number {
  let least = Infinity;
  const go = (chosen: number[]): void => {
    const list = settings[chosen.length];
    if (list !== undefined) return list.forEach((stops) => go([...chosen, stops]));
    const cost = targets.reduce(
      (sum, target, point) =>
        sum +
        target.weight *
          missStops(
            (ambient[point] ?? 0) +
              (gains[point] ?? []).reduce((total, gain, light) => total + gain * 2 ** (chosen[light] ?? 0), 0),
            target,
          ) **
            2,
      0,
    );
    least = Math.min(least, cost);
  };
  go([]);
  return least;
}

describe('powers of several lights at once', () => {
  it.each(golden.cases)('reach the best cost $bestCost', (c) => {
    const { cost, exact } = choosePowers({
      gains: c.gainAtFullPower,
      ambient: c.ambient,
      targets: c.targetsStops.map((stops, index) => ({ kind: 'value', stops, weight: c.weights[index] ?? 1 })),
      settings: c.bestPowersStops.map(() => settingsOf(c.stepStops, c.lowestStops)),
    });
    expect(exact).toBe(true);
    expect(cost).toBeCloseTo(c.bestCost, 4);
  });

  const gain = fc.double({ min: 0, max: 30, noNaN: true });
  const problem = (lights: number) =>
    fc.integer({ min: 1, max: 4 }).chain((points) =>
      fc.record({
        gains: fc.array(fc.array(gain, { minLength: lights, maxLength: lights }), {
          minLength: points,
          maxLength: points,
        }),
        ambient: fc.array(fc.double({ min: 0, max: 2, noNaN: true }), { minLength: points, maxLength: points }),
        targets: fc.array(
          fc.record({
            kind: fc.constantFrom('value' as const, 'value' as const, 'least' as const, 'most' as const),
            stops: fc.double({ min: -4, max: 3, noNaN: true }),
            weight: fc.constantFrom(0.5, 1, 4),
          }),
          { minLength: points, maxLength: points },
        ),
        settings: fc.array(fc.constantFrom(settingsOf(1 / 3, -5), settingsOf(0.5, -6), settingsOf(1, -8)), {
          minLength: lights,
          maxLength: lights,
        }),
      }),
    );
  it.each([
    [2, 1400],
    [3, 600],
  ])('of %i lights cost what the best of all combinations costs, in %i random problems', (lights, numRuns) => {
    fc.assert(
      fc.property(problem(lights), (one) => {
        const { cost, exact } = choosePowers(one);
        expect(exact).toBe(true);
        expect(cost).toBeCloseTo(bruteForce(one), 9);
      }),
      { numRuns },
    );
  });

  it('four lights in tenths are settled too, and locked ones simply have one setting', () => {
    const tenths = settingsOf(0.1, -8);
    const four: PowerProblem = {
      gains: [
        [8, 1, 0.2, 0.1],
        [0.5, 4, 0.1, 0.1],
        [0.3, 0.1, 6, 0.2],
        [0.2, 0.2, 0.1, 9],
      ],
      ambient: [0.4, 0.2, 0.1, 0.3],
      targets: [0, -1.5, 0.5, -1].map((stops) => ({ kind: 'value', stops, weight: 1 })),
      settings: [tenths, tenths, tenths, tenths],
    };
    const free = choosePowers(four);
    expect(free).toMatchObject({ exact: true });
    expect(free.cost).toBeLessThan(0.02);
    const locked = choosePowers({ ...four, settings: [[-2], tenths, tenths, tenths] });
    expect(locked.powersStops[0]).toBe(-2);
    expect(locked.cost).toBeGreaterThanOrEqual(free.cost);
  });
});
