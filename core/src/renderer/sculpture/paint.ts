import { reflectanceOfTone, SKINS } from '../../photometry';
import { reflectanceOf, type Rgb } from '../base/rgb';
import { smoothstep } from '../base/vector';
import { EYE, HAIR_REGISTER, MATERIAL } from './bust';
import { registers, type Tape } from './distanceTape';

const LIP: Rgb = [0.36, 0.18, 0.16];
const CLOTH: Rgb = [0.115, 0.125, 0.145];
const HAT: Rgb = [0.2, 0.155, 0.11];
const FRAME: Rgb = [0.02, 0.02, 0.02];
const LASH: Rgb = [0.03, 0.02, 0.016];
/** The lids tilt by this much, radians. */
const LID_TILT = -0.07;

const skinOf = ({ offsetStops, a, b }: (typeof SKINS)[keyof typeof SKINS]): Rgb =>
  reflectanceOf(reflectanceOfTone(offsetStops), a, b);
/** Skin from light to deep: reflectance, linear, by the table of tones. */
export const SKIN_TONES = {
  light: skinOf(SKINS.light),
  medium: skinOf(SKINS.medium),
  deep: skinOf(SKINS.deep),
} as const satisfies Record<string, Rgb>;
/** Hair dark and light: reflectance, linear. */
export const HAIR_TONES = { dark: [0.055, 0.036, 0.024], light: [0.34, 0.235, 0.125] } as const satisfies Record<
  string,
  Rgb
>;
export type SkinTone = keyof typeof SKIN_TONES;
export type HairTone = keyof typeof HAIR_TONES;

/** An even number from 0 to 1 for a cell: integer mixing, so that every machine paints alike. Source: Mueller's hash. */
function hash(x: number, y: number): number {
  let h = Math.imul(x, 374761393) + Math.imul(y, 668265263);
  h = Math.imul(h ^ (h >>> 15), 0x45d9f3b);
  h = Math.imul(h ^ (h >>> 15), 0x45d9f3b);
  return ((h ^ (h >>> 15)) >>> 0) / 4294967296;
}
/** Smooth noise over a plane, 0 to 1; the same everywhere and always. */
export function planeNoise(x: number, y: number): number {
  const i = Math.floor(x),
    j = Math.floor(y),
    a = x - i,
    b = y - j;
  const u = a * a * (3 - 2 * a),
    v = b * b * (3 - 2 * b);
  return (
    (hash(i, j) * (1 - u) + hash(i + 1, j) * u) * (1 - v) + (hash(i, j + 1) * (1 - u) + hash(i + 1, j + 1) * u) * v
  );
}

/** Distance to a stroke from a to b. */
function stroke(x: number, y: number, ax: number, ay: number, bx: number, by: number): number {
  const px = x - ax,
    py = y - ay,
    dx = bx - ax,
    dy = by - ay;
  const h = Math.min(1, Math.max(0, (px * dx + py * dy) / (dx * dx + dy * dy)));
  return Math.sqrt((px - dx * h) ** 2 + (py - dy * h) ** 2);
}

/** The colour that the last call painted. */
export const painted = new Float64Array(3);
const put = (colour: Rgb, scale = 1): void => {
  for (let k = 0; k < 3; k += 1) painted[k] = colour[k]! * scale;
};
const mix = (colour: Rgb, share: number): void => {
  for (let k = 0; k < 3; k += 1) painted[k]! += (colour[k]! - painted[k]!) * share;
};

/** What is painted on a sculpture: reflectance at a place of the head, into `painted`. */
export function paintAt(material: number, x: number, y: number, z: number, skin: Rgb, hair: Rgb): void {
  switch (material) {
    case MATERIAL.skin:
      return paintSkin(x, y, z, skin, hair);
    case MATERIAL.eye:
      return paintEye(Math.abs(x) - EYE.x, y - EYE.y, z);
    case MATERIAL.hair:
      return put(hair, 0.8 + 0.4 * planeNoise(Math.atan2(x, y - 2) * 60, z * 0.25));
    case MATERIAL.hat:
      return put(HAT);
    case MATERIAL.frame:
      return put(FRAME);
    default:
      return put(CLOTH);
  }
}

