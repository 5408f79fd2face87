import { z } from 'zod';

import { addLight, formatStopCount } from '../photometry';
import type { Kit } from './kit';
import type { Setup } from './setup';
import type { PointSolution } from './solution';

export const SURFACES = ['white', 'silver', 'striped', 'black'] as const;
export type Surface = (typeof SURFACES)[number];

/** A reflector in the kit, with the surfaces that it has. */
export const reflectorSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  diameterM: z.number().min(0.1).max(6).meta({ description: 'across; a rectangle by a disc of its area' }),
  surfaces: z.array(z.enum(SURFACES)).min(1).max(4),
});
export type Reflector = z.infer<typeof reflectorSchema>;

/** A reflector in a setup: it lifts the shadow side, or takes from it. */
export const placedReflectorSchema = z.strictObject({
  reflectorId: z.uuid(),
  surface: z.enum(SURFACES),
  distanceM: z.number().min(0.2).max(6).meta({ description: 'to the shadow side' }),
  turnedDeg: z.number().min(0).max(80).meta({ description: 'how far its face is turned from the light' }),
});

/** Light thrown near the axis against white, which is `ρ = 0.85`: silver in its lobe, striped between. Usual values. */
const THROWN: Record<Exclude<Surface, 'black'>, number> = { white: 0.85, silver: 0.85 * 3, striped: 0.85 * 2 };

/** What a reflector does to the shadow side. */
export interface ReflectorSolution {
  name: string;
  /** change of the light there, stops */
  liftStops: number;
  contrastBeforeStops: number;
  contrastAfterStops: number;
  text: string;
}

/**
 * The light that a reflector adds: `ρ·E_on·A·cosθ/(π·d²)` near its axis, with the light on the face taken as what falls
 * on it. Black takes away the share of the surroundings that it covers. An estimate: meter the shadow side again.
 * @returns null without a reflector, or before face and shadow side are metered
 */
export function solveReflector({ reflector }: Setup, kit: Kit, points: readonly PointSolution[]): ReflectorSolution | null {
  const own = kit.reflectors.find(({ id }) => id === reflector?.reflectorId);
  const [face, shadow] = (['face', 'shadow'] as const).map((role) => points.find((point) => point.role === role));
  if (reflector === null || own === undefined || face?.ambientEv100 == null || shadow?.ambientEv100 == null) return null;
  const view = Math.min(1, ((own.diameterM / 2) ** 2 / reflector.distanceM ** 2) * Math.cos((reflector.turnedDeg * Math.PI) / 180));
  const lit = reflector.surface === 'black' ? shadow.ambientEv100 + Math.log2(1 - Math.min(0.75, view / 2))
    : addLight(shadow.ambientEv100, face.ambientEv100 + Math.log2(THROWN[reflector.surface] * view));
  const liftStops = lit - shadow.ambientEv100;
  const [before, after] = [face.ambientEv100 - shadow.ambientEv100, face.ambientEv100 - lit];
  return {
    name: own.name, liftStops, contrastBeforeStops: before, contrastAfterStops: after,
    text: `${own.name}, ${reflector.surface}: the shadow side ${formatStopCount(liftStops)} stops ${liftStops < 0 ? 'darker' : 'brighter'}, contrast from ${formatStopCount(before)} to ${formatStopCount(Math.abs(after))} stops.`,
  };
}
