import type { Box } from './brickGrid';
import { JOIN, type Tape } from './distanceTape';
import { TapeBuilder } from './tapeBuilder';

/** Who is in the picture, as far as light behaves differently on them. */
export interface BustLook {
  hat: boolean;
  spectacles: boolean;
  /** eyes deep under the brow */
  deepSet: boolean;
}

export const MATERIAL = {
  none: 0,
  skin: 1,
  eye: 2,
  hair: 3,
  cloth: 4,
  hat: 5,
  frame: 6,
  ground: 7,
  backdrop: 8,
  sky: 9,
} as const;

/** The eye: the ball's centre and radius, iris, pupil, and the cornea that bulges from it; centimetres. */
export const EYE = {
  x: 3.12,
  y: 0,
  z: 6.72,
  radius: 1.2,
  iris: 0.58,
  pupil: 0.22,
  corneaRadius: 0.8,
  corneaOffset: 0.52,
} as const;
/** Lenses of spectacles: centre, half size, rounding, how far in front, and their bow, centimetres. */
export const LENS = { x: 3.3, y: -0.35, halfX: 1.55, halfY: 1, round: 0.9, z: 9.55, bow: 0.03 } as const;
/** What the bust fills, centimetres. */
export const BUST_BOX: Box = [-27, -57, -18, 27, 18, 18];

/** Where the hair layer stays after an evaluation: the painted hairline asks for it. */
export const HAIR_REGISTER = 5;
const [HEAD, A, B, C, BODY, HAIR, CLOTH] = [0, 1, 2, 3, 4, HAIR_REGISTER, 6] as const;
const { set, unite, intersect, subtract } = JOIN;

/**
 * A neutral sculpted bust in a real head's proportions. Origin on the mid-plane at the height of the pupils; +y up, +z out
 * of the face, +x to the person's left. Chin −11.3, nose base −4.8, brow 1.4, hairline 6.8, crown 11.5 cm.
 */
export function sculptBust({ hat, spectacles, deepSet }: BustLook): Tape {
  const t = new TapeBuilder();
  skull(t, deepSet ? 0.5 : 0);
  nose(t);
  mouth(t);
  lids(t);
  ears(t);
  neckAndBody(t);
  t.ball(B, set, 0, [EYE.x, EYE.y, EYE.z], EYE.radius)
    .ball(B, unite, 0.08, [EYE.x, EYE.y, EYE.z + EYE.corneaOffset], EYE.corneaRadius)
    .material(B, MATERIAL.eye);
  hair(t, hat);
  if (spectacles) {
    t.lensRim(B, set, 0, [LENS.x, LENS.y], [LENS.halfX, LENS.halfY], LENS.round, LENS.z, LENS.bow, 0.16)
      .capsule(B, unite, 0.1, [0, 0.35, 9.75], [1, 0.15, 9.5], 0.15, 0.15)
      .capsule(B, unite, 0.1, [5.7, 0.2, 8.55], [7.5, 0.35, 7], 0.16, 0.16)
      .capsule(B, unite, 0.1, [7.5, 0.35, 7], [7.6, 0.45, -2], 0.16, 0.16)
      .material(B, MATERIAL.frame);
  }
  if (hat) {
    t.frame([0, 5.6, -1.2], 0.1, 0, 0)
      .crown(A, set, 0, 8.1, 9.9, 0.16, 9.2)
      .ellipsoid(A, subtract, 1.4, [6.2, 8.6, 7.2], [2.6, 3.2, 3.4])
      .brim(A, unite, 0.7, 14, 16.2, 0.14, 0.011, 0.004)
      .material(A, MATERIAL.hat)
      .mirror(0.06);
  }
  return t.tape();
}

