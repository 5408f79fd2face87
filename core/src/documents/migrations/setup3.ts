import type { Step } from './step';

/** What a setup had besides its lights before the stage could be set: one person who looks at the camera. */
const lighting = {
  lights: [],
  lamps: [],
  panels: [],
  stage: {
    subject: {
      turnDeg: 0,
      eyesM: 1.6,
      company: 'alone',
      othersTurnDeg: 20,
      hat: false,
      spectacles: false,
      spectaclesTiltDeg: 0,
      deepSet: false,
      hair: 'dark',
      skin: 'light',
    },
    cameraM: 2.5,
    cameraUpM: 0,
    upright: true,
    background: 'wall',
    ground: 'stone',
    sun: null,
  },
  meterOrder: 'role',
  reserveStops: 2 / 3,
  backgroundM: null,
  people: null,
  pace: null,
  gustMps: null,
  colour: { ambient: [], relation: 'asIs', warmerMired: 30, whiteBalance: null },
};

/**
 * Version 4 knows lights by role and place, targets at other points, the people, the pace and colours. Before, there
 * was one key aimed at the face.
 */
export const setup3: Step = (old, isRaw) => {
  const points = Array.isArray(old['points']) ? (old['points'] as unknown[]) : [];
  const face = points.filter(isRaw).find((point) => point['role'] === 'face');
  const keyStood = {
    outlet: null,
    zoomMm: null,
    gridId: null,
    gelIds: [],
    standId: null,
    aimPointId: face?.['id'] ?? 'face',
    sideDeg: 40,
    heightM: 0.4,
    featherDeg: 0,
    group: 'A',
    channel: 1,
    locked: false,
  };
  const light = (one: unknown) => (isRaw(one) ? { ...keyStood, ...one } : one);
  const look = (one: unknown) => (isRaw(one) ? { ...one, targets: [] } : one);
  const version = (one: unknown) => (isRaw(one) ? { ...one, look: look(one['look']) } : one);
  return {
    ...lighting,
    ...old,
    version: 4,
    look: look(old['look']),
    lights: Array.isArray(old['lights']) ? old['lights'].map(light) : [],
    versions: Array.isArray(old['versions']) ? old['versions'].map(version) : [],
  };
};
