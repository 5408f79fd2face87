import { kelvinOf, miredOf } from '../colour';
import { dimmerSettings, type Kit, offered } from '../gear';
import type { Fact } from '../metering';
import type { LookLamp, LookPanel, LookPicture } from '../record';
import { wrapDeg } from '../scene';
import { heightAt, PANEL_FACTS, type Panel, type PlacedLamp, type Setup } from '../setup';
import { solveNumbers } from '../solution';
import { halfTan, type LookIds, measured, NEAREST_M, RADIANS } from './placeLights';

/** Farther away nobody holds a reflector for one face, m. */
const FARTHEST_PANEL_M = 3;
const MOST_LAMPS = 6;
const MOST_PANELS = 8;
/** Where nobody said the ambient's colour, a lamp is as daylight. */
const DAYLIGHT_K = 5600;
/** So many mireds off weigh as much as a stop. */
const MIRED_A_STOP = 60;

const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));

/** A side as it is counted here, from what is counted from the nose. */
const sideOf = (noseDeg: number, { stage }: Setup): number =>
  Math.round(wrapDeg(noseDeg + stage.subject.turnDeg) * 10) / 10;

/** The colour of a lamp that stands to the ambient as in the look. */
function kelvinFor({ ambientMired }: LookLamp, { points, colour }: Setup): number {
  const face = points.find(({ role }) => role === 'face');
  const ambient = colour.ambient.find(({ pointId }) => pointId === face?.id);
  if (ambient === undefined || ambientMired === null) return DAYLIGHT_K;
  return kelvinOf(miredOf(ambient.kelvin) + ambientMired);
}

/** A lamp of the kit as it would do what one of the look does, and how far that is off, in stops. */
function tried(
  wanted: LookLamp,
  lamp: Kit['lamps'][number],
  like: PlacedLamp,
  base: Setup,
  solve: (setup: Setup) => number | null,
) {
  const exact = kelvinFor(wanted, base);
  const kelvin = Math.round(clamp(exact, lamp.kelvinLow, lamp.kelvinHigh));
  const colourOff = Math.abs(miredOf(kelvin) - miredOf(exact)) / MIRED_A_STOP;
  const placed = { ...like, lampId: lamp.id, kelvin, dimStops: 0 };
  const full = solve({ ...base, lamps: [...base.lamps, placed] });
  if (wanted.overAmbientStops === null || full === null) return { placed, off: colourOff };
  const need = wanted.overAmbientStops - full;
  const dimStops = dimmerSettings(lamp).reduce(
    (best, one) => (Math.abs(one - need) < Math.abs(best - need) ? one : best),
    0,
  );
  return { placed: { ...placed, dimStops }, off: colourOff + Math.abs(dimStops - need) };
}

/**
 * Lamps of the kit that do what those of a look do: as bright over the rest of the ambient and as warm against it. Lamps that
 * do nothing in the picture belong to the place and stay.
 */
export function lampsFor(
  look: LookPicture,
  base: Setup,
  kit: Kit,
  facts: readonly Fact[],
  clock: Date,
  ids: LookIds,
): PlacedLamp[] {
  let lamps = base.lamps.filter(({ role }) => role === null);
  for (const wanted of look.lamps) {
    const aim = base.points.find(({ role }) => role === wanted.aims);
    if (aim === undefined || lamps.length === MOST_LAMPS) continue;
    const own = base.lamps.find(({ id, role }) => role === wanted.role && !lamps.some((one) => one.id === id));
    const taken = new Set(lamps.map(({ lampId }) => lampId));
    const free = offered(kit.lamps)
      .filter(({ id }) => !taken.has(id))
      .sort((a, b) => Number(b.id === own?.lampId) - Number(a.id === own?.lampId));
    const id = own?.id ?? ids.lightId();
    const distanceM = measured(wanted.distanceM);
    const like: PlacedLamp = {
      id,
      lampId: '',
      pointId: aim.id,
      distanceM,
      sideDeg: sideOf(wanted.noseDeg, base),
      heightM: heightAt({ distanceM: 1, heightM: Math.sin(wanted.riseDeg * RADIANS) }, distanceM),
      offAxisDeg: 0,
      on: true,
      dimStops: 0,
      kelvin: DAYLIGHT_K,
      role: wanted.role,
      standsFor: wanted.standsFor,
      fromDusk: false,
    };
    const solve = (setup: Setup): number | null =>
      solveNumbers(setup, kit, facts, clock).numbers.lamps.find((lamp) => lamp.id === id)?.overAmbientStops ?? null;
    const [best] = free
      .map((lamp) => tried(wanted, lamp, like, { ...base, lamps }, solve))
      .sort((a, b) => a.off - b.off);
    if (best !== undefined) lamps = [...lamps, best.placed];
  }
  return lamps;
}

/** A panel of a look here; null where the kit has no such reflector. */
function panelFor(wanted: LookPanel, base: Setup, kit: Kit, ids: LookIds): Panel | null {
  const at = (distanceM: number) => ({
    sideDeg: sideOf(wanted.noseDeg, base),
    distanceM,
    heightM: heightAt({ distanceM: 1, heightM: Math.sin(wanted.riseDeg * RADIANS) }, distanceM),
    turnedDeg: wanted.turnedDeg,
  });
  const plain = {
    id: ids.lightId(),
    kind: wanted.kind,
    standId: null,
    surface: wanted.surface,
    movedAt: null,
    before: null,
  };
  const acrossOf = (distanceM: number) => clamp(2 * distanceM * halfTan(wanted.sizeDeg), 0.1, 20);
  if (wanted.kind !== 'reflector') {
    const side = Number(acrossOf(wanted.distanceM).toFixed(2));
    return {
      ...plain,
      ...at(wanted.distanceM),
      reflectorId: null,
      widthM: side,
      tallM: side,
      takesStops: wanted.takesStops,
    };
  }
  const width = Math.max(1e-3, 2 * halfTan(wanted.sizeDeg));
  const fits = offered(kit.reflectors)
    .filter(({ surfaces }) => surfaces.includes(wanted.surface))
    .map((reflector) => {
      const exactM = reflector.diameterM / width;
      const distanceM = clamp(measured(exactM), NEAREST_M, FARTHEST_PANEL_M);
      return { reflector, distanceM, off: Math.abs(Math.log2(distanceM / exactM)) };
    })
    .sort((a, b) => a.off - b.off);
  const [best] = fits;
  if (best === undefined) return null;
  const { diameterM, id } = best.reflector;
  return {
    ...plain,
    ...at(best.distanceM),
    reflectorId: id,
    widthM: diameterM,
    tallM: diameterM,
    takesStops: wanted.takesStops,
  };
}

/** Panels of a look with the reflectors at hand. Openings belong to the place; a look without panels leaves what is there. */
export function panelsFor(look: LookPicture, base: Setup, kit: Kit, ids: LookIds): Panel[] {
  if (look.panels.length === 0) return base.panels;
  const openings = base.panels.filter(({ kind }) => PANEL_FACTS[kind].opening);
  const brought = look.panels.flatMap((wanted) => panelFor(wanted, base, kit, ids) ?? []);
  return [...openings, ...brought].slice(0, MOST_PANELS);
}