/** @param deeper how much further than usual the brow stands over the eyes, cm */
function skull(t: TapeBuilder, deeper: number): void {
  t.mirror(0.06)
    .ellipsoid(HEAD, set, 0, [0, 4.1, -1.1], [7.2, 7.3, 8.9]) // cranium
    .ellipsoid(HEAD, unite, 2, [0, 3.7, 2.9], [6, 5.3, 6.15]) // frontal bone
    .ellipsoid(HEAD, unite, 1.6, [0, -2.6, 2.5], [5.65, 6.4, 5.75]) // maxilla
    .ellipsoid(HEAD, unite, 2, [0, -5.6, 2.7], [5.45, 4.9, 5.6]) // lower face
    .ellipsoid(HEAD, unite, 2.4, [3.9, -3.1, 5.2], [1.85, 1.7, 2.2]) // cheekbone and its arch
    .capsule(HEAD, unite, 2.6, [5, -2.4, 4.2], [5.9, -1.6, -0.5], 0.6, 0.5)
    .capsule(HEAD, unite, 2.4, [5.65, -2.4, -0.3], [4.65, -6.2, 0.7], 1.25, 1) // jaw
    .capsule(HEAD, unite, 2, [4.55, -6.5, 0.9], [1.5, -9.8, 6.7], 1.05, 1.25)
    .ellipsoid(HEAD, unite, 1.3, [0, -9.9, 7.2], [1.75, 1.4, 1.6]) // chin
    .ellipsoid(HEAD, subtract, 2.2, [8.9, 2.6, 5.8], [1.9, 2.6, 2.4]) // temple, hollow of the cheek
    .ellipsoid(HEAD, subtract, 2.4, [8.2, -6, 6.2], [1.9, 2.2, 2.6])
    .capsule(HEAD, unite, 1.5, [0, 1.35, 8.25 + deeper], [3.2, 1.8, 7.6 + deeper], 0.6, 0.62) // brow
    .capsule(HEAD, unite, 1.4, [3.2, 1.85, 7.6 + deeper], [4.85, 0.8, 5.8 + deeper / 2], 0.62, 0.42)
    .capsule(HEAD, unite, 1.4, [4.75, 0.8, 5.7], [4.8, -1.8, 5.1], 0.35, 0.35) // outer rim of the socket
    .ellipsoid(HEAD, subtract, 1.3, [3.15, 0, 9.35], [2.1, 1.2, 2]) // socket
    .ellipsoid(HEAD, subtract, 1, [1.9, 0.15, 9.3], [0.6, 0.75, 1]);
}

function nose(t: TapeBuilder): void {
  t.mirror(0.25)
    .capsule(A, set, 0, [0, 0.9, 8], [0, -3.1, 10.2], 0.78, 0.82) // bridge
    .ellipsoid(A, unite, 0.7, [0, -3.7, 10.45], [1, 0.88, 1]) // tip
    .capsule(A, unite, 1.1, [0.5, -0.4, 7.7], [1.05, -3.6, 8.75], 0.7, 0.85) // flank
    .ellipsoid(A, unite, 0.5, [1.2, -4, 9.3], [0.66, 0.62, 0.88]) // wing
    .capsule(A, unite, 0.4, [0, -4.3, 10.45], [0, -4.8, 9.2], 0.36, 0.42) // columella
    .join(HEAD, unite, 0.95, A)
    .ellipsoid(HEAD, subtract, 0.25, [0.64, -4.72, 9.95], [0.32, 0.4, 0.6]); // nostril
}

function mouth(t: TapeBuilder): void {
  t.ellipsoid(HEAD, unite, 1.6, [0, -6.8, 6.2], [3.2, 2.7, 3.1])
    .capsule(HEAD, subtract, 0.6, [0, -5.2, 9.95], [0, -5.95, 10.2], 0.2, 0.26)
    .capsule(B, set, 0, [0, -6.62, 9.4], [0.75, -6.5, 9.3], 0.4, 0.42) // upper lip
    .capsule(B, unite, 0.3, [0.75, -6.5, 9.3], [2.5, -7.02, 8.1], 0.42, 0.18)
    .capsule(C, set, 0, [0, -7.68, 9.2], [0.9, -7.62, 9.08], 0.6, 0.58) // lower lip
    .capsule(C, unite, 0.3, [0.9, -7.62, 9.08], [2.45, -7.15, 8.1], 0.58, 0.18)
    .join(HEAD, unite, 0.7, B)
    .join(HEAD, unite, 0.7, C)
    .capsule(B, set, 0, [0, -7.1, 10.06], [1.3, -6.98, 9.64], 0.1, 0.09) // line between the lips
    .capsule(B, unite, 0.1, [1.3, -6.98, 9.64], [2.55, -7.1, 8.45], 0.09, 0.13)
    .join(HEAD, subtract, 0.28, B)
    .ellipsoid(HEAD, subtract, 0.6, [2.85, -7.15, 8.45], [0.4, 0.45, 0.42])
    .ellipsoid(HEAD, subtract, 0.9, [0, -8.85, 9.85], [1.7, 0.4, 0.75])
    .capsule(HEAD, subtract, 0.9, [1.95, -4.3, 8.95], [3.2, -6.6, 8.35], 0.13, 0.1);
}

/** A shell over the eye with an almond cut out; the upper lid covers the top of the iris. */
function lids(t: TapeBuilder): void {
  t.mirror(0.06)
    .ellipsoid(A, set, 0, [EYE.x, EYE.y, EYE.z - 0.02], [2, 1.5, 1.42])
    .frame([EYE.x, EYE.y, EYE.z], 0, 0, -0.07)
    .cylinder(B, set, 0, 0, 0.42 - 2.6, 2.6)
    .cylinder(B, intersect, 0.1, 0, -0.5 + 2.7, 2.7)
    .plane(B, intersect, 0.05, [0, 0, -1], 0.2)
    .mirror(0.06)
    .join(A, subtract, 0.12, B)
    .join(HEAD, unite, 0.95, A);
}

