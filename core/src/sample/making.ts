import { PLAIN_SPOT, type Spot } from '../documents';
import { newSetup, PLAIN_PLAN, PLAIN_READING, type Reading, type Setup, type SetupPlan, stoodOf } from '../setup';
import { sampleId } from './ids';

/** A spot of a sample shoot in the made-up town, with what is known of it. */
export const spot = (number: number, shootId: string, title: string, said: Partial<Spot> = {}): Spot => ({
  ...PLAIN_SPOT,
  id: sampleId(number),
  shootId,
  title,
  place: ORLABACH,
  timeZone: 'Europe/Vienna',
  ...said,
});

/** Where the made-up town lies. */
export const ORLABACH = { latitudeDeg: 46.93, longitudeDeg: 10.21 };

/** A place in the plan of the wedding's day. @param startsAt on its date, `14:30`; null: as its window wants it */
export const planned = (startsAt: string | null, said: Partial<SetupPlan>): SetupPlan => ({
  ...PLAIN_PLAN,
  startsAt: startsAt === null ? null : `2026-02-27T${startsAt}:00+01:00`,
  ...said,
});

/** A fresh setup at a spot, with the first camera of the sample's kit. */
export const setupAt = (number: number, { id, shootId }: Spot, title: string): Setup =>
  newSetup(
    { id: sampleId(number), shootId, spotId: id },
    { title, face: 'Face', background: 'Background' },
    sampleId(101),
  );

/** A reading of the light that is there, at what the setup's meter holds. */
export const ambient = (
  number: number,
  setup: Setup,
  pointId: string,
  at: string,
  text: string,
  av: number,
): Reading => ({
  ...PLAIN_READING,
  id: sampleId(number),
  setupId: setup.id,
  pointId,
  at,
  text,
  av,
  tv: setup.meter.tv,
  sv: setup.meter.sv,
  stood: stoodOf(setup),
});

/** What is dialled on the camera, and in force. */
export const set = (av: number, tv: number, sv: number) => ({ av, tv, sv, inForce: true });

/** A setup with one light as it is left once it is done: dialled on the camera and on the flash. */
export const done = (setup: Setup, camera: Partial<Setup['camera']>, dialledStops: number): Setup => ({
  ...setup,
  camera: { ...setup.camera, ...camera },
  lights: setup.lights.map((light) => ({ ...light, dialledStops })),
});

/** A test of a setup's only light as it stands and is dialled: flash and ambient together, at the camera's settings. */
export function tested(number: number, setup: Setup, at: string, text: string, av: number): Reading {
  const [light] = setup.lights;
  const { stands } = setup.camera;
  if (light === undefined || stands === null) throw new Error('only what is set can be tested');
  const { id: lightId, unitId, modifierId, gridId, gelIds, outlet, zoomMm, distanceM } = light;
  const { sideDeg, heightM, featherDeg } = light;
  return {
    ...ambient(number, setup, light.aimPointId, at, text, av),
    tv: stands.tv,
    sv: stands.sv,
    light: 'total',
    fired: [
      {
        ...{ lightId, unitId, modifierId, gridId, gelIds, outlet, zoomMm, distanceM },
        // paced, not measured: it sets this setup right and teaches nothing of the kit
        placeSaid: false,
        ...{ sideDeg, heightM, featherDeg },
        atAim: true,
        asideDeg: null,
        powerStops: light.dialledStops ?? 0,
        highSpeedSyncLossStops: 0,
      },
    ],
  };
}
