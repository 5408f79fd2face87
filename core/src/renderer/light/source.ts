import { along, cross, dot, lengthOf, minus, unit, type Vec } from '../base/vector';

/** The outline of a luminous face. */
export type Outline = 'rectangle' | 'round' | 'octagon';

/**
 * A luminous face: a flash's modifier, a window, a reflector, a lamp. At unit strength its intensity on the axis is 1 cd,
 * so that far away on the axis it gives `1/d²` lux, d in metres.
 */
export interface AreaSource {
  kind: 'area';
  centre: Vec;
  /** where its axis points */
  axis: Vec;
  across: Vec;
  up: Vec;
  halfAcross: number;
  halfUp: number;
  outline: Outline;
  /** intensity against the axis by the cosine of the angle from it: `BEAM_STEPS` + 2 values from cos 0 to cos 1 */
  beam: Float32Array;
}

/** The sun: parallel light that gives 1 lux on a card facing it at unit strength. */
export interface SunSource {
  kind: 'sun';
  towards: Vec;
}
export type Source = AreaSource | SunSource;

/** Half of the angle that the sun's disc fills, radians. */
export const SUN_RADIUS = 0.0047;
export const BEAM_STEPS = 512;
/** Centimetres squared in a square metre. */
const CM2 = 1e4;

/** A beam's table from its share by the angle off the axis, degrees. */
export function beamTable(share: (offAxisDeg: number) => number): Float32Array {
  return Float32Array.from({ length: BEAM_STEPS + 2 }, (_, i) =>
    Math.max(0, share((Math.acos(Math.min(1, i / BEAM_STEPS)) * 180) / Math.PI)),
  );
}

/** The beam of a lit cloth. */
export const cosineBeam = (): Float32Array => beamTable((angle) => Math.cos((angle * Math.PI) / 180));

/** A luminous face of a size, at a place, looking along an axis. */
export function areaSource(
  centre: Vec,
  axis: Vec,
  widthCm: number,
  heightCm: number,
  outline: Outline,
  beam: Float32Array,
): AreaSource {
  const forward = unit(axis);
  const level = cross(forward, [0, 1, 0]);
  const across = lengthOf(level) < 1e-3 ? ([1, 0, 0] as const) : unit(level);
  return {
    kind: 'area',
    centre,
    axis: forward,
    across,
    up: cross(across, forward),
    halfAcross: widthCm / 2,
    halfUp: heightCm / 2,
    outline,
    beam,
  };
}

/** Even places on a unit face, −1 to 1 in both directions: a spiral for round ones, a low-discrepancy lattice for rectangles. */
export function facePattern(count: number, round: boolean): Float32Array {
  const places = new Float32Array(count * 2);
  for (let i = 0; i < count; i += 1) {
    if (round) {
      const [r, turn] = [Math.sqrt((i + 0.5) / count), i * 2.39996323];
      places[i * 2] = r * Math.cos(turn);
      places[i * 2 + 1] = r * Math.sin(turn);
    } else {
      places[i * 2] = 2 * ((0.5 + i * 0.7548776662) % 1) - 1;
      places[i * 2 + 1] = 2 * ((0.5 + i * 0.569840291) % 1) - 1;
    }
  }
  return places;
}

/** Places on a source's face, x y z after each other, cm. */
export function facePlaces(
  { centre, across, up, halfAcross, halfUp, outline }: AreaSource,
  count: number,
): Float64Array {
  const pattern = facePattern(count, outline !== 'rectangle');
  const places = new Float64Array(count * 3);
  for (let k = 0; k < count; k += 1)
    for (let c = 0; c < 3; c += 1)
      places[k * 3 + c] =
        centre[c]! + across[c]! * pattern[k * 2]! * halfAcross + up[c]! * pattern[k * 2 + 1]! * halfUp;
  return places;
}

/** Area of the face, m². */
export const faceAreaM2 = ({ halfAcross, halfUp, outline }: AreaSource): number =>
  (4 * halfAcross * halfUp * (outline === 'rectangle' ? 1 : outline === 'round' ? Math.PI / 4 : 0.828)) / CM2;

const FACE_SAMPLES = 64;

/** How a receiver answers light by the cosine of the angle from where it faces: a flat card, or a meter's dome. */
export type Response = (cosine: number) => number;
export const CARD: Response = (cosine) => Math.max(0, cosine);
export const DOME: Response = (cosine) => (1 + cosine) / 2;

/**
 * Light of a source at unit strength on a receiver, lux; nothing stands in the way. The sum over places of the face of
 * `I(θ)·response/d²`, which tends to the exact configuration factor.
 */
export function lightAt(source: Source, place: Vec, facing: Vec, response: Response, samples = FACE_SAMPLES): number {
  if (source.kind === 'sun') return response(dot(source.towards, facing));
  const places = facePlaces(source, samples);
  let sum = 0;
  for (let k = 0; k < samples; k += 1) {
    const to = minus([places[k * 3]!, places[k * 3 + 1]!, places[k * 3 + 2]!], place);
    const distance = lengthOf(to);
    const cosine = -dot(to, source.axis) / distance;
    if (cosine <= 0) continue;
    sum +=
      (source.beam[Math.round(cosine * BEAM_STEPS)]! * CM2 * response(dot(to, facing) / distance)) /
      (distance * distance);
  }
  return sum / samples;
}

const BOUNCE_POINTS = 24;

/** Mean light of a source at unit strength over places in a ring, by their distance from its middle and their turn. */
function lightOver(
  source: Source,
  least: number,
  most: number,
  facing: Vec,
  placeAt: (r: number, turn: number) => Vec,
): number {
  let sum = 0;
  for (let i = 0; i < BOUNCE_POINTS; i += 1)
    sum += lightAt(
      source,
      placeAt(least + (most - least) * Math.sqrt((i + 0.5) / BOUNCE_POINTS), i * 2.4),
      facing,
      CARD,
      4,
    );
  return sum / BOUNCE_POINTS;
}

/** What a source at unit strength gives the ground round the subject, for the light that comes back from it. */
export const lightOnGround = (source: Source, groundY: number): number =>
  lightOver(source, 30, 200, [0, 1, 0], (r, turn) => [r * Math.sin(turn), groundY, r * Math.cos(turn)]);

/** What a source at unit strength gives the wall behind the subject, as much of it as counts there: about as wide as it is far. */
export const lightOnWall = (source: Source, wallZ: number): number =>
  lightOver(source, 0, Math.max(100, -wallZ), [0, 0, 1], (r, turn) => [r * Math.sin(turn), r * Math.cos(turn), wallZ]);

/** A place in front of a face, for measuring what falls on it. */
export const inFrontOf = (source: AreaSource, byCm: number): Vec => along(source.centre, source.axis, byCm);
