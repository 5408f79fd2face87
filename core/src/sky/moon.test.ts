import { describe, expect, it } from '@jest/globals';
import { Body, Equator, Horizon, Observer } from 'astronomy-engine';

import { moonDay } from './moon';

const DAY_MS = 86_400_000;

describe('the moon', () => {
  it('stands on the horizon when it rises and sets: refraction and half its width under it', () => {
    for (const [latitude, longitude] of [
      [46.93, 10.21],
      [-33.9, 18.4],
      [0, -78],
    ] as const) {
      const observer = new Observer(latitude, longitude, 0);
      const heightAt = (ms: number) => {
        const { ra, dec } = Equator(Body.Moon, new Date(ms), observer, true, true);
        return Horizon(new Date(ms), observer, ra, dec).altitude;
      };
      let rises = 0;
      for (let day = 0; day < 30; day += 1) {
        const from = Date.parse('2026-02-01T00:00:00Z') + day * DAY_MS;
        const { risesMs, setsMs } = moonDay(latitude, longitude, from, from + DAY_MS);
        rises += risesMs.length;
        for (const ms of [...risesMs, ...setsMs]) expect(heightAt(ms)).toBeCloseTo(-0.83, 1);
        for (const ms of risesMs) expect(heightAt(ms + 600_000)).toBeGreaterThan(heightAt(ms));
      }
      // a month has one rise less than days
      expect([28, 29]).toContain(rises);
    }
  });

  it('is lit whole at full moon and not at new moon', () => {
    const litOn = (date: string) => moonDay(47, 10, Date.parse(date), Date.parse(date) + DAY_MS).litShare;
    expect(litOn('2026-03-03')).toBeGreaterThan(0.98);
    expect(litOn('2026-02-17')).toBeLessThan(0.02);
  });
});
