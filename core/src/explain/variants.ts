import { type Change, sameValue } from '../documents';
import {
  LIGHT_FIELDS,
  type Light,
  type LightField,
  lightPath,
  type OpenSide,
  type Setting,
  SETTING_PATHS,
  settingAt,
  type Setup,
  type Variant,
  withSettings,
} from '../setup';
import { type Placement, placementsFor } from '../stage';

/** What a variant may have otherwise. */
const PARTS = [
  'look',
  'camera',
  'lights',
  'lamps',
  'panels',
  'stage',
  'backgroundM',
  'backdrop',
  'colour',
] as const satisfies readonly (keyof Setup & keyof Variant)[];

/** What is dialled on camera and flashes is where hands left it, whatever picture is wished for: no variant has it. */
const OF_HANDS: readonly string[] = ['camera.stands', 'camera'];

/** The setup in force as a variant that is set aside. */
export function setAside(setup: Setup, id: string, name: string): Variant {
  const { look, camera, lights, lamps, panels, stage, backgroundM, backdrop, colour } = setup;
  return { id, name, from: setup.variantOf, look, camera, lights, lamps, panels, stage, backgroundM, backdrop, colour };
}

/** A light of a variant with the power that its unit stands at now. */
const asItStands = (light: Light, now: readonly Light[]): Light => {
  const same = now.find(({ id }) => id === light.id);
  return same === undefined ? light : { ...light, dialledStops: same.dialledStops };
};

/** What brings the setup to a variant; what is dialled on camera and flashes stays as it is. */
export function toVariant(setup: Setup, variant: Variant): Setting[] {
  const lights = variant.lights.map((light) => asItStands(light, setup.lights));
  const wanted = { ...variant, lights, camera: { ...variant.camera, stands: setup.camera.stands } };
  return [
    ...PARTS.filter((part) => !sameValue(wanted[part], setup[part])).map((part): Setting => ({
      path: part,
      value: wanted[part],
    })),
    { path: 'variantOf', value: variant.id },
  ];
}

/** The setup as a variant has it. */
export function asVariant(setup: Setup, variant: Variant): Setup {
  const there = withSettings(setup, toVariant(setup, variant));
  return there.ok ? there.value : setup;
}

/** The things that hands or dials change, each with what it costs to carry it, in the effort of a walk to a light. */
const CARRIED = {
  look: 0.2,
  camera: 0.3,
  colour: 1,
  'light-place': 1,
  'light-gear': 1,
  'light-set': 0.3,
  'light-list': 3,
  lamps: 2,
  panels: 2,
  stage: 1,
  background: 2,
} as const;
export type ChangedThing = keyof typeof CARRIED;

/** One thing in which two ways of making a picture differ. */
export interface VariantDifference {
  thing: ChangedThing;
  /** the light that it is about; null for anything else */
  lightId: string | null;
  settings: Change['settings'];
}

const PLACE: readonly LightField[] = ['standId', 'distanceM', 'placeSaid', 'sideDeg', 'heightM', 'featherDeg'];
const GEAR: readonly LightField[] = ['unitId', 'outlet', 'zoomMm', 'modifierId', 'gridId', 'gelIds'];
/** Told by another field, or by nobody's wish. */
const NOT_COMPARED: readonly LightField[] = ['dialledStops', 'placeSaid'];

const thingOf = (field: LightField): ChangedThing =>
  PLACE.includes(field) ? 'light-place' : GEAR.includes(field) ? 'light-gear' : 'light-set';

/** What differs in the lights: one that came or went is one thing, else place, gear and the rest of each. */
function ofLights(before: Setup, after: Setup): VariantDifference[] {
  const ids = (setup: Setup) => setup.lights.map(({ id }) => id);
  if (!sameValue(ids(before), ids(after)))
    return [
      { thing: 'light-list', lightId: null, settings: [{ path: 'lights', from: before.lights, to: after.lights }] },
    ];
  return after.lights.flatMap((light, index) => {
    const things = new Map<ChangedThing, VariantDifference>();
    for (const field of LIGHT_FIELDS) {
      const [from, to] = [before.lights[index]?.[field] ?? null, light[field]];
      if (NOT_COMPARED.includes(field) || sameValue(from, to)) continue;
      const thing = thingOf(field);
      const known = things.get(thing) ?? { thing, lightId: light.id, settings: [] };
      known.settings.push({ path: lightPath(index, field), from, to });
      things.set(thing, known);
    }
    return [...things.values()];
  });
}

/** The settings within a part that differ, as finely as they have names of their own. */
function within(
  part: 'look' | 'camera' | 'stage' | 'colour',
  before: Setup,
  after: Setup,
): VariantDifference['settings'] {
  const differ = SETTING_PATHS.filter((path) => path === part || path.startsWith(`${part}.`)).filter(
    (path) => path !== 'camera.stands' && !sameValue(settingAt(before, path), settingAt(after, path)),
  );
  // a part is named by itself only where nothing in it is
  const finest = differ.filter((path) => !differ.some((other) => other.startsWith(`${path}.`)));
  return finest
    .filter((path) => !OF_HANDS.includes(path))
    .map((path) => ({ path, from: settingAt(before, path) ?? null, to: settingAt(after, path) ?? null }));
}

