import { describe, expect, it } from '@jest/globals';
import exifr from 'exifr';
import fc from 'fast-check';
import { decode } from 'jpeg-js';
import { POINT_ROLES } from '@sphene/core/balance';
import { type MeterHead, TERRACE_LIGHT, truePlacementStops, trueEv100 } from '@sphene/core/devices';
import { exposureFromExif, placeInPicture } from '@sphene/core/frames';
import { READ_VALUES, ev100 } from '@sphene/core/photometry';

import { PICTURE, roleAt, takePicture } from '../src/simulatedCamera';
import { METER_FAULT_STOPS, SimulatedMeter, seeded } from '../src/simulatedMeter';

describe('the simulated meter', () => {
  it('reads the true light of where it is held, within its fault and its tenth, whatever it shows', () => {
    const heads: MeterHead[] = ['camera', 'light', 'disc'];
    fc.assert(fc.property(fc.constantFrom(...POINT_ROLES), fc.constantFrom(...heads), fc.constantFrom(...READ_VALUES), fc.integer(), (role, head, read, seed) => {
      const meter = new SimulatedMeter(seeded(seed));
      meter.obey({ type: 'hold', role, place: role });
      meter.obey({ type: 'set', head, read, tv: 6, av: 4 });
      const reading = meter.press();
      if (reading.type === 'problem') return expect(reading.text).toMatch(/beyond what it can show/);
      expect(Math.abs(ev100(reading) - trueEv100(TERRACE_LIGHT[role], head))).toBeLessThanOrEqual(METER_FAULT_STOPS + 0.051);
    }));
  });

  it('turned to the light it reads more than turned to the camera, and the disc leaves the sun behind out', () => {
    const face = TERRACE_LIGHT.face;
    expect(trueEv100(face, 'light')).toBeGreaterThan(trueEv100(face, 'camera') + 1);
    const front = { sources: [{ name: 'lamp', angleDeg: 0, lux: 1000 }], fillLux: 0 };
    const behind = { sources: [{ name: 'lamp', angleDeg: 180, lux: 1000 }], fillLux: 500 };
    expect(trueEv100(front, 'camera')).toBeCloseTo(Math.log2(1000 / 3.3), 9);
    expect(trueEv100(behind, 'camera')).toBeCloseTo(Math.log2(500 / 3.3), 9);
  });

  it('errs the same for the same seed', () => {
    const presses = (seed: number) => { const meter = new SimulatedMeter(seeded(seed)); return Array.from({ length: 5 }, () => { const said = meter.press(); return said.type === 'reading' ? said.av : null; }); };
    expect(presses(3)).toEqual(presses(3));
  });
});

describe('the simulated camera', () => {
  const settings = { av: 5, tv: 23 / 3, sv: 0 };
  const picture = takePicture(settings, '2026:02:27 16:40:00');

  it('writes honest EXIF', async () => {
    expect(exposureFromExif(await exifr.parse(picture, { reviveValues: false }))).toEqual({ ...settings, takenAt: '2026-02-27T16:40:00' });
  });

  it('records every place where the true scene says it lands', () => {
    const { data, width, height } = decode(picture, { useTArray: true });
    expect([width, height]).toEqual([PICTURE.width, PICTURE.height]);
    for (const [x, y, role] of [[0.1, 0.85, 'grey'], [0.48, 0.36, 'face'], [0.55, 0.36, 'shadow'], [0.1, 0.45, 'background'], [0.46, 0.85, 'white'], [0.6, 0.85, 'dark']] as const) {
      expect(roleAt(x, y)).toBe(role);
      const place = placeInPicture({ data, width, height }, x, y);
      expect(place.placementStops).toBeCloseTo(Math.min(Math.log2(1 / 0.18), truePlacementStops(role, ev100(settings))), 0);
    }
  });
});
