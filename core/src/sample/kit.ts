import type { Camera, Kit } from '../balance';
import { sampleId } from './ids';

const HAND_HELD = {
  slowestTv: 7, fastestTv: 13, baseSv: 0, highestSv: 6, widestAv: 2, smallestAv: 8, clipsAboveStops: 3, noiseBelowStops: -5,
} satisfies Partial<Camera>;

/** The invented kit of the sample shoot. */
export const SAMPLE_KIT: Kit = {
  cameras: [
    { id: sampleId(101), name: 'Plover, sync 1/200', increment: 'third', syncTv: 23 / 3, ...HAND_HELD },
    { id: sampleId(102), name: 'Dunlin, sync 1/250', increment: 'half', syncTv: 8, ...HAND_HELD, highestSv: 5 },
  ],
  flashUnits: [
    ...['A', 'B'].map((letter, index) => ({
      id: sampleId(111 + index), name: `Tern 400 ${letter}`, output: { by: 'wattSeconds' as const, ws: 400 },
      scale: { kind: 'fraction' as const, step: 'tenth' as const, lowestStops: -8 }, highSpeedSyncLossStops: 1.7,
    })),
    { id: sampleId(113), name: 'Gannet 1000', output: { by: 'wattSeconds', ws: 1000 }, scale: { kind: 'wattSeconds', step: 'tenth', lowestStops: -6, fullWs: 1000 }, highSpeedSyncLossStops: null },
    ...['A', 'B'].map((letter, index) => ({
      id: sampleId(114 + index), name: `Wren 60 ${letter}`, output: { by: 'guideNumber' as const, guideNumberM: 34 },
      scale: { kind: 'fraction' as const, step: 'third' as const, lowestStops: -7 }, highSpeedSyncLossStops: 2,
    })),
  ],
  modifiers: [
    { id: sampleId(121), name: 'Octagon 90 cm', shape: { kind: 'round', diameterM: 0.9 }, lossStops: 1 },
    { id: sampleId(122), name: 'Square box 60 cm', shape: { kind: 'rectangle', widthM: 0.6, heightM: 0.6 }, lossStops: 1 },
    { id: sampleId(123), name: 'Dish 55 cm', shape: { kind: 'round', diameterM: 0.55 }, lossStops: 0.7 },
    { id: sampleId(124), name: 'Shoot-through umbrella 105 cm', shape: { kind: 'round', diameterM: 1.05 }, lossStops: 1.5 },
    { id: sampleId(125), name: 'Dome', shape: { kind: 'point' }, lossStops: 2 },
    { id: sampleId(126), name: 'Grid 40°', shape: { kind: 'point' }, lossStops: 0.7 },
    { id: sampleId(127), name: 'Grid 20°', shape: { kind: 'point' }, lossStops: 1.5 },
    { id: sampleId(128), name: 'Grid 10°', shape: { kind: 'point' }, lossStops: 2.5 },
  ],
  filters: [
    { id: sampleId(131), name: 'ND 3 stops', lossStops: 3 },
    { id: sampleId(132), name: 'ND 6 stops', lossStops: 6 },
  ],
  preferences: { meterIncrement: 'tenth', distanceUnit: 'm' },
};
