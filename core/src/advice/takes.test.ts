import { describe, expect, it } from '@jest/globals';

import { balance } from '../balance';
import { meterScene } from '../metering';
import { SAMPLE_HALL, SAMPLE_KIT, SAMPLE_TERRACE } from '../sample';
import { CURE_KINDS, diagnose, SYMPTOMS } from './cures';
import { screenMisleads, takesOf } from './takes';

const CLOCK = new Date('2026-02-27T15:40:00Z');

describe('what a cure takes', () => {
  it('is a dial exactly where one tap does it; head and chin are the sitter’s, what is held is a helper’s', () => {
    const seen = SYMPTOMS.flatMap(
      (symptom) => diagnose(symptom, SAMPLE_HALL.setup, SAMPLE_KIT, SAMPLE_HALL.readings, CLOCK).cures,
    );
    expect(seen.length).toBeGreaterThan(10);
    for (const cure of seen) {
      expect(CURE_KINDS).toContain(cure.kind);
      expect(takesOf(cure) === 'dial').toBe(cure.settings.length > 0);
      if (cure.asks === 'head-turned') expect(takesOf(cure)).toBe('sitter');
      if (cure.asks === 'reflector') expect(takesOf(cure)).toBe('helper');
    }
  });

  it('the screen misleads in glare and at night, and not in a hall', () => {
    const at = ({ setup, readings }: typeof SAMPLE_HALL, byStops: number) =>
      screenMisleads(
        balance(
          setup,
          SAMPLE_KIT,
          meterScene(
            setup,
            SAMPLE_KIT,
            readings.map((reading) => ({ ...reading, tv: reading.tv + byStops })),
            CLOCK,
          ),
        ).points,
      );
    expect(at(SAMPLE_HALL, 0)).toBeNull();
    expect(at(SAMPLE_HALL, -4)).toBe('night');
    expect(at(SAMPLE_TERRACE, 2)).toBe('glare');
  });
});
