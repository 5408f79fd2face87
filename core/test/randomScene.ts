import fc from 'fast-check';

import type { Camera, CameraDial, Kit, Lens } from '../src/gear';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../src/sample';
import { newLight, PLAIN_READING, type Reading, type Setup, setupSchema } from '../src/setup';
import { usualPoint } from './points';

export const CLOCK = new Date('2026-02-27T15:40:00Z');
export const KIT: Kit = SAMPLE_KIT;
const hall = SAMPLE_HALL.setup;

export const maybe = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: null, freq: 3 });
export const stops = (min: number, max: number) => fc.double({ min, max, noNaN: true }).map((value) => value + 0);
/** A random scene: three metered points, any look, any camera wish, any flash. */
export const anyScene = fc.record({
  ev: fc.record({ face: stops(1, 16), over: stops(-4, 5), white: stops(-1, 2) }),
  look: fc.record({
    exposeBy: fc.constantFrom('face' as const, 'face' as const, 'background' as const, 'highlight' as const),
    holdBackStops: stops(0.1, 5),
    backgroundStops: stops(-4, 3),
    headroomStops: stops(0, 2),
    faceStops: fc.constantFrom(0, 0, -0.5, 0.3),
    feelStops: fc.constantFrom(0, 0, 0.3, -0.3),
  }),
  camera: fc.record({
    cameraId: fc.constantFrom(sampleId(101), sampleId(102)),
    lensId: fc.constantFrom(null, sampleId(105), sampleId(106)),
    focalMm: maybe(stops(20, 100)),
    support: fc.constantFrom('hand' as const, 'tripod' as const),
    motion: fc.constantFrom('none' as const, 'posing' as const, 'walking' as const, 'dancing' as const),
    wantedAv: stops(1, 9),
    depth: maybe(stops(1, 6).map((nearestM) => ({ nearestM, farthestM: nearestM * 1.3 }))),
    keepOrder: fc.constantFrom<CameraDial[][]>(
      ['aperture', 'iso', 'shutter'],
      ['aperture', 'shutter', 'iso'],
      ['iso', 'aperture', 'shutter'],
      ['iso', 'shutter', 'aperture'],
      ['shutter', 'aperture', 'iso'],
      ['shutter', 'iso', 'aperture'],
    ),
    wantedTv: maybe(stops(4, 9)),
    pins: fc.record({ av: maybe(stops(2, 8)), tv: maybe(stops(3, 10)), sv: maybe(stops(-1, 7)) }),
    limits: fc.record({
      syncTv: maybe(stops(6, 8)),
      slowestTv: maybe(stops(0, 9)),
      baseSv: maybe(stops(-1, 2)),
      highestSv: maybe(stops(2, 7)),
    }),
    filterIds: fc.subarray([sampleId(131), sampleId(132), sampleId(133)]),
    highSpeedSync: fc.boolean(),
    syncDelayMs: fc.constantFrom(0, 0, 1.5),
    secondCameraId: fc.constantFrom(null, sampleId(102)),
    video: fc.option(
      fc.constantFrom({ framesPerSecond: 25, angleDeg: 180 }, { framesPerSecond: 24, angleDeg: 172.8 }),
      { nil: null, freq: 12 },
    ),
  }),
  light: fc.record({
    unitId: fc.constantFrom(sampleId(111), sampleId(113), sampleId(114)),
    modifierId: fc.constantFrom(null, sampleId(121), sampleId(125)),
    distanceM: stops(0.5, 12),
  }),
  withFill: fc.constantFrom(false, false, true),
});
export type Scene = typeof anyScene extends fc.Arbitrary<infer T> ? T : never;

const reading = (number: number, pointId: string, ev: number): Reading => ({
  ...PLAIN_READING,
  id: sampleId(number),
  setupId: hall.id,
  pointId,
  at: '2026-02-27T15:30:00Z',
  text: 'x',
  av: Math.min(13, Math.max(-2, ev - 7)),
  tv: 7,
  sv: Math.min(13, Math.max(-2, ev - 7)) - (ev - 7),
});
/** The setup of a scene with its readings: face, background and white. */
export const build = (scene: Scene): [Setup, Reading[]] => {
  const { ev, look, camera, light, withFill } = JSON.parse(JSON.stringify(scene)) as Scene;
  const setup = setupSchema.parse({
    ...hall,
    points: [usualPoint('face', 'face'), usualPoint('background', 'background'), usualPoint('white', 'white')],
    look: { ...hall.look, ...look },
    camera: { ...hall.camera, ...camera },
    lights: [
      { ...newLight(sampleId(21), 'key', light.unitId, 'face', []), ...light },
      ...(withFill
        ? [{ ...newLight(sampleId(22), 'fill', sampleId(115), 'face', [{ group: 'A', channel: 1 }]), role: 'fill' }]
        : []),
    ],
  });
  return [
    setup,
    [
      reading(801, 'face', ev.face),
      reading(802, 'background', ev.face + ev.over),
      reading(803, 'white', ev.face + ev.white),
    ],
  ];
};
export const gearOf = ({ camera }: Setup): { body: Camera; lens: Lens | null; filters: Kit['filters'] } => ({
  body: KIT.cameras.find(({ id }) => id === camera.cameraId) as Camera,
  lens: KIT.lenses.find(({ id }) => id === camera.lensId) ?? null,
  filters: KIT.filters.filter(({ id }) => camera.filterIds.includes(id)),
});
