import { dimmerSettings, type Kit, type Lamp, lampMinutes } from '../gear';
import { choosePowers, FACE_WEIGHT, type PointTarget, targetLevel, usualTarget } from '../lights';
import type { MeteredScene } from '../metering';
import { addLight, remainingLight } from '../photometry';
import type { LightRole, MeteringPoint, PlacedLamp, Setup, Target } from '../setup';
import { askedLamps, restAt } from './askedLamps';
import type { Balance } from './balance';

/** A lamp that does not reach its point at all. */
const NOTHING_EV100 = -10;

/** What a lamp should do, and how it does it; levels are stops against mid grey. */
export interface LampWish {
  targetStops: number;
  /** its point as the lamps burn now */
  totalStops: number;
  /** the dimmer that brings its point to its target, stops below full; null: the rest is there already */
  exactDimStops: number | null;
  /** the nearest setting of the dimmer by what is seen; null: the rest is there already */
  dimStops: number | null;
  /** it burns so already */
  isSet: boolean;
  outOfRange: { direction: 'too-weak' | 'too-strong'; byStops: number } | null;
  /** from how far it does so as it is dimmed now, and at full; null: from nowhere between the ends of the range */
  distanceM: number | null;
  fullDistanceM: number | null;
}

/** What a lamp gives where it falls. */
export interface LampSolution {
  id: string;
  name: string;
  role: LightRole | null;
  pointId: string;
  on: boolean;
  /** its light alone as it is dimmed, on or off */
  ev100: number;
  /** how far that may be off: one standard deviation, stops */
  sdStops: number;
  /** change of the ambient at the point by it, stops; null where the ambient is not metered */
  addsStops: number | null;
  /** its light there over the rest of the ambient, stops; null where the ambient is not metered */
  overAmbientStops: number | null;
  kelvin: number;
  /** how long it burns so on its battery, in this cold; null: on the mains, or not known */
  batteryMinutes: number | null;
  /** null: nothing is asked of it, or what it hangs on is not metered */
  wish: LampWish | null;
}

/** The light of each lamp at its point, what it adds to everything else there, and what it should be set to. */
export function solveLamps(
  setup: Setup,
  kit: Kit,
  scene: MeteredScene,
  now: Balance,
  temperatureC: number | null,
): LampSolution[] {
  const wishes = lampWishes(setup, kit, scene, now);
  return setup.lamps.flatMap((placed): LampSolution[] => {
    const lamp = kit.lamps.find(({ id }) => id === placed.lampId);
    const point = setup.points.find(({ id }) => id === placed.pointId);
    if (lamp === undefined || point === undefined) return [];
    const there = scene.light.lampAt(placed, point);
    const ev100 = there?.alone.stops ?? NOTHING_EV100;
    const rest = there?.restEv100 ?? scene.ambientAt(point).ambientEv100;
    return [
      {
        id: placed.id,
        name: lamp.name,
        role: placed.role,
        pointId: point.id,
        on: placed.on,
        ev100,
        sdStops: there?.alone.sdStops ?? 0,
        addsStops: rest === null ? null : addLight(rest, ev100) - rest,
        overAmbientStops: rest === null ? null : ev100 - rest,
        kelvin: placed.kelvin,
        batteryMinutes: lampMinutes(lamp, placed.dimStops, temperatureC),
        wish: wishes.get(placed.id) ?? null,
      },
    ];
  });
}

/** A lamp that something is asked of, with what it gives at full where it is wanted and elsewhere, stops against mid grey. */
interface AskedLamp {
  placed: PlacedLamp;
  lamp: Lamp;
  point: MeteringPoint;
  /** by point: at full, by the estimate */
  fullStops: Map<string, number>;
}

/** So near a dimmer stands as it should, stops. */
const SET_STOPS = 0.01;
/** Dimmers that are set stay while no light by them is off by more than this: none goes over by itself as time goes by, stops. */
const STAYS_STOPS = 0.075;
const RANGE_M = { least: 0.3, most: 20, steps: 80 };

