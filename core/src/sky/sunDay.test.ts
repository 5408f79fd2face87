import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { lightAtHeight, SUN_LIGHTS, sunDay } from './sunDay';
import { sunPosition } from './sunPosition';

const DAY_MS = 86_400_000;
const RADIANS = Math.PI / 180;

/**
 * The sun's height by another way: the low-precision series for its place on the ecliptic (good to 0.01°) and the sidereal
 * time of Greenwich. Source: Astronomical Almanac, page C5.
 */
function heightByAlmanac(latitudeDeg: number, longitudeDeg: number, atMs: number): number {
  const days = atMs / DAY_MS + 2440587.5 - 2451545;
  const mean = (280.46 + 0.9856474 * days) * RADIANS;
  const anomaly = (357.528 + 0.9856003 * days) * RADIANS;
  const ecliptic = mean + (1.915 * Math.sin(anomaly) + 0.02 * Math.sin(2 * anomaly)) * RADIANS;
  const tilt = (23.439 - 4e-7 * days) * RADIANS;
  const ascension = Math.atan2(Math.cos(tilt) * Math.sin(ecliptic), Math.cos(ecliptic));
  const declination = Math.asin(Math.sin(tilt) * Math.sin(ecliptic));
  const sidereal = (280.46061837 + 360.98564736629 * days + longitudeDeg) * RADIANS;
  const hourAngle = sidereal - ascension;
  const latitude = latitudeDeg * RADIANS;
  return (
    Math.asin(
      Math.sin(latitude) * Math.sin(declination) + Math.cos(latitude) * Math.cos(declination) * Math.cos(hourAngle),
    ) / RADIANS
  );
}

/** Every minute of a day on which the almanac's sun passes a height. */
function passesByAlmanac(place: readonly [number, number], fromMs: number, deg: number): number[] {
  const found: number[] = [];
  for (let atMs = fromMs; atMs < fromMs + DAY_MS; atMs += 60_000) {
    const over = (ms: number) => heightByAlmanac(...place, ms) >= deg;
    if (over(atMs) !== over(atMs + 60_000)) found.push(atMs + 30_000);
  }
  return found;
}

const PLACES: readonly [name: string, place: readonly [number, number], day: string][] = [
  ['a village in the Alps in February', [46.93, 10.21], '2026-02-27T00:00:00+01:00'],
  ['the Alps on the day the clocks go forward', [46.93, 10.21], '2026-03-29T00:00:00+01:00'],
  ['the south in midsummer', [-33.5, 151], '2026-12-21T00:00:00+11:00'],
  ['the equator at the equinox', [1.3, 103.8], '2026-03-20T00:00:00+08:00'],
  ['a night that never gets dark', [64.1, -21.9], '2026-06-21T00:00:00Z'],
  ['polar night', [68.4, 17.4], '2026-12-21T00:00:00+01:00'],
  ['polar day', [71, 25.8], '2026-06-21T00:00:00+02:00'],
];

describe('the sun’s day', () => {
  it.each(PLACES)('%s: rise, set and windows to the minute, none where there is none', (_name, place, day) => {
    const fromMs = Date.parse(day);
    const { risesMs, setsMs, spans } = sunDay(...place, fromMs, fromMs + DAY_MS);
    const horizon = [...risesMs, ...setsMs].sort((a, b) => a - b);
    const expected = passesByAlmanac(place, fromMs, -0.833);
    expect(horizon).toHaveLength(expected.length);
    for (const [index, atMs] of horizon.entries()) expect(Math.abs(atMs - (expected[index] ?? 0))).toBeLessThan(90_000);
    const edges = [6, -4, -6, -8, -12].flatMap((deg) => passesByAlmanac(place, fromMs, deg)).sort((a, b) => a - b);
    const inner = spans.slice(1).map(({ fromMs: edge }) => edge);
    expect(inner).toHaveLength(edges.length);
    for (const [index, atMs] of inner.entries()) expect(Math.abs(atMs - (edges[index] ?? 0))).toBeLessThan(120_000);
  });

  it('its lights fill the day without a gap, each as its height says, and follow each other in their order', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -80, max: 80, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.integer({ min: 0, max: 364 }),
        (latitudeDeg, longitudeDeg, day) => {
          const fromMs = Date.UTC(2026, 0, 1) + day * DAY_MS;
          const { spans, toMs } = sunDay(latitudeDeg, longitudeDeg, fromMs, fromMs + DAY_MS);
          expect([spans[0]?.fromMs, spans.at(-1)?.toMs]).toEqual([fromMs, toMs]);
          for (const [index, span] of spans.entries()) {
            if (index > 0) {
              const before = spans[index - 1];
              expect(span.fromMs).toBe(before?.toMs);
              const step = SUN_LIGHTS.indexOf(span.light) - SUN_LIGHTS.indexOf(before?.light ?? 'night');
              expect(Math.abs(step)).toBeLessThanOrEqual(1);
            }
            for (const part of [0.1, 0.5, 0.9]) {
              const at = span.fromMs + part * (span.toMs - span.fromMs);
              const { altitudeDeg } = sunPosition(latitudeDeg, longitudeDeg, new Date(at));
              if (span.toMs - span.fromMs > 20_000) expect(lightAtHeight(altitudeDeg)).toBe(span.light);
            }
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('stands where an independent formula has it, at 1 000 random places and moments', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -88, max: 88, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.integer({ min: Date.UTC(2020, 0, 1), max: Date.UTC(2035, 0, 1) }),
        (latitudeDeg, longitudeDeg, atMs) => {
          const { altitudeDeg } = sunPosition(latitudeDeg, longitudeDeg, new Date(atMs));
          expect(Math.abs(altitudeDeg - heightByAlmanac(latitudeDeg, longitudeDeg, atMs))).toBeLessThan(0.05);
        },
      ),
      { numRuns: 1000 },
    );
  });
});
