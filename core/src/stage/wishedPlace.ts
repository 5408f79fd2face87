import type { Kit } from '../gear';
import type { UsableLight } from '../lights';
import { apparentSizeDeg, beamLossStops, distanceForChange, falloffStops } from '../modifiers';
import { type Light, lightPath, type Setting, type Setup } from '../setup';
import { Falls } from './falls';
import { halfBeamDeg, RADIANS, setupView } from './stageLights';

/** Stands go from an arm's length to the far end of a hall. */
const RANGE_M = { least: 0.3, most: 30 } as const;
/** Finer than a stand is put. */
const CENTIMETRES = 100;

/** A light at a distance that does what is wished, with what it then does. */
export interface Pool {
  distanceM: number;
  /** at the edge of the pool against its middle, stops: the beam and the longer way */
  edgeStops: number;
  /** at the feet of who stands in it against the face, stops; null where it does not reach one of them */
  feetStops: number | null;
  settings: Setting[];
}

/** A light that falls on a scene as the sun does. */
export interface AsSun {
  distanceM: number;
  /** across the source, seen from what it aims at */
  sizeDeg: number;
  /** from the front of the scene to its back, stops */
  fallsStops: number;
  settings: Setting[];
}

const rounded = (distanceM: number): number => Math.round(distanceM * CENTIMETRES) / CENTIMETRES;
const settingsFor = (index: number, distanceM: number): Setting[] => [
  { path: lightPath(index, 'distanceM'), value: distanceM },
];

/**
 * From where a light draws a pool of a width: to where half of its beam's light is left, with grid, zoom or snoot as it has them.
 * null where a stand cannot be so near or far.
 */
export function poolOf(
  setup: Setup,
  kit: Kit,
  { index, light, config }: Pick<UsableLight, 'index' | 'light' | 'config'>,
  widthM: number,
): Pool | null {
  const halfDeg = halfBeamDeg(config.beam);
  const distanceM = rounded(widthM / 2 / Math.tan(halfDeg * RADIANS));
  if (distanceM < RANGE_M.least || distanceM > RANGE_M.most) return null;
  const there: Light = { ...light, distanceM };
  const edgeM = Math.hypot(distanceM, widthM / 2);
  return {
    distanceM,
    edgeStops: -beamLossStops(config.beam, halfDeg) - falloffStops(config.modifier.shape, distanceM, edgeM),
    feetStops: new Falls(setup, kit, setupView(setup, kit).view).feetStops(there, config),
    settings: settingsFor(index, distanceM),
  };
}

/** The sun is half a degree across; up to this a source still draws a hard edge, degrees. */
const LARGEST_SUN_DEG = 2;

/**
 * From how far a light falls on a scene as the sun does: its depth stays within so many stops, and the source is under 2°
 * across. null where no stand goes so far back.
 */
export function asSun(
  { index, config: { modifier } }: Pick<UsableLight, 'index' | 'config'>,
  depthM: number,
  withinStops: number,
): AsSun | null {
  const { shape } = modifier;
  const does = (distanceM: number) =>
    falloffStops(shape, distanceM, distanceM + depthM) <= withinStops &&
    apparentSizeDeg(shape, distanceM) <= LARGEST_SUN_DEG;
  if (!does(RANGE_M.most)) return null;
  let [near, far] = [RANGE_M.least, RANGE_M.most] as [number, number];
  for (let i = 0; i < 40; i += 1) {
    const middle = (near + far) / 2;
    if (does(middle)) far = middle;
    else near = middle;
  }
  const distanceM = Math.min(RANGE_M.most, Math.ceil(far * CENTIMETRES) / CENTIMETRES);
  return {
    distanceM,
    sizeDeg: apparentSizeDeg(shape, distanceM),
    fallsStops: falloffStops(shape, distanceM, distanceM + depthM),
    settings: settingsFor(index, distanceM),
  };
}

/** So little is seen by nobody, stops. */
const HELD_STOPS = 0.25;

/** From where to where before and behind what it aims at a light holds within a quarter of a stop, metres from the light. */
export function heldBetween({ light, config: { modifier } }: Pick<UsableLight, 'light' | 'config'>): {
  nearM: number;
  farM: number;
} {
  const at = (stops: number, otherwiseM: number) =>
    distanceForChange(modifier.shape, light.distanceM, stops, 0.01, 100) ?? otherwiseM;
  return { nearM: at(HELD_STOPS, 0.01), farM: at(-HELD_STOPS, 100) };
}
