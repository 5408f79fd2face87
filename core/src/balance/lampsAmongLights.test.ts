import { describe, expect, it } from '@jest/globals';

import { usualLamp } from '../../test/panels';
import { ambientReading, usualPoint } from '../../test/points';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import type { PlacedLamp, Setup } from '../setup';
import { solve } from '../solution';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const hall = SAMPLE_HALL.setup;
const facts = [ambientReading(hall, 951, 'face', 9), ambientReading(hall, 952, 'background', 8)];
const solved = (setup: Setup) => solve(setup, SAMPLE_KIT, facts, CLOCK);

describe('lamps among lights', () => {
  const filmed = (lamps: PlacedLamp[], over: Partial<Setup> = {}): Setup => ({
    ...hall,
    panels: [],
    lights: [],
    lamps,
    camera: { ...hall.camera, video: { framesPerSecond: 25, angleDeg: 180 } },
    points: [usualPoint('face', 'face'), usualPoint('shadow', 'shadow'), usualPoint('background', 'background')],
    ...over,
  });
  const key = usualLamp({ role: 'key', dimStops: -1, kelvin: 3200 });
  const rim = usualLamp({ id: sampleId(32), role: 'rim', pointId: 'background', sideDeg: 150, distanceM: 3 });

  it('stand in the ratios, and a dimmer moves them by its stops', () => {
    const fill = (dimStops: number) =>
      usualLamp({ id: sampleId(33), role: 'fill', sideDeg: 0, distanceM: 3, dimStops });
    const ratio = (dimStops: number) => solved(filmed([key, fill(dimStops)])).ratios.keyOverFillStops ?? NaN;
    expect(ratio(-2) - ratio(0)).toBeCloseTo(2, 1);
    expect(solved(filmed([key, rim])).ratios.rimOverKeyStops).not.toBeNull();
    expect(solved(filmed([key])).ratios.rimOverKeyStops).toBeNull();
  });

  it('are turned to the colour that is wanted, as near as they go, and lead the white balance', () => {
    const colour = (kelvin: number) => ({
      ambient: [{ pointId: 'face', kelvin, greenCc: 0, from: 'typed' as const }],
      relation: 'match' as const,
      warmerMired: 30,
      whiteBalance: null,
    });
    const { kelvinLow, kelvinHigh } = SAMPLE_KIT.lamps.find(({ id }) => id === key.lampId)!;
    const within = (kelvinLow + kelvinHigh) / 2;
    const advised = (kelvin: number) =>
      solved(filmed([{ ...key, kelvin: kelvinHigh }], { colour: colour(kelvin) })).colour;
    expect(advised(within).lampAdvice).toEqual([{ lampId: key.id, kelvin: within, missMired: 0 }]);
    expect(advised(1800).lampAdvice).toEqual([
      { lampId: key.id, kelvin: kelvinLow, missMired: expect.closeTo(1e6 / 1800 - 1e6 / kelvinLow, 6) },
    ]);
    expect(advised(kelvinHigh).lampAdvice).toEqual([]);
    const asIs = solved(filmed([key], { colour: { ...colour(within), relation: 'asIs' } })).colour;
    expect(asIs.whiteBalance).toMatchObject({ kelvin: key.kelvin, because: 'to-lamp' });
  });
});