function lampWishes(setup: Setup, kit: Kit, scene: MeteredScene, now: Balance): Map<string, LampWish> {
  const { camera, look } = now;
  const wishes = new Map<string, LampWish>();
  if (camera === null) return wishes;
  const asked = askedLamps(setup).flatMap((placed): AskedLamp[] => {
    const lamp = kit.lamps.find(({ id }) => id === placed.lampId);
    const point = setup.points.find(({ id }) => id === placed.pointId);
    if (lamp === undefined || point === undefined) return [];
    const fullStops = new Map(
      setup.points.flatMap((at): [string, number][] => {
        const there = scene.light.lampAt({ ...placed, on: true }, at);
        return there === null ? [] : [[at.id, there.alone.stops - placed.dimStops - camera.ev100]];
      }),
    );
    return fullStops.has(point.id) ? [{ placed, lamp, point, fullStops }] : [];
  });
  const places = [...new Set(asked.map(({ point }) => point))].filter(
    (point) => scene.ambientAt(point).ambientEv100 !== null,
  );
  const restStops = (point: MeteringPoint): number | null => {
    const rest = restAt(setup, scene, point);
    return rest === null ? null : rest - camera.ev100;
  };
  /** everything there that is none of these lamps, flash included: linear */
  const others = new Map(
    places.map((point) => {
      const flash = now.points.find(({ pointId }) => pointId === point.id)?.flashStops ?? null;
      const parts = [restStops(point), flash].filter((stops) => stops !== null);
      return [point.id, parts.reduce((sum, stops) => sum + 2 ** stops, 0)];
    }),
  );
  const targets = new Map(
    places.map((point) => [point.id, targetAt(setup, asked, point, look.finalStops, restStops(point))]),
  );
  const solvable = asked.filter(({ point }) => targets.has(point.id));
  const settings = solvable.map(({ lamp }) => dimmerSettings(lamp));
  const gain = ({ fullStops }: AskedLamp, pointId: string) => {
    const stops = fullStops.get(pointId);
    return stops === undefined ? 0 : 2 ** stops;
  };
  const { powersStops } = choosePowers({
    gains: places.map((point) => solvable.map((one) => gain(one, point.id))),
    ambient: places.map((point) => others.get(point.id) ?? 0),
    targets: places.flatMap((point) => targets.get(point.id) ?? []),
    settings,
  });
  /** what a point comes to as the lamps burn now, stops against mid grey */
  const burningAt = (point: MeteringPoint): number => {
    const light = solvable.reduce(
      (sum, other) => sum + (other.placed.on ? gain(other, point.id) * 2 ** other.placed.dimStops : 0),
      others.get(point.id) ?? 0,
    );
    return Math.log2(Math.max(1e-9, light));
  };
  const offAt = (point: MeteringPoint) => Math.abs(burningAt(point) - (targets.get(point.id)?.stops ?? Infinity));
  const stay = solvable.every(({ placed, point }) => placed.on && offAt(point) <= STAYS_STOPS);
  solvable.forEach((one, index) => {
    const { placed, point } = one;
    const target = targets.get(point.id);
    if (target === undefined) return;
    const beside = solvable.reduce(
      (sum, other, at) => (at === index ? sum : sum + gain(other, point.id) * 2 ** (powersStops[at] ?? 0)),
      others.get(point.id) ?? 0,
    );
    const burning = burningAt(point);
    const wanted = beside <= 0 ? target.stops : remainingLight(target.stops, Math.log2(beside));
    const exactDimStops = wanted === undefined ? null : wanted - (one.fullStops.get(point.id) ?? 0);
    const dimStops = exactDimStops === null ? null : stay ? placed.dimStops : (powersStops[index] ?? 0);
    wishes.set(placed.id, {
      targetStops: target.stops,
      totalStops: burning,
      exactDimStops,
      dimStops,
      isSet: placed.on && dimStops !== null && Math.abs(placed.dimStops - dimStops) < SET_STOPS,
      outOfRange: exactDimStops === null ? null : rangeMiss(settings[index] ?? [0], exactDimStops),
      distanceM: wanted === undefined ? null : distanceFor(one, placed.dimStops, wanted + camera.ev100, scene),
      fullDistanceM: wanted === undefined ? null : distanceFor(one, 0, wanted + camera.ev100, scene),
    });
  });
  return wishes;
}

/**
 * What a lamp's point should come to: as it was said, else by the lamp's role.
 * @param restStops what is there without these lamps, stops against mid grey; null: nothing
 */
function targetAt(
  setup: Setup,
  asked: readonly AskedLamp[],
  point: MeteringPoint,
  finalStops: number,
  restStops: number | null,
): PointTarget {
  if (point.role === 'face') return { kind: 'value', stops: finalStops, weight: FACE_WEIGHT };
  const role = asked.find((one) => one.point === point)?.placed.role ?? 'key';
  const usual = usualTarget({ role, aimPointId: point.id }, finalStops, setup);
  const said = setup.look.targets.find(({ pointId }) => pointId === point.id);
  const level = (target: Target) => targetLevel(target, setup, finalStops, restStops);
  return (said === undefined ? null : level(said)) ?? level(usual) ?? { kind: 'value', stops: finalStops, weight: 1 };
}

function rangeMiss(settings: readonly number[], exactStops: number): LampWish['outOfRange'] {
  const least = settings.at(-1) ?? 0;
  const halfStep = (settings.at(-2) ?? 0) - least;
  if (exactStops > SET_STOPS) return { direction: 'too-weak', byStops: exactStops };
  if (exactStops < least - halfStep - SET_STOPS) return { direction: 'too-strong', byStops: least - exactStops };
  return null;
}

/**
 * From how far a lamp gives a level at its point, dimmed by so much: the nearest such place to where it stands. Its stated
 * light by the geometry there, and what readings of it have taught.
 */
function distanceFor(
  { placed, point }: AskedLamp,
  dimStops: number,
  wantedEv100: number,
  { light }: MeteredScene,
): number | null {
  const learned = (light.lampAt(placed, point)?.alone.stops ?? 0) - (light.statedLampAt(placed, point) ?? 0);
  const over = (distanceM: number) =>
    (light.statedLampAt({ ...placed, distanceM, dimStops }, point) ?? NOTHING_EV100) + learned - wantedEv100;
  const { least, most, steps } = RANGE_M;
  const places = Array.from({ length: steps + 1 }, (_, i) => least * (most / least) ** (i / steps));
  const crossings = places.slice(1).flatMap((farM, i): number[] => {
    const nearM = places[i] ?? least;
    return over(nearM) >= 0 && over(farM) < 0 ? [crossing(over, nearM, farM)] : [];
  });
  const offBy = (distanceM: number) => Math.abs(Math.log2(distanceM / placed.distanceM));
  return crossings.reduce<number | null>((best, one) => (best === null || offBy(one) < offBy(best) ? one : best), null);
}

function crossing(over: (distanceM: number) => number, nearM: number, farM: number): number {
  let [near, far] = [nearM, farM];
  for (let i = 0; i < 40; i += 1) {
    const middle = (near + far) / 2;
    if (over(middle) >= 0) near = middle;
    else far = middle;
  }
  return (near + far) / 2;
}
