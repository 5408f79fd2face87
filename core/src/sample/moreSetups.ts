import type { Shoot } from '../documents';
import {
  newLight,
  newPoint,
  PLAIN_CAMERA,
  PLAIN_LIGHTING,
  PLAIN_LOOK,
  PLAIN_STAGE,
  type Reading,
  type Setup,
} from '../setup';
import { sampleId } from './ids';
import { ambient, ORLABACH, planned, set, setupAt, spot, tested } from './making';

/** The wedding's shoot, which most of the sample belongs to. */
export const WEDDING_ID = sampleId(1);

const platform = spot(4, WEDDING_ID, 'Lower platform', { looksDeg: 60, light: 'shade', facts: ['cold', 'public-way'] });
const cabin = spot(5, WEDDING_ID, 'Parked cabin', { looksDeg: 250, light: 'open', facts: ['cold'] });

/** Eleven people in open shade before a bright valley: a box far enough back to be even from the first row to the last. */
const group: Setup = {
  ...setupAt(13, platform, 'Family of eleven'),
  plan: planned('15:40', { setUpMin: 15, shootMin: 20, moveMin: 10, value: 5, must: true }),
  meter: { meterId: null, av: 6, tv: 23 / 3, sv: 1, read: 'aperture' },
  look: { ...PLAIN_LOOK, holdBackStops: 1 },
  camera: { ...PLAIN_CAMERA, cameraId: sampleId(101), wantedAv: 6, stands: set(6, 23 / 3, 0) },
  people: { nearerM: 0.2, fartherM: 0.5, leftM: 1.6, rightM: 1.6, withinStops: 0.5 },
  lights: [
    {
      ...newLight(sampleId(23), 'key', sampleId(113), 'face', []),
      modifierId: sampleId(121),
      standId: sampleId(162),
      distanceM: 7.8,
      heightM: 1.4,
      sideDeg: 12,
      placeSaid: true,
      dialledStops: -1.5,
    },
  ],
  stage: { ...PLAIN_STAGE, cameraM: 5.5, background: 'trees', ground: 'snow' },
};

/** The sky's blue held by the shutter, the couple in warm light like that of the cabin's lamps. */
const blueHour: Setup = {
  ...setupAt(14, cabin, 'Blue hour by the cabin'),
  plan: planned(null, { setUpMin: 15, shootMin: 15, value: 4, window: { by: 'heights', fromDeg: -4, toDeg: -8 } }),
  points: [
    newPoint('face', 'face', 'Face'),
    newPoint('background', 'background', 'Background'),
    newPoint('sky', 'sky', 'Sky'),
  ],
  meter: { meterId: null, av: 3, tv: 5, sv: 3, read: 'aperture' },
  look: { ...PLAIN_LOOK, holdBackStops: 1 },
  camera: {
    ...PLAIN_CAMERA,
    cameraId: sampleId(101),
    support: 'tripod',
    motion: 'posing',
    wantedTv: 6,
    stands: set(3, 6, 4),
  },
  colour: {
    ...PLAIN_LIGHTING.colour,
    ambient: [{ pointId: 'face', kelvin: 9000, greenCc: 0, from: 'typed' }],
    relation: 'coolSky',
  },
  lights: [
    {
      ...newLight(sampleId(24), 'key', sampleId(114), 'face', []),
      modifierId: sampleId(124),
      gelIds: [sampleId(142)],
      distanceM: 2.7,
      placeSaid: true,
      dialledStops: -7,
    },
  ],
  stage: {
    ...PLAIN_STAGE,
    subject: { ...PLAIN_STAGE.subject, company: 'two' },
    cameraM: 3.5,
    background: 'sky',
    ground: 'snow',
    sun: { by: 'time', ...ORLABACH, at: '2026-02-27T17:18:00Z', cameraLooksDeg: 250 },
  },
};

const foundryShoot: Shoot = {
  type: 'shoot',
  version: 1,
  id: sampleId(7),
  title: 'The bell-founder',
  date: '2026-02-28',
  place: 'Orlabach, foundry',
  timeZone: 'Europe/Vienna',
};
const foundry = spot(8, foundryShoot.id, 'Foundry', { light: 'indoors', facts: ['heat', 'mains'] });

/** Dark walls and one high skylight: the key does what the skylight would, a rim parts dark hair from the dark. */
const founder: Setup = {
  ...setupAt(15, foundry, 'Under the skylight'),
  meter: { meterId: null, av: 5, tv: 6, sv: 3, read: 'aperture' },
  look: { ...PLAIN_LOOK, holdBackStops: 1.5 },
  camera: { ...PLAIN_CAMERA, cameraId: sampleId(101), stands: set(3, 7, 7 / 3) },
  lights: [
    {
      ...newLight(sampleId(26), 'key', sampleId(115), 'face', []),
      modifierId: sampleId(122),
      distanceM: 2.1,
      placeSaid: true,
      dialledStops: -20 / 3,
    },
  ],
  stage: { ...PLAIN_STAGE, cameraM: 3, background: 'wall', ground: 'stone', openSide: 'above' },
};

const of = (setup: Setup, readings: Reading[]) => ({ setup, readings });

/** The family on the platform, in open shade. */
export const SAMPLE_GROUP = of(group, [
  ambient(35, group, 'face', '2026-02-27T15:38:00+01:00', '8', 6),
  ambient(36, group, 'background', '2026-02-27T15:38:20+01:00', '11 2', 7.2),
  tested(42, group, '2026-02-27T15:41:00+01:00', '8', 6),
]);
/** The couple by the cabin, when the sky is blue. */
export const SAMPLE_BLUE_HOUR = of(blueHour, [
  ambient(37, blueHour, 'face', '2026-02-27T18:14:00+01:00', '2', 2),
  ambient(38, blueHour, 'background', '2026-02-27T18:14:20+01:00', '2', 2),
  ambient(39, blueHour, 'sky', '2026-02-27T18:14:40+01:00', '2.8 5', 3.5),
  tested(43, blueHour, '2026-02-27T18:16:00+01:00', '2.8', 3),
]);
/** The bell-founder under her skylight. */
export const SAMPLE_FOUNDRY = of(founder, [
  ambient(40, founder, 'face', '2026-02-28T10:52:00+01:00', '2.8', 3),
  ambient(41, founder, 'background', '2026-02-28T10:52:20+01:00', '1.4', 1),
  tested(44, founder, '2026-02-28T10:55:00+01:00', '2.8', 3),
]);

/** What stands around them, parents first. */
export const MORE_DOCUMENTS = [platform, cabin, foundryShoot, foundry, group, blueHour, founder];
