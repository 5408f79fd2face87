import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import golden from '../../test/golden/gels.json';
import { english } from '../english';
import { USUAL_GELS } from '../sample/gels';
import { colourDistanceMired, gelled, gelLossStops, stackFor } from './gels';
import {
  castOf,
  castSwatch,
  colourFromGreyCard,
  FLASH_COLOUR,
  kelvinOf,
  miredOf,
  miredOffNeutral,
  NAMED_SOURCES,
} from './mired';

const cast = (...of: Parameters<typeof castOf>) => english.cast(castOf(...of));
const gelNamed = (name: string) => USUAL_GELS.filter((gel) => gel.name === name);

describe('gels', () => {
  it.each(golden.cases)('$sourceK K behind $shiftMired mired is $resultK K', ({ sourceK, shiftMired, resultK }) => {
    expect(
      gelled({ kelvin: sourceK, greenCc: 0 }, [{ name: 'x', shiftMired, greenCc: 0, lossStops: 0 }]).kelvin,
    ).toBeCloseTo(resultK, 4);
  });

  it('add when they are stacked, in colour and in loss, whatever the order', () => {
    fc.assert(
      fc.property(
        fc.subarray([...USUAL_GELS], { maxLength: 3 }),
        fc.integer({ min: 2500, max: 9000 }),
        (stack, kelvin) => {
          const source = { kelvin, greenCc: 0 };
          expect(gelled(source, stack).kelvin).toBeCloseTo(gelled(source, [...stack].reverse()).kelvin, 6);
          expect(gelLossStops(stack)).toBeCloseTo(
            stack.reduce((total, { lossStops }) => total + lossStops, 0),
            9,
          );
        },
      ),
    );
  });

  it('finds the stack for a warm room, a green tube, and none where none helps', () => {
    expect(stackFor(FLASH_COLOUR, NAMED_SOURCES.tungsten, USUAL_GELS).stack).toEqual(gelNamed('Full warm'));
    const tubes = stackFor(FLASH_COLOUR, NAMED_SOURCES.tubes, USUAL_GELS);
    expect(tubes.stack.some(({ greenCc }) => greenCc > 0)).toBe(true);
    expect(tubes.missMired).toBeLessThan(25);
    expect(stackFor(FLASH_COLOUR, NAMED_SOURCES.daylight, USUAL_GELS).stack).toEqual([]);
    expect(stackFor(FLASH_COLOUR, NAMED_SOURCES.tungsten, []).stack).toEqual([]);
  });

  it('never makes the match worse than no gel', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2000, max: 12_000 }), fc.integer({ min: -10, max: 30 }), (kelvin, greenCc) => {
        const wanted = { kelvin, greenCc };
        expect(stackFor(FLASH_COLOUR, wanted, USUAL_GELS).missMired).toBeLessThanOrEqual(
          colourDistanceMired(FLASH_COLOUR, wanted) + 1e-9,
        );
      }),
      { numRuns: 40 },
    );
  });
});

describe('colour in the picture', () => {
  it('warm is positive, and words say how plain it is', () => {
    expect(miredOffNeutral(NAMED_SOURCES.tungsten, FLASH_COLOUR)).toBeGreaterThan(150);
    expect(cast(NAMED_SOURCES.tungsten, FLASH_COLOUR)).toBe('plainly warm');
    expect(cast(NAMED_SOURCES.cloud, FLASH_COLOUR)).toBe('a little cool');
    expect(cast(NAMED_SOURCES.tubes, { kelvin: 4200, greenCc: 0 })).toBe('plainly green');
    expect(cast(FLASH_COLOUR, NAMED_SOURCES.daylight)).toBe('neutral');
  });

  it('a swatch at its own white balance is grey, a warm one redder than blue', () => {
    const channels = (hex: string) => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));
    fc.assert(
      fc.property(fc.integer({ min: 1700, max: 15_000 }), (kelvin) => {
        const [r, g, b] = channels(castSwatch({ kelvin, greenCc: 0 }, { kelvin, greenCc: 0 }));
        expect([g, b]).toEqual([r, r]);
      }),
    );
    const [r = 0, , b = 0] = channels(castSwatch(NAMED_SOURCES.tungsten, FLASH_COLOUR));
    expect(r).toBeGreaterThan(b + 60);
  });

  it('a grey card tells the colour of its light back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2200, max: 12_000 }), fc.integer({ min: -20, max: 30 }), (kelvin, greenCc) => {
        const white = FLASH_COLOUR;
        const swatch = castSwatch({ kelvin, greenCc }, white);
        const linear = [1, 3, 5].map((at) => {
          const v = parseInt(swatch.slice(at, at + 2), 16) / 255;
          return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
        }) as [number, number, number];
        const read = colourFromGreyCard(linear, white);
        expect(miredOf(read?.kelvin ?? NaN)).toBeGreaterThan(miredOf(kelvin) - 8);
        expect(miredOf(read?.kelvin ?? NaN)).toBeLessThan(miredOf(kelvin) + 8);
        expect(Math.abs((read?.greenCc ?? NaN) - greenCc)).toBeLessThan(3);
      }),
    );
    expect(colourFromGreyCard([0, 1, 1], FLASH_COLOUR)).toBeUndefined();
    expect(kelvinOf(miredOf(5600))).toBeCloseTo(5600, 9);
  });
});
