import type { Step } from './step';

/** Version 2 has points of every kind, and remembers how the meter was used. */
export const setup1: Step = (old, isRaw) => {
  const points = Array.isArray(old['points']) ? (old['points'] as unknown[]) : [];
  return {
    ...old,
    version: 2,
    points: points.map((point) => (isRaw(point) ? { ...point, toneStops: 0, standsIn: null } : point)),
    meter: {
      ...(isRaw(old['meter']) ? old['meter'] : {}),
      av: 5,
      read: 'aperture',
      method: { kind: 'incident', aim: 'camera' },
    },
    look: { ...(isRaw(old['look']) ? old['look'] : {}), faceBy: 'camera', faceContrastStops: 2 },
    confirmed: [],
  };
};
