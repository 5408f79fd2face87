import type { Rgb } from '../base/rgb';
import type { Vec } from '../base/vector';

/**
 * The soft light from all round: brightness and colour by direction. Outdoors the sky, with a glow round the sun; in a
 * room a sphere that is even all round.
 */
export interface SkyModel {
  zenith: Rgb;
  horizon: Rgb;
  glow: Rgb;
  /** how narrow the glow is */
  glowPower: number;
  toSun: Vec;
  /** under the horizon: the ground as lit by the sky (outdoors), or the same room again */
  closed: boolean;
  /** makes the light on a card that faces up 1 */
  scale: number;
}

/** Radiance from a direction over the horizon, written to `out`. */
export function skyRadiance(sky: SkyModel, x: number, y: number, z: number, out: Float64Array): void {
  const rise = y < 0 ? 0 : Math.sqrt(y);
  const towards = x * sky.toSun[0] + y * sky.toSun[1] + z * sky.toSun[2];
  const glow = towards <= 0 ? 0 : towards ** sky.glowPower;
  for (let k = 0; k < 3; k += 1)
    out[k] = (sky.horizon[k]! + (sky.zenith[k]! - sky.horizon[k]!) * rise + sky.glow[k]! * glow) * sky.scale;
}

const GOLDEN_ANGLE = 2.399963;
const LUMINANCE: Rgb = [0.2126, 0.7152, 0.0722];
const DIRECTIONS = 2048;

type Card = 'ground' | 'walledGround' | 'wall';
/** Light on cards under skies that are still in use: pictures ask for it at every change of a weight. */
const known = {
  ground: new WeakMap<SkyModel, Rgb>(),
  walledGround: new WeakMap<SkyModel, Rgb>(),
  wall: new WeakMap<SkyModel, Rgb>(),
};

/** Light on a card that lies or stands under a sky, by channel: a cosine-weighted spiral of directions about its normal. */
function skyOn(card: Card, sky: SkyModel): Rgb {
  const before = known[card].get(sky);
  if (before !== undefined) return before;
  const sum = [0, 0, 0];
  const one = new Float64Array(3);
  for (let i = 0; i < DIRECTIONS; i += 1) {
    const u = (i + 0.5) / DIRECTIONS;
    const [r, along, turn] = [Math.sqrt(u), Math.sqrt(1 - u), i * GOLDEN_ANGLE];
    const [x, aside] = [r * Math.cos(turn), r * Math.sin(turn)];
    // what lies under the horizon, or in the wall, sends nothing of the sky
    if (card !== 'ground' && aside < 0) continue;
    skyRadiance(sky, x, card === 'wall' ? aside : along, card === 'wall' ? along : aside, one);
    for (let k = 0; k < 3; k += 1) sum[k]! += (Math.PI / DIRECTIONS) * one[k]!;
  }
  const light: Rgb = [sum[0]!, sum[1]!, sum[2]!];
  known[card].set(sky, light);
  return light;
}

/**
 * Light on the ground, by channel.
 * @param beforeWall a wall stands behind the people, of which the ground sees no end: it takes half of the sky
 */
export const skyOnGround = (sky: SkyModel, beforeWall = false): Rgb =>
  skyOn(beforeWall ? 'walledGround' : 'ground', sky);

/** Light on the wall behind, by channel: of the half of the sky before it. */
export const skyOnWall = (sky: SkyModel): Rgb => skyOn('wall', sky);

/** The same sky, scaled so that a card facing up gets 1, and neutral on it: its colour comes with its weight. */
function normalised(sky: SkyModel): SkyModel {
  const on = skyOnGround({ ...sky, scale: 1 });
  const level = on.reduce((sum, value, k) => sum + value * LUMINANCE[k]!, 0);
  const neutral = (rgb: Rgb): Rgb => [rgb[0] / (on[0] / level), rgb[1] / (on[1] / level), rgb[2] / (on[2] / level)];
  return {
    ...sky,
    zenith: neutral(sky.zenith),
    horizon: neutral(sky.horizon),
    glow: neutral(sky.glow),
    scale: 1 / level,
  };
}

/** A clear sky: blue overhead, paler at the horizon, a glow round the sun; lower suns glow warmer and wider. */
export function openSky(toSun: Vec): SkyModel {
  if (lastSky?.toSun.every((value, k) => value === toSun[k])) return lastSky;
  const low = toSun[1] < 0.12;
  lastSky = normalised({
    zenith: low ? [0.12, 0.26, 0.72] : [0.22, 0.42, 0.95],
    horizon: low ? [0.55, 0.62, 0.85] : [0.75, 0.9, 1.05],
    glow: low ? [1, 0.42, 0.16] : [2.5, 2.2, 1.7],
    glowPower: low ? 5 : 14,
    toSun,
    closed: false,
    scale: 1,
  });
  return lastSky;
}
/** The last open sky: while things are moved under it, it is asked for over and over. */
let lastSky: SkyModel | null = null;

const ROOM = normalised({
  zenith: [1.25, 1.25, 1.25],
  horizon: [0.85, 0.85, 0.85],
  glow: [0, 0, 0],
  glowPower: 1,
  toSun: [0, 1, 0],
  closed: true,
  scale: 1,
});
/** A room: light from its walls and ceiling, a little more from above. */
export const room = (): SkyModel => ROOM;
