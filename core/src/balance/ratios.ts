import type { LightsSolution } from '../lights';
import { stopsToRatio } from '../photometry';
import type { PointSolution } from './point';

/** How the lights stand to each other; null where one of them is missing. */
export interface LightRatios {
  /** key side to shadow side, `(key + fill) : fill`, as a plain ratio */
  lighting: { ratio: number; stops: number } | null;
  /** key over fill at the face, stops */
  keyOverFillStops: number | null;
  /** rim at the hair over key at the face, stops */
  rimOverKeyStops: number | null;
}

/** Lighting ratio, key to fill and rim over key, from what the lights do at the powers that were found. */
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
  const keyOverFillStops = keyStops === null || fillStops === null ? null : keyStops - fillStops;
  const ratio = keyOverFillStops === null ? null : stopsToRatio(keyOverFillStops) + 1;
  return {
    lighting:
      ratio === null
        ? null
        : {
            ratio,
            stops: Math.log2(ratio),
          },
    keyOverFillStops,
    rimOverKeyStops: rimStops === null || keyStops === null ? null : rimStops - keyStops,
  };
}
