import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { weatherHourSchema } from '@sphene/core/documents';
import { simulatedHour } from '../src/simulatedWeather';

const HOUR_MS = 3_600_000;
const FROM = Date.parse('2026-02-27T00:00:00Z');

describe('the simulated weather', () => {
  it('is weather as the schema has it, soft from hour to hour, the same when it is asked again', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.integer({ min: 0, max: 24 * 400 }),
        (latitude, longitude, hour) => {
          const said = simulatedHour(latitude, longitude, FROM + hour * HOUR_MS);
          expect(weatherHourSchema.safeParse(said).success).toBe(true);
          expect(simulatedHour(latitude, longitude, FROM + hour * HOUR_MS)).toEqual(said);
          const next = simulatedHour(latitude, longitude, FROM + (hour + 1) * HOUR_MS);
          expect(Math.abs(next.cloud - said.cloud)).toBeLessThan(0.4);
          expect(Math.abs(next.temperatureC - said.temperatureC)).toBeLessThan(5);
          expect(said.gustMps).toBeGreaterThanOrEqual(said.windMps);
          if (said.cloud < 0.8) expect(said.rainMmH).toBe(0);
        },
      ),
    );
  });

  it('is warmer in summer than in winter, on both halves of the earth', () => {
    const meanC = (latitude: number, month: number) => {
      const from = Date.UTC(2026, month, 1);
      const hours = Array.from({ length: 24 * 28 }, (_, hour) => simulatedHour(latitude, 10, from + hour * HOUR_MS));
      return hours.reduce((sum, { temperatureC }) => sum + temperatureC, 0) / hours.length;
    };
    expect(meanC(46.9, 6)).toBeGreaterThan(meanC(46.9, 0) + 10);
    expect(meanC(-40, 6)).toBeLessThan(meanC(-40, 0) - 8);
  });
});
