import { balance } from '../balance';
import { type Kit, offered, type Surface } from '../gear';
import { meterScene } from '../metering';
import { type Panel, PANEL_FACTS } from '../setup';
import { type ReflectorPlace, usualStands } from './panelPlaces';
import { faceContrastOf, type Trial, tryPanel } from './tryPanel';

/** A place of a panel, and the contrast of the face that it then gives: lit side over dark side, flash included. */
export interface PanelPlace {
  distanceM: number;
  contrastStops: number;
}

/** From how far a panel gives a wished contrast. */
export interface PanelAnswer {
  /** of the kit, or null for the panel's own size; and its side that looks at the face */
  reflectorId: string | null;
  surface: Surface;
  /** a usual place that it is moved to; null: it stays on its side and at its height */
  place: ReflectorPlace | null;
  stand: Pick<Panel, 'sideDeg' | 'heightM' | 'turnedDeg'>;
  /** the distance that gives it; null: none does */
  at: PanelPlace | null;
  /** what comes nearest to it, where none gives it */
  nearest: PanelPlace;
}

/** So near a contrast is met, stops. */
const MET_STOPS = 0.03;
const COARSE_STEPS = 7;
const FINE_STEPS = 6;
/** Reflectors are held between arm's length and the far side of a room; from openings people step farther. */
const RANGE_M = { held: { least: 0.35, most: 4 }, opening: { least: 0.7, most: 9 } };

type Held = Pick<PanelAnswer, 'reflectorId' | 'surface' | 'place' | 'stand'>;

/** Where a panel gives a contrast: the place nearest to where it stands. null before face and dark side are metered. */
function answerFor(trial: Trial, panel: Panel, held: Held, wantedStops: number): PanelAnswer | null {
  const { least, most } = PANEL_FACTS[panel.kind].opening ? RANGE_M.opening : RANGE_M.held;
  const { reflectorId, surface, stand } = held;
  const placeAt = (distanceM: number): PanelPlace | null => {
    const tried = tryPanel(trial, panel, { reflectorId, surface, ...stand, distanceM });
    const contrastStops = faceContrastOf(tried.now);
    return contrastStops === null ? null : { distanceM, contrastStops };
  };
  const places = Array.from({ length: COARSE_STEPS }, (_, i) =>
    placeAt(least * (most / least) ** (i / (COARSE_STEPS - 1))),
  ).filter((place) => place !== null);
  if (places.length === 0) return null;
  const offOf = ({ contrastStops }: PanelPlace) => contrastStops - wantedStops;
  const found = places.slice(1).flatMap((far, i): PanelPlace[] => {
    const near = places[i];
    return near === undefined || Math.sign(offOf(near)) === Math.sign(offOf(far)) ? [] : [between(near, far)];
  });
  /** Between a place over the wish and one under it, by the chord: contrast goes with the logarithm of the distance. */
  function between(one: PanelPlace, other: PanelPlace): PanelPlace {
    let [a, b] = [one, other];
    for (let step = 0; step < FINE_STEPS; step += 1) {
      const share = offOf(a) / (offOf(a) - offOf(b));
      // never at an end again, or a bent curve is followed from one side only
      const part = Math.min(0.9, Math.max(0.1, share));
      const next = placeAt(a.distanceM * (b.distanceM / a.distanceM) ** part);
      if (next === null) break;
      if (Math.abs(offOf(next)) < MET_STOPS / 3) return next;
      if (Math.sign(offOf(next)) === Math.sign(offOf(a))) a = next;
      else b = next;
    }
    return Math.abs(offOf(a)) < Math.abs(offOf(b)) ? a : b;
  }
  const walk = ({ distanceM }: PanelPlace) => Math.abs(Math.log2(distanceM / panel.distanceM));
  const met = found
    .filter((place) => Math.abs(offOf(place)) < MET_STOPS)
    .reduce<PanelPlace | null>((best, one) => (best === null || walk(one) < walk(best) ? one : best), null);
  const nearest = [...places, ...found].reduce((best, one) =>
    Math.abs(offOf(one)) < Math.abs(offOf(best)) ? one : best,
  );
  return { ...held, at: met, nearest };
}