/** In which things one setup differs from another: empty where they make the same picture in the same way. */
export function differences(before: Setup, after: Setup): VariantDifference[] {
  const whole = (part: 'lamps' | 'panels' | 'backgroundM' | 'backdrop') =>
    sameValue(before[part], after[part]) ? [] : [{ path: part, from: before[part], to: after[part] }];
  const others = [
    { thing: 'look', settings: within('look', before, after) },
    { thing: 'camera', settings: within('camera', before, after) },
    { thing: 'lamps', settings: whole('lamps') },
    { thing: 'panels', settings: whole('panels') },
    { thing: 'stage', settings: within('stage', before, after) },
    { thing: 'background', settings: [...whole('backgroundM'), ...whole('backdrop')] },
    { thing: 'colour', settings: within('colour', before, after) },
  ] as const;
  return [
    ...ofLights(before, after),
    ...others.flatMap(({ thing, settings }) =>
      settings.length === 0 ? [] : [{ thing, lightId: null, settings: [...settings] }],
    ),
  ];
}

/** A step of an order: which one comes, and what is done for it. */
export interface VariantStep {
  /** its place in the list that was ordered */
  index: number;
  changes: VariantDifference[];
}

/** Each thing past the first costs more than whatever may be carried: one thing is changed at a time where that is possible. */
const ANOTHER_THING = 10;

/** What it takes to come from one setup to another. */
function effort(changes: readonly VariantDifference[]): number {
  const carried = changes.reduce((sum, { thing }) => sum + CARRIED[thing], 0);
  return carried + ANOTHER_THING * Math.max(0, changes.length - 1);
}

/**
 * The order in which setups are made one after the other so that one thing changes per step and least is carried: the best of
 * all orders. Held and Karp's method, doi:10.1137/0110015.
 * @param now what stands already  @param wished at most eight
 */
export function inOrder(now: Setup, wished: readonly Setup[]): VariantStep[] {
  const all = [now, ...wished];
  const between = all.map((from) => all.map((to) => differences(from, to)));
  const cost = between.map((row) => row.map(effort));
  const full = (1 << wished.length) - 1;
  /** by the set of those that were made and the last of them: the least effort, and which came before */
  const best = new Map<string, { effort: number; before: number }>();
  const key = (made: number, last: number) => `${made} ${last}`;
  for (let made = 1; made <= full; made += 1)
    wished.forEach((_, last) => {
      if ((made & (1 << last)) === 0) return;
      const rest = made & ~(1 << last);
      const first = { effort: cost[0]?.[last + 1] ?? Infinity, before: -1 };
      const candidates = wished.flatMap((__, before) => {
        const known = best.get(key(rest, before));
        return known === undefined
          ? []
          : [{ effort: known.effort + (cost[before + 1]?.[last + 1] ?? Infinity), before }];
      });
      const least = rest === 0 ? first : candidates.reduce((a, b) => (b.effort < a.effort ? b : a));
      best.set(key(made, last), least);
    });
  const order: number[] = [];
  let made = full;
  let last = wished.reduce((least, _, index) => {
    const effortOf = (at: number) => best.get(key(full, at))?.effort ?? Infinity;
    return effortOf(index) < effortOf(least) ? index : least;
  }, 0);
  while (made > 0 && last >= 0) {
    order.unshift(last);
    const before = best.get(key(made, last))?.before ?? -1;
    made &= ~(1 << last);
    last = before;
  }
  return order.map((index, at) => ({
    index,
    changes: between[at === 0 ? 0 : (order[at - 1] ?? 0) + 1]?.[index + 1] ?? [],
  }));
}

/** Nearer than this to where a light stands already is not another place. */
const SAME_PLACE = { deg: 15, m: 0.3 };

/**
 * A starting place for a light where it stands in no variant yet; undefined where all were tried.
 * @param openSide where the ambient comes from; null: nothing tells
 */
export function anotherPlace(setup: Setup, index: number, openSide: OpenSide | null): Placement | undefined {
  const own = setup.lights[index];
  if (own === undefined) return undefined;
  const tried = [own, ...setup.variants.flatMap(({ lights }) => lights.filter(({ id }) => id === own.id))];
  return placementsFor(setup, index, openSide).find(({ settings }) => {
    const there = withSettings(setup, settings);
    const light = there.ok ? there.value.lights[index] : undefined;
    return light !== undefined && tried.every((one) => !isSamePlace(light, one));
  });
}

const isSamePlace = (a: Light, b: Light): boolean =>
  Math.abs(((a.sideDeg - b.sideDeg + 540) % 360) - 180) < SAME_PLACE.deg &&
  Math.abs(a.distanceM - b.distanceM) < SAME_PLACE.m &&
  Math.abs(a.heightM - b.heightM) < SAME_PLACE.m;
