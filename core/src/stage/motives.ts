import { FLASH_COLOUR, gelled, type LightColour, miredOf, shiftedKelvin } from '../colour';
import { aimPlace, EYES, isIndoors, type SunStand } from '../gain';
import type { Balance } from '../balance';
import type { MeteredScene } from '../metering';
import { lightPlace, minus, type Place, wrapDeg } from '../scene';
import { type Motive, PANEL_FACTS, type Setup } from '../setup';

/** A motivated light no longer agrees with what it stands for. */
export type MotiveWatch =
  | { kind: 'motive-direction'; lightId: string; standsFor: Motive; offDeg: number; sideDeg: number }
  | { kind: 'two-suns'; lightId: string; offDeg: number; sideDeg: number }
  | { kind: 'motive-height'; lightId: string; standsFor: Motive; overGroundM: number; mostM: number }
  | { kind: 'motive-rise'; lightId: string; riseDeg: number; mostDeg: number }
  | {
      kind: 'motive-colour';
      lightId: string;
      standsFor: Motive;
      kelvin: number;
      warmestKelvin: number;
      coolestKelvin: number;
    }
  | { kind: 'motive-level'; lightId: string; standsFor: Motive; overAmbientStops: number; byStops: number };

/** Every kind of it. */
export const MOTIVE_WATCH_KINDS = [
  'motive-direction',
  'two-suns',
  'motive-height',
  'motive-rise',
  'motive-colour',
  'motive-level',
] as const satisfies readonly MotiveWatch['kind'][];

export const isMotiveWatch = (watch: { kind: string }): watch is MotiveWatch =>
  (MOTIVE_WATCH_KINDS as readonly string[]).includes(watch.kind);

/** What a source of a kind is like: its colours, how high it stands, how it stands to the light that is there. */
interface MotiveFacts {
  warmestKelvin: number;
  coolestKelvin: number;
  /** over the ground, metres; null: as high as it likes */
  mostM: number | null;
  /** over the ambient where it falls, stops */
  least: number;
  most: number;
}

/**
 * Usual values: low sun 2 500 to 4 500 K; windows from sunlit to deep shade; household lamps; headlights from halogen to
 * LED, at most 1.2 m high; fire on the ground. A sun that lies under the shade's own light is not believed.
 */
const MOTIVE_FACTS: Record<Motive, MotiveFacts> = {
  lowSun: { warmestKelvin: 2500, coolestKelvin: 4500, mostM: null, least: 0, most: 4 },
  window: { warmestKelvin: 4500, coolestKelvin: 9000, mostM: null, least: -2, most: 4 },
  lamp: { warmestKelvin: 2400, coolestKelvin: 3400, mostM: null, least: -3, most: 2.5 },
  headlight: { warmestKelvin: 3000, coolestKelvin: 6500, mostM: 1.2, least: -2, most: 6 },
  fire: { warmestKelvin: 1600, coolestKelvin: 2400, mostM: 0.9, least: -2, most: 4 },
};

/** From another side than this the eye believes no source, degrees. */
const OFF_DEG = 30;
/** A low sun lights from no higher than this. */
const LOW_SUN_DEG = 25;
/** A colour beside what a source can have is seen from here on, mired. */
const OFF_MIRED = 25;
/** A lamp in the picture has its own colour; what stands for it may differ by this, mired. */
const OWN_LAMP_MIRED = 30;
const DEGREES = 180 / Math.PI;

/** A light or a lamp that stands for something. */
interface Motivated {
  id: string;
  standsFor: Motive;
  at: Place;
  colour: LightColour;
  /** over the ambient where it is meant to fall, stops; null where one of them is not known */
  overAmbientStops: number | null;
}

/** Every motivated light and lamp that says what it stands for. */
function motivatedOf(setup: Setup, { light }: MeteredScene, now: Balance): Motivated[] {
  const placeOf = (aimPointId: string, stand: { distanceM: number; sideDeg: number; heightM: number }) =>
    lightPlace(aimPlace(setup, aimPointId), stand);
  const lights = now.usable.flatMap(({ light: one, config }): Motivated[] => {
    if (one.role !== 'motivated' || one.standsFor === null) return [];
    const point = now.points.find(({ pointId }) => pointId === one.aimPointId);
    const stops = point?.sources.find(({ lightId }) => lightId === one.id)?.stops;
    const overAmbientStops = stops === undefined || point?.ambientStops == null ? null : stops - point.ambientStops;
    const colour = gelled(FLASH_COLOUR, config.gels);
    return [{ id: one.id, standsFor: one.standsFor, at: placeOf(one.aimPointId, one), colour, overAmbientStops }];
  });
  const lamps = setup.lamps.flatMap((one): Motivated[] => {
    const point = setup.points.find(({ id }) => id === one.pointId);
    if (one.role !== 'motivated' || one.standsFor === null || !one.on || point === undefined) return [];
    const there = light.lampAt(one, point);
    const overAmbientStops = there?.restEv100 == null ? null : there.alone.stops - there.restEv100;
    const colour = { kelvin: one.kelvin, greenCc: 0 };
    return [{ id: one.id, standsFor: one.standsFor, at: placeOf(one.pointId, one), colour, overAmbientStops }];
  });
  return [...lights, ...lamps];
}