/**
 * From how far a panel gives a wished contrast of the face, for the ambient and every flash that it throws back: as it is, with
 * every reflector of the kit on each of its sides, the shortest walk first, and from its usual places. An opening stays what it
 * is: the answer is how far people step from it.
 * @param wantedStops lit side over dark side
 * @returns as it stands first, then what gives it; empty before face and dark side are metered
 */
export function panelAnswers(trial: Trial, panelId: string, wantedStops: number): PanelAnswer[] {
  const panel = trial.setup.panels.find(({ id }) => id === panelId);
  if (panel === undefined) return [];
  const { reflectorId, surface, sideDeg, heightM, turnedDeg } = panel;
  const asItIs: Held = { reflectorId, surface, place: null, stand: { sideDeg, heightM, turnedDeg } };
  const own = answerFor(trial, panel, asItIs, wantedStops);
  if (own === null) return [];
  const metBy = (held: readonly Held[]) =>
    held.flatMap((one) => answerFor(trial, panel, one, wantedStops) ?? []).filter(({ at }) => at !== null);
  const others = panel.kind !== 'reflector' ? [] : othersOf(panel, trial.kit).map((over) => ({ ...asItIs, ...over }));
  const byWalk = (a: PanelAnswer, b: PanelAnswer) => walkOf(panel, a) - walkOf(panel, b);
  const elsewhere = usualStands(trial, panel).map(({ place, stand }): Held => {
    const { distanceM: _distanceM, ...turned } = stand;
    return { ...asItIs, place, stand: turned };
  });
  return [own, ...metBy(others).sort(byWalk), ...metBy(elsewhere)];
}

const walkOf = (panel: Panel, { at }: PanelAnswer): number =>
  at === null ? Infinity : Math.abs(Math.log2(at.distanceM / panel.distanceM));

const othersOf = (panel: Panel, kit: Kit): Pick<Panel, 'reflectorId' | 'surface'>[] =>
  offered(kit.reflectors)
    .flatMap(({ id, surfaces }) => surfaces.map((surface) => ({ reflectorId: id, surface })))
    .filter(({ reflectorId, surface }) => reflectorId !== panel.reflectorId || surface !== panel.surface);

const BACKDROP_M = { least: 0.5, most: 15, steps: 40 };

/**
 * Where the background stands for its light to be so many stops brighter or darker than now, lit by the openings and lights that
 * are there; null where it is not metered, nothing that lights it falls off, or no place does it.
 */
export function backdropAt({ setup, kit, facts, clock }: Trial, byStops: number): number | null {
  const levelAt = (backgroundM: number | null): number | null => {
    const tried = { ...setup, backgroundM };
    const { points } = balance(tried, kit, meterScene(tried, kit, facts, clock));
    return points.find(({ role }) => role === 'background')?.placedStops ?? null;
  };
  const { backgroundM } = setup;
  const now = levelAt(backgroundM);
  if (now === null || backgroundM === null) return null;
  const wanted = now + byStops;
  const { least, most, steps } = BACKDROP_M;
  const places = Array.from({ length: steps + 1 }, (_, i) => least * (most / least) ** (i / steps));
  const over = (distanceM: number) => (levelAt(distanceM) ?? now) - wanted;
  const walk = (distanceM: number) => Math.abs(Math.log2(distanceM / backgroundM));
  const crossings = places.slice(1).flatMap((far, i): number[] => {
    const near = places[i] ?? least;
    const [a, b] = [over(near), over(far)];
    if (Math.sign(a) === Math.sign(b) || Math.abs(a - b) < 1e-9) return [];
    // between two places that near each other light goes with the logarithm of distance
    return [near * (far / near) ** (a / (a - b))];
  });
  return crossings.reduce<number | null>((best, one) => (best === null || walk(one) < walk(best) ? one : best), null);
}
