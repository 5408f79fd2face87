import { type Beam, beamLossStops, effectiveDistanceM, type SourceShape } from '../modifiers';
import { domeResponse } from '../photometry';
import { angleDeg, lengthM, type LitPlace, minus, type Place } from '../scene';

/** Less than this of what reaches the aim is nothing. */
const NOTHING_STOPS = -12;

/**
 * What a light gives at a place against what it gives where it aims, in stops: farther or nearer, off the beam's axis,
 * and turned from it as a dome sees it, `(1 + cos θ)/2`. Bodies that stand in the way are not known here, so what
 * comes from geometry alone is an estimate until it is metered.
 * @param axis where the light points; straight at its aim unless it is feathered
 * @returns `null` where as good as nothing arrives
 */
export function spillStops(
  light: Place,
  aim: LitPlace,
  other: LitPlace,
  shape: SourceShape,
  beam: Beam,
  axis: Place = minus(aim.at, light),
): number | null {
  const [toAim, toOther] = [minus(aim.at, light), minus(other.at, light)];
  const [aimM, otherM] = [lengthM(toAim), lengthM(toOther)];
  if (otherM < 0.05 || aimM < 0.05) return null;
  const aside = angleDeg(minus(light, other.at), other.faces);
  const response = domeResponse(aside);
  if (response <= 0 || aside > (other.shadedFromDeg ?? 180)) return null;
  const stops =
    2 * Math.log2(effectiveDistanceM(shape, aimM) / effectiveDistanceM(shape, otherM)) -
    beamLossStops(beam, angleDeg(axis, toOther)) +
    beamLossStops(beam, angleDeg(axis, toAim)) +
    Math.log2(response);
  return stops < NOTHING_STOPS || !Number.isFinite(stops) ? null : stops;
}
