import { type Balance, balance } from '../balance';
import { type Kit, offered, type Surface } from '../gear';
import { type Fact, meterScene } from '../metering';
import { changedPanel, type Panel, PANEL_FACTS, type Setup } from '../setup';

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
  /** the place that gives it; null: none does */
  at: PanelPlace | null;
  /** what comes nearest to it, where none gives it */
  nearest: PanelPlace;
}

/** So near a contrast is met, stops. */
const MET_STOPS = 0.03;
const COARSE_STEPS = 9;
const FINE_STEPS = 7;
/** Reflectors are held between arm's length and the far side of a room; from openings people step farther. */
const RANGE_M = { held: { least: 0.35, most: 4 }, opening: { least: 0.7, most: 9 } };

/** Lit side of the face over its dark side, with everything that falls on them; null before both are metered. */
const contrastOf = ({ points }: Balance): number | null => {
  const [lit, dark] = (['face', 'shadow'] as const).map((role) => points.find((point) => point.role === role));
  return lit?.totalStops == null || dark?.totalStops == null ? null : lit.totalStops - dark.totalStops;
};

/** What panels are tried on. */
interface Trial {
  setup: Setup;
  kit: Kit;
  facts: readonly Fact[];
  clock: Date;
}

/** The contrast with a panel standing otherwise than it does. */
function contrastWith({ setup, kit, facts, clock }: Trial, panel: Panel, over: Partial<Panel>): number | null {
  const readings = facts.flatMap((fact) => (fact.type === 'reading' && fact.light === 'ambient' ? [fact.at] : []));
  const newest = readings.reduce<string | null>(
    (latest, at) => (latest === null || Date.parse(at) > Date.parse(latest) ? at : latest),
    null,
  );
  // a clock may lag behind the newest reading, which saw the panel as it stands
  const now = new Date(Math.max(clock.getTime(), newest === null ? 0 : Date.parse(newest) + 1)).toISOString();
  const moved = changedPanel(panel, over, now, newest);
  const tried = { ...setup, panels: setup.panels.map((one) => (one.id === panel.id ? moved : one)) };
  return contrastOf(balance(tried, kit, meterScene(tried, kit, facts, clock)));
}

/** Where a panel gives a contrast: the place nearest to where it stands. null before face and dark side are metered. */
function answerFor(
  trial: Trial,
  panel: Panel,
  over: Pick<Panel, 'reflectorId' | 'surface'>,
  wantedStops: number,
): PanelAnswer | null {
  const { least, most } = PANEL_FACTS[panel.kind].opening ? RANGE_M.opening : RANGE_M.held;
  const placeAt = (distanceM: number): PanelPlace | null => {
    const contrastStops = contrastWith(trial, panel, { ...over, distanceM });
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
  function between(one: PanelPlace, other: PanelPlace): PanelPlace {
    let [a, b] = [one, other];
    for (let step = 0; step < FINE_STEPS; step += 1) {
      const middle = placeAt(Math.sqrt(a.distanceM * b.distanceM));
      if (middle === null) break;
      if (Math.sign(offOf(middle)) === Math.sign(offOf(a))) a = middle;
      else b = middle;
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
  return { ...over, at: met, nearest };
}

/**
 * From how far a panel gives a wished contrast of the face, for the ambient and every flash that it throws back: as it is, and
 * with every reflector of the kit on each of its sides; those that do it first, the ones that need the shortest walk before
 * others. An opening stays what it is: the answer is how far people step from it.
 * @param wantedStops lit side over dark side  @returns empty before face and dark side are metered
 */
export function panelAnswers(
  setup: Setup,
  kit: Kit,
  facts: readonly Fact[],
  clock: Date,
  panelId: string,
  wantedStops: number,
): PanelAnswer[] {
  const panel = setup.panels.find(({ id }) => id === panelId);
  if (panel === undefined) return [];
  const trial = { setup, kit, facts, clock };
  const own = answerFor(trial, panel, { reflectorId: panel.reflectorId, surface: panel.surface }, wantedStops);
  const others = panel.kind !== 'reflector' ? [] : othersOf(panel, kit);
  const answers = others.flatMap((over) => answerFor(trial, panel, over, wantedStops) ?? []);
  const byWalk = (a: PanelAnswer, b: PanelAnswer) => walkOf(panel, a) - walkOf(panel, b);
  return [...(own === null ? [] : [own]), ...answers.filter(({ at }) => at !== null).sort(byWalk)];
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
export function backdropAt(
  setup: Setup,
  kit: Kit,
  facts: readonly Fact[],
  clock: Date,
  byStops: number,
): number | null {
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
