import { describe, expect, it } from '@jest/globals';
import * as fc from 'fast-check';

import { SAMPLE_HALL, sampleId } from '../sample';
import { lightPath, type Setting, type Setup, withSettings } from '../setup';
import { anotherPlace, asVariant, differences, inOrder, setAside, toVariant, type VariantDifference } from './variants';

const HALL = SAMPLE_HALL.setup;
const put = (setup: Setup, ...settings: Setting[]): Setup => {
  const there = withSettings(setup, settings);
  if (!there.ok) throw new Error(JSON.stringify(there.reason));
  return there.value;
};

/** One thing that a person may change. */
const anyChange = fc.oneof(
  fc.double({ min: 0.5, max: 4, noNaN: true }).map((m): Setting => ({ path: lightPath(0, 'distanceM'), value: m })),
  fc.integer({ min: -180, max: 180 }).map((deg): Setting => ({ path: lightPath(0, 'sideDeg'), value: deg })),
  fc.constant<Setting>({ path: lightPath(0, 'modifierId'), value: null }),
  fc.constant<Setting>({ path: lightPath(0, 'dialledStops'), value: -3 }),
  fc.double({ min: 0.2, max: 3, noNaN: true }).map((stops): Setting => ({ path: 'look.holdBackStops', value: stops })),
  fc.integer({ min: 2, max: 5 }).map((av): Setting => ({ path: 'camera.wantedAv', value: av })),
  fc.integer({ min: -60, max: 60 }).map((deg): Setting => ({ path: 'stage.subject.turnDeg', value: deg })),
  fc.double({ min: 1, max: 9, noNaN: true }).map((m): Setting => ({ path: 'backgroundM', value: m })),
  fc.constant<Setting>({ path: 'panels', value: [] }),
  fc.constant<Setting>({ path: 'lights', value: [] }),
);
const anySetup = fc.array(anyChange, { maxLength: 4 }).map((changes) =>
  changes.reduce((setup, change) => {
    const there = withSettings(setup, [change]);
    return there.ok ? there.value : setup;
  }, HALL),
);

describe('variants', () => {
  it('are gone back to whole, whatever was changed; what is dialled on camera and flashes stays as hands left it', () =>
    fc.assert(
      fc.property(anySetup, anySetup, (then, now) => {
        const aside = setAside(then, sampleId(900), 'A');
        const back = asVariant({ ...now, variants: [aside] }, aside);
        expect(differences(then, back)).toEqual([]);
        expect(back.variantOf).toBe(aside.id);
        for (const light of now.lights)
          for (const same of back.lights.filter(({ id }) => id === light.id))
            expect(same.dialledStops).toBe(light.dialledStops);
        const { stands } = now.camera;
        if (stands !== null) expect(back.camera.stands).toMatchObject({ av: stands.av, tv: stands.tv, sv: stands.sv });
        expect(toVariant(back, aside).map(({ path }) => path)).toEqual(['variantOf']);
      }),
    ));

  it('differ in what their differences say: these settings made, nothing differs any more', () =>
    fc.assert(
      fc.property(anySetup, anySetup, (before, after) => {
        const settings = differences(before, after).flatMap((one) => one.settings);
        const made = put(before, ...settings.map(({ path, to }) => ({ path, value: to })));
        expect(differences(made, after)).toEqual([]);
      }),
    ));

  it('tell things apart as hands do: a place and a modifier are two, a side and a height one', () => {
    const things = (...settings: Setting[]) => differences(HALL, put(HALL, ...settings)).map(({ thing }) => thing);
    expect(things({ path: lightPath(0, 'sideDeg'), value: -70 }, { path: lightPath(0, 'heightM'), value: 1 })).toEqual([
      'light-place',
    ]);
    expect(
      things({ path: lightPath(0, 'sideDeg'), value: -70 }, { path: lightPath(0, 'modifierId'), value: null }),
    ).toEqual(['light-gear', 'light-place']);
    expect(things({ path: lightPath(0, 'dialledStops'), value: -2 })).toEqual([]);
    expect(things({ path: 'look.holdBackStops', value: 2 }, { path: 'look.faceStops', value: 0.5 })).toEqual(['look']);
  });

  it('are ordered with the fewest things changed at once, and the least carried, of all orders', () =>
    fc.assert(
      fc.property(fc.array(anySetup, { minLength: 1, maxLength: 4 }), (wished) => {
        const things = (steps: readonly VariantDifference[][]) =>
          steps.reduce((sum, changes) => sum + Math.max(0, changes.length - 1), 0);
        const orders = (left: number[]): number[][] =>
          left.length === 0
            ? [[]]
            : left.flatMap((one) => orders(left.filter((other) => other !== one)).map((rest) => [one, ...rest]));
        const least = Math.min(
          ...orders(wished.map((_, index) => index)).map((order) =>
            things(order.map((one, at) => differences(at === 0 ? HALL : wished[order[at - 1] ?? 0]!, wished[one]!))),
          ),
        );
        const steps = inOrder(HALL, wished);
        expect(steps.map(({ index }) => index).sort()).toEqual(wished.map((_, index) => index));
        expect(things(steps.map(({ changes }) => changes))).toBe(least);
      }),
      { numRuns: 50 },
    ));

  it('a light is offered one usual place after the other, each where it stood in no variant yet, until all were tried', () => {
    const stood: string[] = [];
    let setup = HALL;
    for (let tries = 0; tries < 20; tries += 1) {
      const place = anotherPlace(setup, 0, null);
      if (place === undefined) break;
      const aside = setAside(setup, sampleId(910 + tries), `Variant ${tries}`);
      setup = put({ ...setup, variants: [...setup.variants, aside] }, ...place.settings);
      const [light] = setup.lights;
      stood.push(`${light?.sideDeg} ${light?.distanceM} ${light?.heightM}`);
    }
    expect(stood.length).toBeGreaterThan(3);
    expect(stood.length).toBeLessThan(20);
    expect(new Set(stood).size).toBe(stood.length);
  });
});