function ears(t: TapeBuilder): void {
  t.frame([6.6, -1.35, -1.2], 0.2, 0.26, 0.08)
    .ellipsoid(A, set, 0, [0.25, 0, 0], [0.36, 2.4, 1.42])
    .ring(B, set, 0, 2.45, 1.42, 0.16, 0.25)
    .frame([0.55, 0, 0], 0, 0, 0)
    .ring(B, set, 0, 2.45, 1.42, 0.16, 0.25)
    .frame([-0.55, 0, 0], 0, 0, 0)
    .join(A, unite, 0.35, B)
    .ellipsoid(A, subtract, 0.3, [0.8, -0.35, 0.3], [0.5, 1, 0.72])
    .ellipsoid(A, unite, 0.4, [0.25, -2.3, 0.35], [0.36, 0.7, 0.62])
    .ellipsoid(A, unite, 0.3, [0.3, -0.5, 1.15], [0.32, 0.5, 0.3])
    .mirror(0.06)
    .join(HEAD, unite, 0.5, A);
}

function neckAndBody(t: TapeBuilder): void {
  t.mirror(0.6)
    .capsule(A, set, 0, [0, -4.5, -3.5], [0, -18, -4.8], 4.4, 5)
    .capsule(A, unite, 1.8, [5, -4.4, -3], [1.7, -18.6, 0.6], 0.8, 0.7)
    .ellipsoid(A, unite, 2, [0, -12.2, 0.2], [1.2, 2.2, 1.3])
    .ellipsoid(A, unite, 2.5, [0, -9.2, 1.6], [3, 1.6, 3.2])
    .join(HEAD, unite, 1.5, A)
    .capsule(BODY, set, 0, [2.2, -13.6, -6], [14.5, -20.2, -5.6], 2.9, 2.7)
    .capsule(BODY, unite, 3, [0, -23, -4.6], [15, -23, -4.8], 4.8, 4.3)
    .ellipsoid(BODY, unite, 3, [16.6, -25.2, -4.8], [4.4, 6.4, 5])
    .capsule(BODY, unite, 2.5, [18.3, -28, -4.6], [20.6, -64, -2.4], 4, 3.5)
    .ellipsoid(BODY, unite, 3, [0, -36, -3.6], [15.5, 16.5, 9.4])
    .capsule(BODY, unite, 4, [0, -36, -3.6], [0, -58, -3.6], 13, 12.5)
    .join(CLOTH, set, 0, BODY)
    .capsule(BODY, unite, 1.5, [1.9, -19.6, 1.3], [13.5, -19.2, -3.2], 0.7, 0.65)
    .ellipsoid(BODY, subtract, 1, [0, -19.4, 2.2], [1, 1.2, 1.2])
    .join(HEAD, unite, 2.2, BODY)
    .mirror(0.06)
    .material(HEAD, MATERIAL.skin)
    // a shirt with a round collar
    .capsule(CLOTH, unite, 1.5, [1.9, -19.6, 1.2], [13.5, -19.2, -3.2], 0.7, 0.65)
    .offset(CLOTH, -0.5)
    .ellipsoid(CLOTH, subtract, 0.4, [0, -15.6, -1.6], [7.4, 4.9, 7.6])
    .material(CLOTH, MATERIAL.cloth);
}

function hair(t: TapeBuilder, underHat: boolean): void {
  if (underHat) t.ellipsoid(HAIR, set, 0, [0, 4.2, -1.2], [7.5, 7.5, 9.3]);
  else
    t.ellipsoid(HAIR, set, 0, [0, 4.4, -1.3], [7.6, 7.85, 9.5]).ellipsoid(HAIR, unite, 2, [0, 7.5, 2.5], [5.6, 4, 6]);
  t.ellipsoid(HAIR, unite, 1.5, [0, -2.6, -4.3], [5.6, 6.4, 4.7])
    .strands(HAIR, 0.04, 2, 47, 91)
    .ellipsoid(HAIR, subtract, 0.7, [0, -2.1, 8.6], [8.4, 8.8, 9.4]) // the face's opening
    .ellipsoid(HAIR, subtract, 0.8, [7.8, -1.9, -1], [2.6, 2.7, 2.2]) // round the ear
    .plane(HAIR, intersect, 1, [0, -1, 0.42], 2.3)
    .material(HAIR, MATERIAL.hair);
}
