import type { Document, Shoot } from '../documents';
import { kitItems } from '../gear';
import { newLight, PLAIN_LOOK, PLAIN_STAGE, type Reading, type Setup } from '../setup';
import { sampleId } from './ids';
import { SAMPLE_KIT } from './kit';
import { ambient, done, ORLABACH, planned, set, setupAt, spot, tested } from './making';
import { MORE_DOCUMENTS, SAMPLE_BLUE_HOUR, SAMPLE_FOUNDRY, SAMPLE_GROUP, WEDDING_ID } from './moreSetups';

const shoot: Shoot = {
  type: 'shoot',
  version: 1,
  id: WEDDING_ID,
  title: 'Wedding at the old funicular',
  date: '2026-02-27',
  place: 'Orlabach, 1420 m',
  timeZone: 'Europe/Vienna',
};

const hall = spot(2, shoot.id, 'Winch hall', {
  light: 'indoors',
  windowsFaceDeg: 180,
  facts: ['mains', 'light-sensitive'],
  note: 'Tall windows to the south, warm lamps under the roof. Sockets by the door.',
});
/** A ridge takes the sun early; the wall of the upper station stands to the east. */
const terrace = spot(3, shoot.id, 'Upper terrace', {
  looksDeg: 225,
  light: 'open',
  outline: [
    { fromDeg: 195, toDeg: 300, size: { by: 'angle', riseDeg: 8 }, leaves: false },
    { fromDeg: 70, toDeg: 120, size: { by: 'height', heightM: 9, awayM: 14 }, leaves: false },
  ],
  facts: ['cold', 'slope'],
});

/** Limewashed hall, tall south windows and warm lamps: dim, so the ISO rises and a small flash is plenty. */
const ceremony: Setup = {
  ...setupAt(11, hall, 'Ceremony by the windows'),
  plan: planned('14:30', { setUpMin: 20, shootMin: 35, moveMin: 10, value: 5, must: true }),
  meter: { meterId: null, av: 3, tv: 6, sv: 2, read: 'aperture' },
  lights: [
    {
      ...newLight(sampleId(21), 'key', sampleId(114), 'face', []),
      modifierId: sampleId(124),
      distanceM: 2.2,
      placeSaid: true,
    },
  ],
  panels: [
    {
      id: sampleId(25),
      kind: 'window',
      sideDeg: 65,
      distanceM: 2.6,
      heightM: 0.3,
      turnedDeg: 0,
      reflectorId: null,
      standId: null,
      surface: 'white',
      widthM: 1.2,
      tallM: 2.6,
      takesStops: 1.5,
      movedAt: null,
      before: null,
    },
  ],
  stage: { ...PLAIN_STAGE, cameraM: 3, background: 'wall', ground: 'wood' },
};

/** Low sun behind the couple over the snow: faces in their own shade, far too bright for f/2.8 at sync. */
const lowSun: Setup = {
  ...setupAt(12, terrace, 'Couple against the low sun'),
  plan: planned('16:30', { shootMin: 20, value: 4, window: { by: 'sun', reaches: true } }),
  meter: { meterId: null, av: 5, tv: 23 / 3, sv: 0, read: 'aperture' },
  look: { ...PLAIN_LOOK, holdBackStops: 2 / 3 },
  lights: [
    {
      ...newLight(sampleId(22), 'key', sampleId(111), 'face', []),
      modifierId: sampleId(121),
      distanceM: 1.4,
      placeSaid: true,
    },
  ],
  stage: {
    ...PLAIN_STAGE,
    subject: { ...PLAIN_STAGE.subject, company: 'two' },
    cameraM: 3.5,
    background: 'trees',
    ground: 'snow',
    sun: { by: 'time', ...ORLABACH, at: '2026-02-27T15:40:00Z', cameraLooksDeg: 225 },
  },
};

const readings: Reading[] = [
  ambient(31, ceremony, 'face', '2026-02-27T14:12:00+01:00', '2.8', 3),
  ambient(32, ceremony, 'background', '2026-02-27T14:12:20+01:00', '2 2', 2.2),
  ambient(33, lowSun, 'face', '2026-02-27T16:38:00+01:00', '5.6', 5),
  ambient(34, lowSun, 'background', '2026-02-27T16:38:15+01:00', '11 3', 7.3),
];

/** Both as they were left; what they were begun as is what `SAMPLE_HALL` and `SAMPLE_TERRACE` are. */
const ceremonyDone = done(ceremony, { stands: set(3, 7, 2) }, -6);
// the key was carried aside, out of the frame
const aside: Setup = { ...lowSun, lights: lowSun.lights.map((light) => ({ ...light, sideDeg: 70 })) };
const lowSunDone = done(aside, { wantedAv: 17 / 3, stands: set(17 / 3, 23 / 3, 0) }, -5.5);
/** What is on record only of setups that are done. */
export const SAMPLE_TESTS: Reading[] = [
  tested(45, ceremonyDone, '2026-02-27T14:16:00+01:00', '2.8 1', 3.1),
  tested(46, lowSunDone, '2026-02-27T16:41:00+01:00', '5.6 7', 5.7),
];

/** The sample shoot at the made-up town of Orlabach: parents before children, as the store wants them. */
export const SAMPLE_DOCUMENTS: Document[] = [
  ...kitItems(SAMPLE_KIT),
  shoot,
  hall,
  terrace,
  ...MORE_DOCUMENTS,
  ceremonyDone,
  lowSunDone,
  ...readings,
  ...SAMPLE_TESTS,
  ...[SAMPLE_GROUP, SAMPLE_BLUE_HOUR, SAMPLE_FOUNDRY].flatMap((one) => one.readings),
];

/** The kit, and the wedding with two setups as they were begun: what tests work on. */
export const SAMPLE_BEGUN: Document[] = [...kitItems(SAMPLE_KIT), shoot, hall, terrace, ceremony, lowSun, ...readings];

/** The sample setup in the hall as it was begun, with all that its solution needs. */
export const SAMPLE_HALL = {
  shoot,
  spot: hall,
  setup: ceremony,
  readings: readings.filter(({ setupId }) => setupId === ceremony.id),
};
/** The sample setup on the terrace as it was begun: no flash can help there yet. */
export const SAMPLE_TERRACE = {
  shoot,
  spot: terrace,
  setup: lowSun,
  readings: readings.filter(({ setupId }) => setupId === lowSun.id),
};
