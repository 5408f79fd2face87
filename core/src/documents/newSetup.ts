import { type MeteringPoint, type PointRole, ROLE_FACTS, SETUP_VERSION, type Setup, USUAL_METHOD } from '../balance';

/** A point of a kind, with its usual name and tone. */
export const newPoint = (id: string, role: PointRole, name: string = ROLE_FACTS[role].name): MeteringPoint => ({ id, role, name, toneStops: ROLE_FACTS[role].toneStops, standsIn: null });

/** A fresh setup: face and background to meter, flash and ambient even, nothing chosen yet but the first camera of the kit. */
export function newSetup(ids: { id: string; shootId: string; spotId: string }, title: string, cameraId: string | null): Setup {
  return {
    type: 'setup',
    version: SETUP_VERSION,
    ...ids,
    title,
    points: [newPoint('face', 'face'), newPoint('background', 'background')],
    meter: { av: 5, tv: 7, sv: 0, read: 'aperture', method: USUAL_METHOD },
    look: { holdBackStops: 1, faceBy: 'camera', faceContrastStops: 2 },
    camera: { cameraId, wantedAv: 3, limits: { syncTv: null, slowestTv: null, baseSv: null, highestSv: null }, filterIds: [], highSpeedSync: false },
    lights: [],
    confirmed: [],
  };
}
