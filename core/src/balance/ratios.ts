import type { LightsSolution } from '../lights';
import { remainingLight, stopsToRatio } from '../photometry';
import type { PointSolution } from './point';

/** How the lights stand to each other; null where one of them is missing. */
export interface LightRatios {
  /**
   * lit side of the face over its dark side with everything that falls on them, ambient included; by the dark side's own
   * point, or where there is none as all that falls on the face over what is left of it without the key
   */
  face: { ratio: number; stops: number; by: 'dark-side' | 'without-key' } | null;
  /** key over fill at the face, stops */
  keyOverFillStops: number | null;
  /** rim at the hair over key at the face, stops */
  rimOverKeyStops: number | null;
}

/** The face's ratio, key to fill and rim over key, from what the lights do at the powers that were found. */
export function lightRatios({ lights, at }: LightsSolution, points: readonly PointSolution[]): LightRatios {
  const face = points.find(({ role }) => role === 'face');
  const [key, fill, rim] = (['key', 'fill', 'rim'] as const).map((role) => lights.find((light) => light.role === role));
  const there = (pointId: string | undefined, lightId: string | undefined) =>
    at.get(pointId ?? '')?.find((one) => one.lightId === lightId)?.stops ?? null;
  const keyStops = there(face?.pointId, key?.lightId);
  // fill is judged where it aims, on the side that the key leaves dark
  const fillStops =
    fill === undefined ? null : (there(face?.pointId, fill.lightId) ?? there(fill.aimPointId, fill.lightId));
  const rimStops = rim === undefined ? null : there(rim.aimPointId, rim.lightId);
  return {
    face: faceRatio(points, keyStops),
    keyOverFillStops: keyStops === null || fillStops === null ? null : keyStops - fillStops,
    rimOverKeyStops: rimStops === null || keyStops === null ? null : rimStops - keyStops,
  };
}

function faceRatio(points: readonly PointSolution[], keyStops: number | null): LightRatios['face'] {
  const lit = points.find(({ role }) => role === 'face')?.totalStops ?? null;
  if (lit === null) return null;
  const metered = points.find(({ role }) => role === 'shadow')?.totalStops ?? null;
  const left = keyStops === null ? undefined : remainingLight(lit, keyStops);
  const dark = metered ?? left;
  if (dark === undefined) return null;
  const stops = lit - dark;
  return { ratio: stopsToRatio(stops), stops, by: metered === null ? 'without-key' : 'dark-side' };
}