function paintSkin(x: number, y: number, z: number, skin: Rgb, hair: Rgb): void {
  const side = Math.abs(x);
  const warm: Rgb = [skin[0], skin[1] * 0.81, skin[2] * 0.81];
  put(skin);
  mix(warm, 0.45 * Math.exp(-((side - 4.3) ** 2 / 4 + (y + 3.2) ** 2 / 3)) * smoothstep(1, 4, z)); // cheeks
  mix(warm, 0.4 * Math.exp(-((x * x) / 1.4 + (y + 3.8) ** 2 / 1.2)) * smoothstep(7, 9, z)); // nose
  if (z > 6.5 && y < -5.2 && y > -9) {
    const upper = Math.min(stroke(side, y, 0, -6.66, 0.7, -6.52), stroke(side, y, 0.7, -6.52, 2.35, -7.03));
    const lower = Math.min(stroke(side, y, 0, -7.62, 0.9, -7.56), stroke(side, y, 0.9, -7.56, 2.3, -7.13));
    const width = 0.55 + 0.45 * (1 - side / 2.7);
    const level = skin[0] / SKIN_TONES.light[0];
    mix(
      [LIP[0] * level, LIP[1] * level, LIP[2] * level],
      0.85 * Math.max(1 - smoothstep(0.16, 0.5, upper / width), 1 - smoothstep(0.28, 0.66, lower / width)),
    );
  }
  if (z > 4 && y > 0.6 && y < 3.6) {
    const brow = Math.min(stroke(side, y, 1.25, 1.75, 3.4, 2.32), stroke(side, y, 3.4, 2.32, 5, 1.55));
    const width = 0.46 - 0.05 * Math.max(0, side - 1.5);
    const hairs = 0.95 + 0.05 * Math.sin(side * 23 - y * 9 + 2 * Math.sin(side * 5));
    const dark: Rgb = [hair[0] * 0.7, hair[1] * 0.7, hair[2] * 0.7];
    mix(dark, 0.72 * (1 - smoothstep(width * 0.25, width, brow)) * hairs * smoothstep(0.9, 1.7, side));
  }
  if (z > EYE.z - 0.2 && Math.abs(y) < 1.2 && side > 1 && side < 5.4) {
    const ex = side - EYE.x;
    const tilted = Math.sin(LID_TILT) * ex + Math.cos(LID_TILT) * y;
    const upper = Math.sqrt(ex * ex + (tilted - 0.42 + 2.6) ** 2) - 2.6;
    const lower = Math.sqrt(ex * ex + (tilted + 0.5 - 2.7) ** 2) - 2.7;
    const inside = Math.max(upper, lower);
    const isUpper = upper > lower;
    if (inside < 0.3)
      mix(LASH, (isUpper ? 0.92 : 0.45) * (1 - smoothstep(0.06, isUpper ? 0.2 : 0.13, Math.abs(inside))));
    mix([skin[0] * 0.84, skin[1] * 0.75, skin[2] * 0.77], 0.4 * (1 - smoothstep(0.1, 0.9, inside)));
  }
}

function paintEye(ex: number, ey: number, z: number): void {
  if (z < EYE.z + 0.4) return put([0.5, 0.42, 0.38]);
  const out = Math.sqrt(ex * ex + ey * ey);
  put([0.62, 0.57, 0.54]);
  mix([0.5, 0.26, 0.22], 0.55 * smoothstep(0.95, 1.45, Math.abs(ex)));
  const fibres = 0.85 + 0.15 * Math.sin(Math.atan2(ey, ex) * 23 + 3 * Math.sin(out * 9));
  const iris = 1 - smoothstep(EYE.iris - 0.05, EYE.iris + 0.03, out);
  mix([0.115 * fibres, 0.075 * fibres, 0.04 * fibres], iris);
  mix([0.022, 0.016, 0.012], iris * smoothstep(0.44, 0.56, out));
  mix([0.004, 0.004, 0.004], 1 - smoothstep(EYE.pupil - 0.03, EYE.pupil + 0.03, out));
}

/** Stubble where the hair lies just under the skin: a soft hairline, over what is painted. */
export function paintHairline(tape: Tape, x: number, y: number, z: number, hair: Rgb): void {
  if (y <= -7 || (y <= 3 && z >= 4.5)) return;
  tape.distance(tape.all, 0, tape.length, x, y, z);
  const depth = registers[HAIR_REGISTER]!;
  if (depth < 0.6)
    mix(hair, 0.75 * (1 - smoothstep(0.02, 0.42, depth + (planeNoise(x * 3.5, y * 3.5 + z * 3) - 0.5) * 0.2)));
}
