import type { Step } from './step';

/**
 * Version 3 says the whole look, and knows the lens, the people's movement, pins and preferences. Before, a camera was
 * held in the hand, and nothing but its own figure limited the shutter: people who move the least keep that.
 */
export const setup2: Step = (old, isRaw) => ({
  ...old,
  version: 3,
  look: {
    faceBy: 'camera',
    faceContrastStops: 2,
    exposeBy: 'face',
    holdBackStops: 1,
    backgroundStops: 0,
    headroomStops: 0.3,
    highlightPointId: null,
    faceStops: 0,
    feelStops: 0,
    targets: [],
    ...(isRaw(old['look']) ? old['look'] : {}),
  },
  camera: {
    cameraId: null,
    lensId: null,
    focalMm: null,
    support: 'hand',
    motion: 'none',
    wantedAv: 3,
    depth: null,
    keepOrder: ['aperture', 'iso', 'shutter'],
    wantedTv: null,
    pins: { av: null, tv: null, sv: null },
    limits: { syncTv: null, slowestTv: null, baseSv: null, highestSv: null },
    filterIds: [],
    highSpeedSync: false,
    syncDelayMs: 0,
    secondCameraId: null,
    video: null,
    ...(isRaw(old['camera']) ? old['camera'] : {}),
  },
  versions: [],
});
