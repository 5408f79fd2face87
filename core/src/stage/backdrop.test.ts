import { describe, expect, it } from '@jest/globals';

import { ambientReading } from '../../test/points';
import { english } from '../english';
import { SAMPLE_HALL, SAMPLE_KIT } from '../sample';
import type { Setup } from '../setup';
import { solve } from '../solution';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const hall = SAMPLE_HALL.setup;
const facts = [ambientReading(hall, 951, 'face', 9), ambientReading(hall, 952, 'background', 8)];

describe('a backdrop of stated size', () => {
  const withBackdrop = (backdrop: Setup['backdrop'], backgroundM: number | null, cameraM: number): Setup => ({
    ...hall,
    lights: [],
    backgroundM,
    backdrop,
    camera: { ...hall.camera, lensId: null, focalMm: 50 },
    stage: { ...hall.stage, cameraM, cameraUpM: 0, upright: false },
  });
  const fill = (widthM: number, tallM: number, backgroundM: number | null, cameraM = 3) =>
    solve(withBackdrop({ widthM, tallM }, backgroundM, cameraM), SAMPLE_KIT, facts, CLOCK).stage.backdrop;

  it('fills the frame where the field is smaller: half the field is half the sensor over the focal length', () => {
    // 36 mm of sensor at 50 mm, 3 + 1.5 m away: 3.24 m wide; 24 mm: 2.16 m, half of it over eyes at 1.6 m
    const wide = fill(3.4, 3, 1.5);
    expect(wide).toMatchObject({ fills: true });
    expect(wide?.spareAsideM).toBeCloseTo(1.7 - 1.62, 1);
    expect(wide?.spareAboveM).toBeCloseTo(3 - 1.6 - 1.08, 1);
    const narrow = fill(2.7, 3, 1.5);
    expect(narrow?.fills).toBe(false);
    expect(fill(2.7, 3, narrow?.upToM ?? 0)?.fills).toBe(true);
    expect(fill(2.7, 3, (narrow?.upToM ?? 0) + 0.2)?.fills).toBe(false);
    expect(narrow?.fromFocalMm).toBeCloseTo((50 * 1.62) / 1.35, -1);
    const setup = withBackdrop(null, null, 3);
    expect(english.backdrop(narrow!, { setup, kit: SAMPLE_KIT })).toMatch(
      /does not fill the frame: 0\.\d+ m on each side missing/,
    );
  });

  it('too low is too low, however wide; and nothing is said before its place is', () => {
    expect(fill(9, 2.5, 1.5)).toMatchObject({ fills: false, upToM: expect.any(Number) });
    expect(fill(9, 1.2, 1.5)).toMatchObject({ fills: false, upToM: null });
    expect(fill(3, 3, null)).toBeNull();
    // lower than the eyes that the frame is turned to: no focal length helps
    const low = fill(9, 1.2, 1.5);
    expect(low?.fromFocalMm).toBeNull();
    expect(english.backdrop(low!, { setup: withBackdrop(null, null, 3), kit: SAMPLE_KIT })).not.toContain('It does');
  });
});
