import { describe, expect, it } from '@jest/globals';
import exifr from 'exifr';
import fc from 'fast-check';
import { decode } from 'jpeg-js';

import { type MeterHead, seeded, TERRACE_LIGHT, trueEv100, truePlacementStops } from '@sphene/core/devices';
import { exposureFromExif, placeInPicture } from '@sphene/core/frames';
import { READ_VALUES } from '@sphene/core/notation';
import { ev100 } from '@sphene/core/photometry';
import { POINT_ROLES } from '@sphene/core/setup';
import { PICTURE, roleAt, takePicture } from '../src/simulatedCamera';
import { METER_FAULT_STOPS, SimulatedMeter } from '../src/simulatedMeter';
import { SimulatedRadio } from '../src/simulatedRadio';

describe('the simulated meter', () => {
  it('reads the true light of where it is held, within its fault and its tenth, whatever it shows', () => {
    const heads: MeterHead[] = ['camera', 'light', 'disc'];
    fc.assert(
      fc.property(
        fc.constantFrom(...POINT_ROLES),
        fc.constantFrom(...heads),
        fc.constantFrom(...READ_VALUES),
        fc.integer(),
        (role, head, read, seed) => {
          const meter = new SimulatedMeter(seeded(seed));
          meter.obey({ type: 'hold', role, place: role });
          meter.obey({ type: 'set', head, read, tv: 6, av: 4 });
          const reading = meter.press();
          if (reading.type === 'problem') return expect(reading.text).toMatch(/beyond what it can show/);
          expect(Math.abs(ev100(reading) - trueEv100(TERRACE_LIGHT[role], head))).toBeLessThanOrEqual(
            METER_FAULT_STOPS + 0.051,
          );
        },
      ),
    );
  });

  it('in an evening in a hurry the light falls with each press by as much as it was told', () => {
    const meter = new SimulatedMeter(seeded(3), { underStops: 6, fallStops: 0.5 });
    meter.obey({ type: 'set', tv: 5, sv: 3 });
    const levels = Array.from({ length: 4 }, () => {
      const reading = meter.press();
      if (reading.type === 'problem') throw new Error(reading.text);
      return ev100(reading);
    });
    for (const [press, level] of levels.entries())
      expect(Math.abs(level - (trueEv100(TERRACE_LIGHT.face, 'camera') - 6 - press / 2))).toBeLessThanOrEqual(
        METER_FAULT_STOPS + 0.051,
      );
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
    const presses = (seed: number) => {
      const meter = new SimulatedMeter(seeded(seed));
      return Array.from({ length: 5 }, () => {
        const said = meter.press();
        return said.type === 'reading' ? said.av : null;
      });
    };
    expect(presses(3)).toEqual(presses(3));
  });
});

describe('the simulated camera', () => {
  const settings = { av: 5, tv: 23 / 3, sv: 0 };
  const picture = takePicture(settings, '2026:02:27 16:40:00');

  it('writes honest EXIF', async () => {
    expect(exposureFromExif(await exifr.parse(picture, { reviveValues: false }))).toMatchObject({
      ...settings,
      takenAt: '2026-02-27T16:40:00',
    });
  });

  it('records every place where the true scene says it lands', () => {
    const { data, width, height } = decode(picture, { useTArray: true });
    expect([width, height]).toEqual([PICTURE.width, PICTURE.height]);
    for (const [x, y, role] of [
      [0.1, 0.85, 'grey'],
      [0.48, 0.36, 'face'],
      [0.55, 0.36, 'shadow'],
      [0.1, 0.45, 'background'],
      [0.46, 0.85, 'white'],
      [0.6, 0.85, 'dark'],
    ] as const) {
      expect(roleAt(x, y)).toBe(role);
      const place = placeInPicture({ data, width, height }, x, y);
      expect(place.placementStops).toBeCloseTo(
        Math.min(Math.log2(1 / 0.18), truePlacementStops(role, ev100(settings))),
        0,
      );
    }
  });
});

describe('the simulated radio', () => {
  const head = {
    group: 'A' as const,
    channel: 1,
    unitId: '019c9c00-0000-7000-8000-000000000111',
    modifierId: null,
    gridId: null,
    powerStops: -3,
    promisedAv: { face: 6, background: 1 },
  };
  it('strays from what is stated by the same for the same head, and differently for another', () => {
    const radio = new SimulatedRadio('s');
    radio.obey({ type: 'arrange', channel: 1, heads: [head] });
    const fired = radio.fire(['A']);
    if ('problem' in fired) throw new Error(fired.problem);
    const off = radio.deviationStops(head);
    expect(Math.abs(off)).toBeGreaterThan(0.001);
    expect(Math.abs(off)).toBeLessThan(1.3);
    expect(fired.pop).toEqual({ face: expect.closeTo(6 - 3 + off, 9), background: expect.closeTo(1 - 3 + off, 9) });
    expect(new SimulatedRadio('s').deviationStops(head)).toBe(off);
    expect(radio.deviationStops({ ...head, unitId: '019c9c00-0000-7000-8000-000000000112' })).not.toBe(off);
  });

  it('says what it knows to be wrong; heads on another channel stay dark', () => {
    const radio = new SimulatedRadio('s');
    expect(radio.fire(['A'])).toMatchObject({ problem: expect.stringContaining('No head') });
    radio.obey({ type: 'arrange', channel: 2, heads: [head] });
    expect(radio.fire(['A'])).toEqual({ pop: {} });
    radio.obey({ type: 'fault', fault: 'contact' });
    expect(radio.fire(['A'])).toMatchObject({ problem: expect.stringContaining('No contact with A') });
    radio.obey({ type: 'fault', fault: 'recycle' });
    expect(radio.fire(['A'])).toMatchObject({ problem: expect.stringContaining('not recycled') });
  });

  it('its light is seen by meter and camera', () => {
    const meter = new SimulatedMeter(seeded(1));
    const dark = meter.press();
    const lit = meter.pop({ face: 9 });
    if (dark.type === 'problem' || lit.type === 'problem') throw new Error('beyond its display');
    expect(lit).toMatchObject({ mode: 'flash', read: 'aperture' });
    expect(lit.av).toBeGreaterThan(8.9);
    const settings = { av: 8, tv: 7, sv: 0 };
    const face = (jpeg: Buffer) => {
      const { data, width } = decode(jpeg);
      return data[(Math.floor(0.36 * PICTURE.height) * width + Math.floor(0.5 * PICTURE.width)) * 4] ?? 0;
    };
    expect(face(takePicture(settings, '2026:02:27 16:40:00', { face: 8 }))).toBeGreaterThan(
      face(takePicture(settings, '2026:02:27 16:40:00')) + 10,
    );
  });
});
