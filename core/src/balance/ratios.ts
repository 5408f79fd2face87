import type { LightsSolution } from '../lights';
import { addLight, remainingLight, stopsToRatio } from '../photometry';
import type { LightRole } from '../setup';
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

/** What a lamp that burns gives at the points, stops against mid grey. */
export interface BurningLamp {
  role: LightRole | null;
  aimPointId: string;
  at: ReadonlyMap<string, number>;
}

/**
 * The face's ratio, key to fill and rim over key, from what the flashes do at the powers that were found and the lamps as they
 * burn.
 */
export function lightRatios(
  { lights, at }: LightsSolution,
  lamps: readonly BurningLamp[],
  points: readonly PointSolution[],
): LightRatios {
  const face = points.find(({ role }) => role === 'face');
  const sum = (stops: readonly number[]) => (stops.length === 0 ? null : addLight(...stops));
  /** all of a role at a point, or where each of them aims */
  const there = (role: LightRole, pointId: string | null) =>
    sum([
      ...lights
        .flatMap((light) =>
          light.role === role
            ? (at.get(pointId ?? light.aimPointId) ?? []).filter(({ lightId }) => lightId === light.lightId)
            : [],
        )
        .map(({ stops }) => stops),
      ...lamps.flatMap((lamp) => (lamp.role === role ? (lamp.at.get(pointId ?? lamp.aimPointId) ?? []) : [])),
    ]);
  const onFace = (role: LightRole) => (face === undefined ? null : there(role, face.pointId));
  const keyStops = onFace('key');
  // fill is judged where it aims, on the side that the key leaves dark
  const fillStops = onFace('fill') ?? there('fill', null);
  const rimStops = there('rim', null);
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
