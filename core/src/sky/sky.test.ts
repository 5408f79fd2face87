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
    expect(clearSky(-3)).toEqual({ sunKlx: 0, skyKlx: 0 });
    const ratio = (altitude: number) => {
      const { sunKlx, skyKlx } = clearSky(altitude);
      return sunKlx / skyKlx;
    };
    for (const altitude of [5, 10, 20]) expect(ratio(altitude + 5)).toBeGreaterThan(ratio(altitude));
    const { sunKlx, skyKlx } = clearSky(60);
    // together they come to the usual horizontal light of a clear day, within a quarter of a stop
    expect(Math.abs(Math.log2((sunKlx * Math.sin(Math.PI / 3) + skyKlx) / 104))).toBeLessThan(0.25);
  });
});
