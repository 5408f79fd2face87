import { unit, type Vec } from '../src/renderer/base/vector';
import { frameScene, type Framing, type Quality, renderSoft, renderSource } from '../src/renderer/layer';
import { openSky, room } from '../src/renderer/light/sky';
import { areaSource, CARD, cosineBeam, lightAt, type Outline, type Source } from '../src/renderer/light/source';
import { softOnCard } from '../src/renderer/light/softLight';
import type { PictureScene } from '../src/renderer/scene';
import { MATERIAL } from '../src/renderer/sculpture/bust';
import { FINE_CELL_CM, modelOf } from '../src/renderer/sculpture/model';
import { HAIR_TONES, SKIN_TONES } from '../src/renderer/sculpture/paint';
import { finished } from './pictureScenes';
import { type Rays, sculpted, TrueLight } from './trueLight';

const RADIANS = Math.PI / 180;
const towards = (sideDeg: number, altitudeDeg: number): Vec => [
  Math.sin(sideDeg * RADIANS) * Math.cos(altitudeDeg * RADIANS),
  Math.sin(altitudeDeg * RADIANS),
  Math.cos(sideDeg * RADIANS) * Math.cos(altitudeDeg * RADIANS),
];

/** One light in one place, as the renderer is held to it; `null`: the light from all round. */
export interface LightScene {
  name: string;
  scene: PictureScene;
  source: Source | null;
  /** both halves of the face are lit alike */
  symmetric: boolean;
}

const PLACE: PictureScene = {
  look: { hat: false, spectacles: false, deepSet: false, skin: SKIN_TONES.light, hair: HAIR_TONES.dark },
  people: [{ at: [0, 0, 0], turn: 0 }],
  bodies: false,
  groundY: -160,
  groundAlbedo: [0.25, 0.24, 0.22],
  backdrop: { kind: 'trees', z: -600, albedo: [0.085, 0.11, 0.06] },
  sky: openSky(unit([0, 0.6, -0.8])),
  blockers: [],
  view: { from: [0, 0, 220], at: [0, -4.5, 0], heightCm: 47 },
};
const WALL = { kind: 'wall', albedo: [0.32, 0.31, 0.29] } as const;
const box = (at: Vec, wide: number, tall: number, outline: Outline): Source =>
  areaSource(at, [-at[0], -at[1], -at[2]], wide, tall, outline, cosineBeam());
const sceneOf = (
  name: string,
  source: Source | null,
  over: Partial<PictureScene> = {},
  symmetric = false,
): LightScene => ({ name, scene: { ...PLACE, ...over }, source, symmetric });

/** The nine kinds of light that photographers judge a face by. */
export const LIGHT_SCENES: readonly LightScene[] = [
  sceneOf('hard flash', box([110, 60, 100], 12, 12, 'round')),
  sceneOf('octagon', box([-100, 80, 100], 90, 90, 'octagon')),
  sceneOf('rim', box([-115, 60, -140], 12, 12, 'round')),
  sceneOf('window', box([-150, 0, 60], 120, 160, 'rectangle'), { sky: room(), backdrop: { ...WALL, z: -250 } }),
  sceneOf('dome', null, {}, true),
  sceneOf('low sun over snow', { kind: 'sun', towards: towards(35, 12) }, { groundAlbedo: [0.78, 0.8, 0.84] }),
  sceneOf('overhead box', box([0, 100, 30], 100, 100, 'rectangle'), {}, true),
  sceneOf(
    'hat at noon',
    { kind: 'sun', towards: towards(-20, 62) },
    { look: { ...PLACE.look, hat: true }, groundAlbedo: [0.26, 0.19, 0.12] },
  ),
  sceneOf('wall behind', null, { backdrop: { ...WALL, z: -40 } }, true),
  // beyond the nine, for symmetry alone
];
/** A window straight ahead: for symmetry. */
export const WINDOW_AHEAD = sceneOf('window ahead', box([0, 20, 150], 120, 160, 'rectangle'), { sky: room() }, true);

const [WIDTH, HEIGHT] = [360, 480];
export const frameLight = ({ scene }: LightScene): Framing =>
  frameScene(scene, modelOf(sculpted(scene.look, FINE_CELL_CM), scene), WIDTH, HEIGHT, { from: 0, to: HEIGHT });

/** Light on every pixel as the renderer has it, by channel: what a white surface shows more than a black one. */
export function renderedLight(framing: Framing, source: Source | null, quality: Quality): Float32Array {
  const own = framing.view.albedo.slice();
  const shown = (albedo: number) => {
    framing.view.albedo.fill(albedo);
    if (source === null) return renderSoft(framing, quality);
    return finished(renderSource(framing, source, quality, 1));
  };
  if (source !== null) renderSoft(framing, quality);
  const [white, black] = [shown(1), shown(0)];
  framing.view.albedo.set(own);
  return white.map((value, i) => Math.PI * (value - black[i]!));
}

const luminance = (rgb: ArrayLike<number>, q = 0) => 0.2126 * rgb[q]! + 0.7152 * rgb[q + 1]! + 0.0722 * rgb[q + 2]!;

/** What a card that faces the light gets where the face is: the level that everything is counted from. */
function fullLight({ scene, source }: LightScene): number {
  if (source === null) return softOnCard(scene, [0, 0, 1]);
  const to = source.kind === 'sun' ? source.towards : source.centre;
  return lightAt(source, [0, 0, 0], unit(to), CARD);
}

/** One pixel and its true level, stops under the full light. */
export interface True {
  pixel: number;
  level: number;
}

/** The true light on every skin pixel of a coarse grid, down to five stops under the full light. */
export function truthOf(one: LightScene, framing: Framing, every: number, rays: Rays): True[] {
  const { width, height, material } = framing.view;
  const light = new TrueLight(framing, rays);
  const full = fullLight(one);
  const found: True[] = [];
  for (let j = every >> 1; j < height; j += every)
    for (let i = every >> 1; i < width; i += every) {
      const pixel = j * width + i;
      if (material[pixel] !== MATERIAL.skin) continue;
      const level = Math.log2(luminance(light.on(pixel, one.source)) / full);
      if (level >= -5) found.push({ pixel, level });
    }
  return found;
}

/** The value that a share of sorted figures lies under. */
const quantile = (values: number[], share: number): number =>
  values.sort((a, b) => a - b)[Math.floor(share * (values.length - 1))] ?? 0;

/** How far rendered light lies from the truth, stops: the middle of all, and what 95 of 100 lit pixels stay within. */
export function errorsOf(
  one: LightScene,
  truth: readonly True[],
  light: Float32Array,
): { median: number; medianSize: number; lit95: number; lit: number } {
  const full = fullLight(one);
  const judged = truth.map(({ pixel, level }) => ({
    level,
    off: Math.log2(luminance(light, pixel * 3) / full) - level,
  }));
  const lit = judged.filter(({ level }) => level > -3);
  const sizes = (some: typeof judged) => some.map(({ off }) => Math.abs(off));
  return {
    median: quantile(
      judged.map(({ off }) => off),
      0.5,
    ),
    medianSize: quantile(sizes(judged), 0.5),
    lit95: quantile(sizes(lit), 0.95),
    lit: lit.length,
  };
}
