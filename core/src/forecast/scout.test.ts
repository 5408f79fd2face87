import { describe, expect, it } from '@jest/globals';

import { SAMPLE_BLUE_HOUR, SAMPLE_GROUP, sampleId } from '../sample';
import type { Reading } from '../setup';
import { scouted } from './scout';

const { setup, readings } = SAMPLE_GROUP;
const earlier = (byStops: number, at: string): Reading => ({
  ...readings[0]!,
  id: sampleId(801),
  at,
  av: readings[0]!.av + byStops,
});

describe('an earlier visit', () => {
  it('is set against now in stops, colour and the side of the sun', () => {
    const lit = (kelvin: number) => ({
      ...setup,
      colour: { ...setup.colour, ambient: [{ pointId: 'face', kelvin, greenCc: 0, from: 'typed' as const }] },
      stage: { ...setup.stage, sun: SAMPLE_BLUE_HOUR.setup.stage.sun },
    });
    const then = { setup: lit(5000), readings: [earlier(1, '2026-02-13T13:38:00+01:00')] };
    const told = scouted({ setup: lit(8000), readings }, [then])!;
    expect(told.changeStops).toBeCloseTo(-1, 9);
    expect(told.coolerMired).toBeCloseTo(200 - 125, 9);
    // two hours later in the day the sun has gone on by about a twelfth of a circle
    expect(Math.abs(told.sunAsideDeg!)).toBeGreaterThan(20);
    expect(Math.abs(told.sunAsideDeg!)).toBeLessThan(45);
  });

  it('is another visit only hours apart, and needs a reading of the face at both', () => {
    expect(scouted({ setup, readings }, [{ setup, readings: [earlier(1, '2026-02-27T14:38:00+01:00')] }])).toBeNull();
    expect(
      scouted({ setup, readings: [] }, [{ setup, readings: [earlier(1, '2026-02-13T15:38:00+01:00')] }]),
    ).toBeNull();
    expect(scouted({ setup, readings }, [])).toBeNull();
  });
});
