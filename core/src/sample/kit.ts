import { type Camera, EMPTY_KIT, type Kit } from '../gear';
import type { Modifier } from '../modifiers';
import { USUAL_GELS } from './gels';
import { sampleId } from './ids';

const HAND_HELD = {
  highSpeedSync: true,
  slowestTv: 7,
  fastestTv: 13,
  baseSv: 0,
  highestSv: 6,
  extendedLowSv: -1,
  extendedHighSv: 8,
  widestAv: 2,
  smallestAv: 8,
  sensorDiagonalMm: 43.3,
  clipsAboveStops: 3,
  noiseBelowStops: -5,
} satisfies Partial<Camera>;

/** One of our things: its id, and in use. */
const ours = (number: number) => ({ id: sampleId(number), retired: false });
const CLOTH: Pick<Modifier, 'layers' | 'beam'> = { layers: 1, beam: { kind: 'diffuse' } };

/** The invented kit of the sample shoot. */
export const SAMPLE_KIT: Kit = {
  ...EMPTY_KIT,
  cameras: [
    { ...ours(101), name: 'Plover, sync 1/200', increment: 'third', syncTv: 23 / 3, ...HAND_HELD },
    { ...ours(102), name: 'Dunlin, sync 1/250', increment: 'half', syncTv: 8, ...HAND_HELD, highestSv: 5 },
  ],
  lenses: [
    {
      ...ours(105),
      name: '24 to 70 mm f/2.8',
      shortestMm: 24,
      longestMm: 70,
      widestAv: 3,
      smallestAv: 9,
      stabilisedStops: 0,
    },
    {
      ...ours(106),
      name: '85 mm f/1.8',
      shortestMm: 85,
      longestMm: 85,
      widestAv: 5 / 3,
      smallestAv: 8,
      stabilisedStops: 3,
    },
  ],
  flashUnits: [
    ...['A', 'B'].map((letter, index) => ({
      ...ours(111 + index),
      name: `Tern 400 ${letter}`,
      output: { by: 'wattSeconds' as const, ws: 400 },
      scale: { kind: 'fraction' as const, step: 'tenth' as const, lowestStops: -8 },
      highSpeedSyncLossStops: 1.7,
      t01FullS: 1 / 220,
      recycleFullS: 0.9,
      popsFull: 390,
      outlets: [],
      coldShare: 0.75,
      hotAfterPops: 150,
      charge: null,
    })),
    {
      ...ours(113),
      name: 'Gannet 1000',
      output: { by: 'wattSeconds', ws: 1000 },
      scale: { kind: 'wattSeconds', step: 'tenth', lowestStops: -6, fullWs: 1000 },
      highSpeedSyncLossStops: null,
      t01FullS: 1 / 150,
      recycleFullS: 1.6,
      popsFull: null,
      outlets: [
        { name: 'Outlet 1', share: 2 / 3 },
        { name: 'Outlet 2', share: 1 / 3 },
      ],
      coldShare: null,
      hotAfterPops: 250,
      charge: null,
    },
    ...['A', 'B'].map((letter, index) => ({
      ...ours(114 + index),
      name: `Wren 60 ${letter}`,
      output: { by: 'guideNumber' as const, guideNumberM: 34, zoomMm: 50 },
      scale: { kind: 'fraction' as const, step: 'third' as const, lowestStops: -7 },
      highSpeedSyncLossStops: 2,
      t01FullS: 1 / 300,
      recycleFullS: 2.4,
      popsFull: 150,
      outlets: [],
      coldShare: null,
      hotAfterPops: 40,
      charge: null,
    })),
  ],
  modifiers: [
    { ...ours(121), name: 'Octagon 90 cm', shape: { kind: 'round', diameterM: 0.9 }, lossStops: 1, ...CLOTH },
    {
      ...ours(122),
      name: 'Square box 60 cm',
      shape: { kind: 'rectangle', widthM: 0.6, heightM: 0.6 },
      lossStops: 1,
      ...CLOTH,
    },
    {
      ...ours(123),
      name: 'Dish 55 cm',
      shape: { kind: 'round', diameterM: 0.55 },
      lossStops: 0.7,
      layers: 0,
      beam: { kind: 'cone', fullDeg: 70 },
    },
    {
      ...ours(124),
      name: 'Shoot-through umbrella 105 cm',
      shape: { kind: 'round', diameterM: 1.05 },
      lossStops: 1.5,
      ...CLOTH,
    },
    {
      ...ours(125),
      name: 'Dome',
      shape: { kind: 'point' },
      lossStops: 2,
      layers: 1,
      beam: { kind: 'cone', fullDeg: 170 },
    },
    {
      ...ours(129),
      name: 'Snoot',
      shape: { kind: 'point' },
      lossStops: 1.2,
      layers: 0,
      beam: { kind: 'cone', fullDeg: 16 },
    },
    // where a head at its lowest is still too much: the patch on the wall is the light, and distances count from there
    {
      ...ours(130),
      name: 'Bounce off a white wall',
      shape: { kind: 'rectangle', widthM: 1.5, heightM: 1.5 },
      lossStops: 2.5,
      ...CLOTH,
    },
  ],
  grids: [
    { ...ours(126), name: 'Grid 40°', angleDeg: 40, lossStops: 0.7 },
    { ...ours(127), name: 'Grid 20°', angleDeg: 20, lossStops: 1.5 },
    { ...ours(128), name: 'Grid 10°', angleDeg: 10, lossStops: 2.5 },
  ],
  gels: USUAL_GELS.map((gel, index) => ({ ...ours(141 + index), ...gel })),
  filters: [
    { ...ours(131), name: 'ND 3 stops', kind: 'nd', lossStops: 3 },
    { ...ours(132), name: 'ND 6 stops', kind: 'nd', lossStops: 6 },
    { ...ours(133), name: 'Polariser', kind: 'polariser', lossStops: 1.5 },
  ],
  lamps: [
    {
      ...ours(165),
      name: 'Two-colour LED panel',
      output: { by: 'lux', luxAt1M: 1600 },
      dimmer: { leastPercent: 1, stepPercent: 1 },
      kelvinLow: 2800,
      kelvinHigh: 6000,
      beam: { kind: 'diffuse' },
      watts: 60,
      batteryWh: 95,
      coldShare: null,
    },
  ],
  reflectors: [
    {
      ...ours(166),
      name: 'Reflector disc 110 cm',
      diameterM: 1.1,
      surfaces: ['white', 'silver', 'striped', 'gold', 'black'],
    },
  ],
  stands: [
    { ...ours(161), name: 'Light stand 2.6 m', highestM: 2.6, footRadiusM: 0.45, boomM: null, wheels: false },
    { ...ours(162), name: 'Heavy stand 3.6 m', highestM: 3.6, footRadiusM: 0.6, boomM: null, wheels: false },
    { ...ours(163), name: 'Boom stand 3 m', highestM: 3, footRadiusM: 0.55, boomM: 1.4, wheels: true },
  ],
};
