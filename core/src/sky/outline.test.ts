import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { type ReachSpan, reachAt, reachSpans, riseAt, safeUntil, type SkyObstacle } from './outline';
import { dayOf } from './sunDay';
import { sunPosition } from './sunPosition';
import { sunTrack } from './sunTrack';

const ORLABACH = [46.93, 10.21] as const;
const FROM = Date.parse('2026-02-27T00:00:00+01:00');
const DAY_MS = 86_400_000;
const day = sunTrack(...ORLABACH, FROM, FROM + DAY_MS);
const whole = dayOf(day);
const EYES = { eastM: 0, northM: 0, upM: 1.6 };
const MINUTE_MS = 60_000;
const clock = (ms: number) => new Date(ms + 3_600_000).toISOString().slice(11, 16);
const inSun = (spans: readonly ReachSpan[]) =>
  spans.filter(({ reach }) => reach === 'sun').map(({ fromMs, toMs }) => [clock(fromMs), clock(toMs)]);

describe('the way of the sun between its worked-out positions', () => {
  it('agrees with the position itself', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -66, max: 66, noNaN: true }),
        fc.double({ min: -179, max: 179, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (latitude, longitude, part) => {
          const track = sunTrack(latitude, longitude, FROM, FROM + DAY_MS);
          const ms = FROM + part * DAY_MS;
          const exact = sunPosition(latitude, longitude, new Date(ms));
          const { altitudeDeg, azimuthDeg } = track.at(ms);
          expect(Math.abs(altitudeDeg - exact.altitudeDeg)).toBeLessThan(0.01);
          const off = (((azimuthDeg - exact.azimuthDeg + 180) % 360) + 360) % 360;
          expect(Math.abs(off - 180) * Math.cos((exact.altitudeDeg * Math.PI) / 180)).toBeLessThan(0.02);
        },
      ),
    );
  });
});

describe('what stands round a place', () => {
  it('without anything the sun is there from when it rises until it sets', () => {
    const [span] = inSun(reachSpans(day, [], EYES));
    expect(span).toEqual([clock(whole.risesMs[0]!), clock(whole.setsMs[0]!)]);
  });

  it('a ridge as it is seen hides it until it has climbed over, and again before it sets', () => {
    // 15° all round: the moments at which the sun passes 15°, found by trying every second
    const ridge: SkyObstacle = { fromDeg: 0, toDeg: 360, size: { by: 'angle', riseDeg: 15 }, leaves: false };
    const passes = Array.from({ length: 86_400 }, (_, second) => FROM + second * 1000).filter(
      (ms, index, all) => index > 0 && day.at(ms).altitudeDeg > 15 !== day.at(all[index - 1]!).altitudeDeg > 15,
    );
    expect(inSun(reachSpans(day, [ridge], EYES))).toEqual([passes.map(clock)]);
  });

  it('a wall hides only what lies behind it, over north as well', () => {
    const wall: SkyObstacle = { fromDeg: 200, toDeg: 20, size: { by: 'angle', riseDeg: 89 }, leaves: false };
    const [span] = inSun(reachSpans(day, [wall], EYES));
    expect(span![0]).toBe(clock(whole.risesMs[0]!));
    const gone = reachSpans(day, [wall], EYES).find(({ reach }) => reach === 'hidden')!;
    expect(day.at(gone.fromMs).azimuthDeg).toBeCloseTo(200, 1);
  });

  it('seated and standing eyes lose the sun at other minutes, as the height over them says', () => {
    const wall: SkyObstacle = {
      fromDeg: 180,
      toDeg: 300,
      size: { by: 'height', heightM: 6, awayM: 15 },
      leaves: false,
    };
    const leaves = (upM: number) => {
      const spans = reachSpans(day, [wall], { ...EYES, upM });
      const gone = spans.find(({ reach }, index) => index > 1 && reach === 'hidden')!;
      return gone.fromMs;
    };
    for (const eyes of [1.6, 1.1]) {
      const rise = (Math.atan((6 - eyes) / 15) * 180) / Math.PI;
      expect(day.at(leaves(eyes)).altitudeDeg).toBeCloseTo(rise, 1);
    }
    expect(leaves(1.6)).toBeGreaterThan(leaves(1.1));
  });

  it('what lies behind the people loses it at its own minute: nearer to the wall, earlier', () => {
    const wall: SkyObstacle = {
      fromDeg: 200,
      toDeg: 270,
      size: { by: 'height', heightM: 5, awayM: 20 },
      leaves: false,
    };
    // ten metres towards the wall it stands half as far away
    const bearing = 235;
    const nearer = {
      eastM: 10 * Math.sin((bearing * Math.PI) / 180),
      northM: 10 * Math.cos((bearing * Math.PI) / 180),
      upM: 0,
    };
    expect(riseAt(wall, bearing, nearer)).toBeCloseTo((Math.atan(5 / 10) * 180) / Math.PI, 6);
    expect(riseAt(wall, bearing, { ...EYES, upM: 0 })).toBeCloseTo((Math.atan(5 / 20) * 180) / Math.PI, 6);
    const lastSun = (viewer: typeof EYES) => reachSpans(day, [wall], viewer).findLast(({ reach }) => reach === 'sun')!;
    expect(lastSun(nearer).toMs).toBeLessThan(lastSun(EYES).toMs);
  });

  it('leaves are told apart: nobody relies on them', () => {
    const trees: SkyObstacle = { fromDeg: 90, toDeg: 270, size: { by: 'angle', riseDeg: 60 }, leaves: true };
    const noon = Date.parse('2026-02-27T12:30:00+01:00');
    expect(reachAt(day, [trees], EYES, noon)).toBe('leaves');
    expect(reachAt(day, [trees, { ...trees, leaves: false }], EYES, noon)).toBe('hidden');
  });

  it('the last safe minute leaves the clearance that was asked for', () => {
    const wall: SkyObstacle = {
      fromDeg: 150,
      toDeg: 300,
      size: { by: 'height', heightM: 8, awayM: 20 },
      leaves: false,
    };
    const spans = reachSpans(day, [wall], EYES);
    const sun = spans.find(({ reach, toMs }) => reach === 'sun' && day.at(toMs).azimuthDeg > 180)!;
    const safe = safeUntil(day, [wall], EYES, sun, 2)!;
    expect(safe).toBeLessThan(sun.toMs);
    // the shade of the wall then ends two metres before the eyes: `(H − h)/tan(altitude)` reaches to 18 m from it
    const { altitudeDeg } = day.at(safe);
    const reach = (8 - 1.6) / Math.tan((altitudeDeg * Math.PI) / 180);
    expect(Math.abs(reach - 18)).toBeLessThan(0.3);
    expect(safeUntil(day, [wall], EYES, { ...sun, fromMs: sun.toMs - MINUTE_MS }, 5)).toBeNull();
  });
});
