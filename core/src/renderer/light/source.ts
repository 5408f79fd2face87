import { cross, dot, lengthOf, minus, unit, type Vec } from '../base/vector';

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

/** Patterns that were asked for, by their name. */
const patterns = new Map<string, Float32Array>();
function kept(name: string, made: () => number[]): Float32Array {
  const pattern = patterns.get(name) ?? Float32Array.from(made());
  patterns.set(name, pattern);
  return pattern;
}

/** Places spread over a unit disc by a spiral, x y after each other, to be turned from pixel to pixel. */
export const discPattern = (count: number): Float32Array =>
  kept(`disc ${count}`, () =>
    Array.from({ length: count }, (_, i) => {
      const [r, turn] = [Math.sqrt((i + 0.5) / count), i * 2.39996323];
      return [r * Math.cos(turn), r * Math.sin(turn)];
    }).flat(),
  );

/** Places spread over a square, −1 to 1, by a lattice, to be moved from pixel to pixel. Source: Roberts, R2 sequence. */
export const squarePattern = (count: number): Float32Array =>
  kept(`square ${count}`, () =>
    Array.from({ length: count }, (_, i) => [
      2 * ((0.5 + i * 0.7548776662) % 1) - 1,
      2 * ((0.5 + i * 0.569840291) % 1) - 1,
    ]).flat(),
  );

/** The sides of the most square grid of so many cells. */
function gridOf(count: number): readonly [number, number] {
  let less = Math.floor(Math.sqrt(count));
  while (count % less !== 0) less -= 1;
  return [count / less, less];
}

/** How many places each ring of a disc takes, innermost first: 4, 12, 20 … or 4, 8, 12 …, whichever comes to the count. */
function ringsOf(count: number): number[] {
  for (const step of [8, 4]) {
    const rings: number[] = [];
    for (let left = count, own = 4; left > 0; left -= own, own += step) rings.push(own);
    if (rings.reduce((sum, own) => sum + own, 0) === count) return rings;
  }
  throw new Error(`a disc is not sampled by ${count} places`);
}

/** An octagon as wide as a disc is larger than it: its places lie farther out by this. */
const OCTAGON_OUT = Math.sqrt((4 * 0.8284) / Math.PI);

/**
 * Middles of cells of the same size on a unit face, −1 to 1, alike on both sides of its middle lines: rows and columns on
 * a rectangle, more along its longer side; rings on what is round.
 */
function evenPattern(outline: Outline, count: number, lies: boolean): Float32Array {
  return kept(`${outline} ${count} ${lies}`, () => {
    if (outline === 'rectangle') {
      const [more, less] = gridOf(count);
      const [columns, rows] = lies ? [more, less] : [less, more];
      return Array.from({ length: count }, (_, i) => [
        (2 * (i % columns) + 1) / columns - 1,
        (2 * Math.floor(i / columns) + 1) / rows - 1,
      ]).flat();
    }
    let inside = 0;
    return ringsOf(count).flatMap((own) => {
      const r = Math.sqrt((inside + own / 2) / count) * (outline === 'octagon' ? OCTAGON_OUT : 1);
      inside += own;
      return Array.from({ length: own }, (_, i) => {
        const turn = ((i + 0.5) / own) * 2 * Math.PI;
        return [r * Math.cos(turn), r * Math.sin(turn)];
      }).flat();
    });
  });
}

/** Even places on a source's face, x y z after each other, cm. */
export function facePlaces(
  { centre, across, up, halfAcross, halfUp, outline }: AreaSource,
  count: number,
): Float64Array {
  const pattern = evenPattern(outline, count, halfAcross >= halfUp);
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
