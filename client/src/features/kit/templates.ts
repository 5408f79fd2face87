import { type GearList, POWER_NOT_SAID } from '@sphene/core/gear';
import { type Draft, withValueAt } from './field';

/** What a new thing of each kind is until something else is said. */
export const TEMPLATES: Record<GearList, Draft> = {
  flashUnits: {
    name: '',
    output: { by: 'wattSeconds', ws: 400 },
    scale: { kind: 'fraction', step: 'tenth', lowestStops: -8 },
    highSpeedSyncLossStops: 1.7,
    recycleFullS: null,
    popsFull: null,
    t01FullS: null,
    outlets: [],
    coldShare: null,
    hotAfterPops: null,
    charge: null,
  },
  modifiers: { name: '', shape: { kind: 'round', diameterM: 0.9 }, layers: 1, lossStops: 1, beam: { kind: 'diffuse' } },
  grids: { name: '', angleDeg: 40, lossStops: 0.7 },
  gels: { name: '', shiftMired: 109, greenCc: 0, lossStops: 0.5 },
  stands: { name: '', highestM: 2.6, footRadiusM: 0.45, boomM: null, wheels: false },
  filters: { name: '', kind: 'nd', lossStops: 3 },
  lamps: {
    name: '',
    output: { by: 'lux', luxAt1M: 1600 },
    dimmer: { leastPercent: 1, stepPercent: 1 },
    kelvinLow: 2800,
    kelvinHigh: 6000,
    beam: { kind: 'diffuse' },
    ...POWER_NOT_SAID,
  },
  reflectors: { name: '', diameterM: 1.1, surfaces: ['white', 'silver'] },
  meters: { name: '', increment: 'tenth' },
  cameras: {
    name: '',
    increment: 'third',
    syncTv: 23 / 3,
    highSpeedSync: true,
    slowestTv: 7,
    fastestTv: 13,
    baseSv: 0,
    highestSv: 6,
    extendedLowSv: null,
    extendedHighSv: null,
    widestAv: 3,
    smallestAv: 8,
    sensorDiagonalMm: 43.3,
    clipsAboveStops: 3,
    noiseBelowStops: -5,
  },
  lenses: { name: '', shortestMm: 50, longestMm: 50, widestAv: 2, smallestAv: 8, stabilisedStops: 0 },
};

/** What a choice brings along: the fields that it opens get their usual values, those that it closes go. */
export function chosen(draft: Draft, path: string, value: string): Draft {
  switch (path) {
    case 'output.by':
      return {
        ...draft,
        output:
          value === 'lux'
            ? { by: value, luxAt1M: 1600 }
            : value === 'lumens'
              ? { by: value, lumens: 2000, beamDeg: 100 }
              : value === 'guideNumber'
                ? { by: value, guideNumberM: 34, zoomMm: null }
                : { by: value, ws: 400 },
      };
    case 'scale.kind': {
      const { step, lowestStops } = draft['scale'] as { step: string; lowestStops: number };
      return {
        ...draft,
        scale: {
          kind: value,
          step,
          lowestStops,
          ...(value === 'stopNumber' ? { topNumber: 10 } : value === 'wattSeconds' ? { fullWs: 1000 } : {}),
        },
      };
    }
    case 'shape.kind':
      return {
        ...draft,
        shape:
          value === 'round'
            ? { kind: value, diameterM: 0.9 }
            : value === 'rectangle'
              ? { kind: value, widthM: 0.6, heightM: 0.6 }
              : { kind: value },
      };
    case 'beam.kind':
      return value === 'table'
        ? draft
        : { ...draft, beam: value === 'cone' ? { kind: value, fullDeg: 60 } : { kind: value } };
    case 'highSpeedSync':
    case 'wheels':
      return withValueAt(draft, path, value === 'true');
    case 'dimmer':
      return { ...draft, dimmer: value === 'true' ? TEMPLATES.lamps['dimmer'] : null };
    default:
      return withValueAt(draft, path, value);
  }
}