/** What motivated lights no longer agree with. @param sun where it stands; null: there is none */
export function watchMotives(setup: Setup, scene: MeteredScene, now: Balance, sun: SunStand | null): MotiveWatch[] {
  return motivatedOf(setup, scene, now).flatMap((one) => [
    ...direction(one, setup, scene, sun),
    ...height(one, setup),
    ...colour(one, setup),
    ...level(one),
  ]);
}

const sideOf = ({ x, z }: Place): number => Math.atan2(x, z) * DEGREES;

/** From which side what it stands for would come, where the setup shows it; null where nothing does. */
function sideOfMotive(
  { id, standsFor, at }: Motivated,
  setup: Setup,
  { openSide }: MeteredScene,
  sun: SunStand | null,
): number | null {
  const nearest = (sides: readonly number[]): number | null =>
    sides.reduce<number | null>(
      (best, side) =>
        best === null || Math.abs(wrapDeg(side - sideOf(at))) < Math.abs(wrapDeg(best - sideOf(at))) ? side : best,
      null,
    );
  switch (standsFor) {
    case 'lowSun':
      return sun !== null && sun.altitudeDeg > 0 && !isIndoors(setup) ? sun.sideDeg : null;
    case 'window': {
      const openings = setup.panels.filter(({ kind }) => PANEL_FACTS[kind].opening).map(({ sideDeg }) => sideDeg);
      const side = openSide?.side;
      return nearest(openings) ?? (side === 'left' ? -90 : side === 'right' ? 90 : null);
    }
    case 'lamp':
      return nearest(setup.lamps.filter((lamp) => lamp.id !== id && lamp.on).map(({ sideDeg }) => sideDeg));
    case 'headlight':
    case 'fire':
      return null;
  }
}

function direction(one: Motivated, setup: Setup, scene: MeteredScene, sun: SunStand | null): MotiveWatch[] {
  const wanted = sideOfMotive(one, setup, scene, sun);
  if (wanted === null) return [];
  const offDeg = Math.abs(wrapDeg(sideOf(one.at) - wanted));
  if (offDeg <= OFF_DEG) return [];
  const [lightId, sideDeg] = [one.id, Math.round(wrapDeg(wanted))];
  // where the sun itself falls on something in the picture, both would show
  const shines = one.standsFor === 'lowSun' && setup.points.some(({ standsIn }) => standsIn === 'sun');
  return [
    shines
      ? { kind: 'two-suns', lightId, offDeg, sideDeg }
      : { kind: 'motive-direction', lightId, standsFor: one.standsFor, offDeg, sideDeg },
  ];
}

function height({ id: lightId, standsFor, at }: Motivated, { stage }: Setup): MotiveWatch[] {
  if (standsFor === 'lowSun') {
    const to = minus(at, EYES);
    const riseDeg = Math.atan2(to.y, Math.hypot(to.x, to.z)) * DEGREES;
    return riseDeg > LOW_SUN_DEG ? [{ kind: 'motive-rise', lightId, riseDeg, mostDeg: LOW_SUN_DEG }] : [];
  }
  const { mostM } = MOTIVE_FACTS[standsFor];
  const overGroundM = at.y + stage.subject.eyesM;
  return mostM === null || overGroundM <= mostM
    ? []
    : [{ kind: 'motive-height', lightId, standsFor, overGroundM, mostM }];
}

/** The colours that what it stands for may have: a lamp in the picture has its own. */
function coloursOf({ id, standsFor }: Motivated, { lamps }: Setup): [warmest: number, coolest: number] {
  const { warmestKelvin, coolestKelvin } = MOTIVE_FACTS[standsFor];
  const shown = standsFor === 'lamp' ? lamps.find((lamp) => lamp.id !== id && lamp.on) : undefined;
  if (shown === undefined) return [warmestKelvin, coolestKelvin];
  return [shiftedKelvin(shown.kelvin, OWN_LAMP_MIRED), shiftedKelvin(shown.kelvin, -OWN_LAMP_MIRED)];
}

function colour(one: Motivated, setup: Setup): MotiveWatch[] {
  const [warmestKelvin, coolestKelvin] = coloursOf(one, setup);
  const { kelvin } = one.colour;
  const tooWarm = miredOf(kelvin) - miredOf(warmestKelvin);
  const tooCool = miredOf(coolestKelvin) - miredOf(kelvin);
  if (Math.max(tooWarm, tooCool) <= OFF_MIRED) return [];
  return [{ kind: 'motive-colour', lightId: one.id, standsFor: one.standsFor, kelvin, warmestKelvin, coolestKelvin }];
}

function level({ id: lightId, standsFor, overAmbientStops }: Motivated): MotiveWatch[] {
  if (overAmbientStops === null) return [];
  const { least, most } = MOTIVE_FACTS[standsFor];
  const byStops = overAmbientStops < least ? least - overAmbientStops : most - overAmbientStops;
  if (overAmbientStops >= least && overAmbientStops <= most) return [];
  return [{ kind: 'motive-level', lightId, standsFor, overAmbientStops, byStops }];
}
