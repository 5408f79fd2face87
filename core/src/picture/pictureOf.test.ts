import { describe, expect, it } from '@jest/globals';

import { POWER_NOT_SAID } from '../gear';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import { lightPlace } from '../scene';
import { withSettings } from '../setup';
import { solve } from '../solution';
import { CM, pictureOf } from './pictureOf';

const LAMP = {
  id: sampleId(980),
  name: 'Video lamp',
  output: { by: 'lux' as const, luxAt1M: 900 },
  kelvinLow: 3200,
  kelvinHigh: 5600,
  ...POWER_NOT_SAID,
  beam: { kind: 'diffuse' as const },
  dimmer: null,
  retired: false,
};

describe('the picture of a setup', () => {
  it.each([
    [0.8, -1.2],
    [0.8, 1.2],
    [2, -0.5],
  ])('a lamp %s m away and %s m up stands where the solution has it', (distanceM, heightM) => {
    const stand = { distanceM, sideDeg: 30, heightM };
    const lamp = {
      ...stand,
      id: sampleId(981),
      lampId: LAMP.id,
      pointId: 'face',
      offAxisDeg: 0,
      on: true,
      dimStops: 0,
      kelvin: 4000,
      role: null,
      standsFor: null,
      fromDusk: false,
    };
    const changed = withSettings(SAMPLE_HALL.setup, [{ path: 'lamps', value: [lamp] }]);
    if (!changed.ok) throw new Error(JSON.stringify(changed.reason));
    const kit = { ...SAMPLE_KIT, lamps: [LAMP] };
    const solution = solve(changed.value, kit, SAMPLE_HALL.readings, new Date('2026-02-27T16:00:00Z'));
    const layer = pictureOf(changed.value, kit, solution).layers.find(({ id }) => id === `lamp:${lamp.id}`);
    const { x, y, z } = lightPlace({ x: 0, y: 0, z: 0 }, stand);
    if (layer?.source?.kind !== 'area') throw new Error('the lamp is a face of light');
    const { centre } = layer.source;
    [x, y, z].forEach((metres, axis) => expect(centre[axis]).toBeCloseTo(metres * CM, 6));
  });
});
