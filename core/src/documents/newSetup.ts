import { SETUP_VERSION, type Setup } from '../balance';

/** A fresh setup: face and background to meter, flash and ambient even, nothing chosen yet but the first camera of the kit. */
export function newSetup(ids: { id: string; shootId: string; spotId: string }, title: string, cameraId: string | null): Setup {
  return {
    type: 'setup',
    version: SETUP_VERSION,
    ...ids,
    title,
    points: [
      { id: 'face', role: 'face', name: 'Face' },
      { id: 'background', role: 'background', name: 'Background' },
    ],
    meter: { tv: 7, sv: 0 },
    look: { holdBackStops: 1 },
    camera: { cameraId, wantedAv: 3, limits: { syncTv: null, slowestTv: null, baseSv: null, highestSv: null }, filterIds: [], highSpeedSync: false },
    lights: [],
  };
}
