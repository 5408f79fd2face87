import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import falloff from '../../test/golden/falloff.json';
import rectangles from '../../test/golden/rectangle.json';
import {
  apparentSizeDeg,
  distanceForChange,
  effectiveDistanceM,
  falloffStops,
  rectangleConfigurationFactor,
  type SourceShape,
} from './areaSource';

const size = fc.double({ min: 0.05, max: 3, noNaN: true });
const shape: fc.Arbitrary<SourceShape> = fc.oneof(
  fc.constant<SourceShape>({ kind: 'point' }),
  size.map((diameterM): SourceShape => ({ kind: 'round', diameterM })),
  fc.tuple(size, size).map(([widthM, heightM]): SourceShape => ({ kind: 'rectangle', widthM, heightM })),
);

describe('area sources', () => {
  it.each(falloff.cases)('radius $radiusM m, $nearM m to $farM m', (c) => {
    expect(falloffStops({ kind: 'round', diameterM: 2 * c.radiusM }, c.nearM, c.farM)).toBeCloseTo(
      c.differenceStops,
      5,
    );
  });

  it.each(rectangles.cases)('rectangle $widthM by $heightM at $distanceM m', (c) => {
    expect(rectangleConfigurationFactor(c.widthM, c.heightM, c.distanceM)).toBeCloseTo(c.configurationFactor, 5);
  });

  it('tends to the inverse square law far away and never beats it near', () => {
    fc.assert(
      fc.property(shape, fc.double({ min: 0.3, max: 30, noNaN: true }), (s, d) =>
        expect(effectiveDistanceM(s, d)).toBeGreaterThanOrEqual(d - 1e-9),
      ),
    );
    fc.assert(fc.property(shape, (s) => expect(effectiveDistanceM(s, 1000)).toBeCloseTo(1000, 1)));
  });

  it('finds the distance for a change of light, or says that there is none', () => {
    fc.assert(
      fc.property(
        shape,
        fc.double({ min: 0.5, max: 10, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (s, d, change) => {
          const found = distanceForChange(s, d, change);
          if (found !== undefined) expect(falloffStops(s, d, found)).toBeCloseTo(-change, 4);
          else expect(-falloffStops(s, d, change > 0 ? 0.3 : 30) * Math.sign(change)).toBeLessThan(Math.abs(change));
        },
      ),
    );
  });

  it('measures softness as the apparent size', () => {
    expect(apparentSizeDeg({ kind: 'round', diameterM: 1 }, 0.5)).toBeCloseTo(90, 9);
    expect(apparentSizeDeg({ kind: 'point' }, 1)).toBe(0);
  });
});
