import { describe, expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

import { clearSky } from './clearSky';
import { sunPosition } from './sunPosition';

const golden = JSON.parse(readFileSync(join(__dirname, '../../test/golden/sun.json'), 'utf8')) as {
  cases: { lat: number; lon: number; at: string; altitudeDeg: number; azimuthDeg: number }[];
};

describe('the sun', () => {
  it.each(golden.cases)('stands where it should: $lat $lon $at', ({ lat, lon, at, altitudeDeg, azimuthDeg }) => {
    const sun = sunPosition(lat, lon, new Date(at));
    expect(Math.abs(sun.altitudeDeg - altitudeDeg)).toBeLessThan(0.05);
    expect(Math.abs(sun.azimuthDeg - azimuthDeg)).toBeLessThan(0.05);
  });

  it('is stronger against the sky the higher it climbs, and gives nothing under the horizon', () => {
    expect(clearSky(-3).sunKlx).toBe(0);
    expect(clearSky(0.01).sunKlx).toBeLessThan(1e-6);
    const ratio = (altitude: number) => {
      const { sunKlx, skyKlx } = clearSky(altitude);
      return sunKlx / skyKlx;
    };
    for (const altitude of [5, 10, 20]) expect(ratio(altitude + 5)).toBeGreaterThan(ratio(altitude));
  });

  it.each([
    [60, 104_000],
    [45, 77_000],
    [30, 47_000],
    [20, 27_000],
    [15, 19_000],
    [10, 11_000],
    [5, 4700],
    [2, 1800],
    [0, 700],
    [-2, 140],
    [-4, 24],
    [-6, 3.4],
    [-8, 0.45],
    [-12, 0.008],
  ])('with the sun at %i° a clear sky gives level ground %d lux', (altitudeDeg, lux) => {
    const { sunKlx, skyKlx } = clearSky(altitudeDeg);
    const together = 1000 * (sunKlx * Math.sin((altitudeDeg * Math.PI) / 180) + skyKlx);
    expect(Math.abs(Math.log2(together / lux))).toBeLessThan(0.02);
  });

  it('light only grows as the sun climbs, without a jump', () => {
    const level = (altitudeDeg: number) => {
      const { sunKlx, skyKlx } = clearSky(altitudeDeg);
      return Math.log2(sunKlx * Math.max(0, Math.sin((altitudeDeg * Math.PI) / 180)) + skyKlx);
    };
    for (let altitudeDeg = -12; altitudeDeg < 90; altitudeDeg += 0.25) {
      const step = level(altitudeDeg + 0.25) - level(altitudeDeg);
      expect(step).toBeGreaterThan(0);
      expect(step).toBeLessThan(0.5);
    }
  });
});
