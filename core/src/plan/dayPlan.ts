import type { PlanWindow, SetupPlan } from '../setup';
import type { SpotSun } from './spotSun';

/** One setup in the plan of a day, with the sun where it is made; null: its spot has no place. */
export interface PlanEntry {
  setupId: string;
  spotId: string;
  plan: SetupPlan;
  sun: SpotSun | null;
}

/** A stretch of time. */
export interface Stretch {
  fromMs: number;
  toMs: number;
}

/** A setup as it stands in the day. */
export interface PlannedSetup extends Stretch {
  setupId: string;
  spotId: string;
  /** from when hands are on it until the next can be begun, moving included */
  busy: Stretch;
  /** the window that it lies in or nearest to; null: any time will do, or there is none that day */
  window: Stretch | null;
  fit: 'any-time' | 'inside' | 'partly' | 'outside' | 'none-that-day' | 'not-known';
  /** minutes of shooting outside of the window */
  outsideMin: number;
  /** minutes that it lacks since the one before is not done yet */
  overlapMin: number;
  /** minutes of nothing before it */
  gapMin: number;
  /** shooting must begin by then, or its own window or a later one is missed; null: nothing presses */
  startByMs: number | null;
}

const MINUTE_MS = 60_000;
const ms = (minutes: number): number => minutes * MINUTE_MS;

/** By the sun of a spot and day, which never change: while choices are tried each window is asked for many times. */
const known = new WeakMap<SpotSun, WeakMap<PlanWindow, Stretch[]>>();

/** The stretches of a day in which a window is open; null where it cannot be known. */
export function windowsOf(window: PlanWindow, sun: SpotSun | null): Stretch[] | null {
  if (sun === null) return null;
  const ofSun = known.get(sun) ?? new WeakMap<PlanWindow, Stretch[]>();
  const found = ofSun.get(window) ?? foundWindows(window, sun);
  known.set(sun, ofSun.set(window, found));
  return found;
}

function foundWindows(window: PlanWindow, sun: SpotSun): Stretch[] {
  if (window.by === 'sun')
    return sun.standing.filter(({ reach }) => (reach === 'sun') === window.reaches && reach !== 'down');
  const [low, high] = [Math.min(window.fromDeg, window.toDeg), Math.max(window.fromDeg, window.toDeg)];
  const falling = window.toDeg < window.fromDeg;
  return heightSpans(sun, low, high).filter(({ fromMs, toMs }) => {
    const [first, last] = [sun.track.at(fromMs).altitudeDeg, sun.track.at(toMs).altitudeDeg];
    return falling ? last < first : last > first;
  });
}

const STEP_MS = 60_000;

/** When the sun stands between two heights, split where it turns at noon and midnight. */
function heightSpans({ track }: SpotSun, lowDeg: number, highDeg: number): Stretch[] {
  const heightAt = (at: number) => track.at(at).altitudeDeg;
  const spans: Stretch[] = [];
  let open: { fromMs: number; rising: boolean } | null = null;
  for (let at = track.fromMs; at < track.toMs; at += STEP_MS) {
    const rising = heightAt(at + STEP_MS) > heightAt(at);
    const within = heightAt(at) >= lowDeg && heightAt(at) <= highDeg;
    if (open !== null && (!within || open.rising !== rising)) {
      spans.push({ fromMs: open.fromMs, toMs: at });
      open = null;
    }
    if (within && open === null) open = { fromMs: at, rising };
  }
  if (open !== null) spans.push({ fromMs: open.fromMs, toMs: track.toMs });
  return spans;
}

const overlap = (a: Stretch, b: Stretch): number =>
  Math.max(0, Math.min(a.toMs, b.toMs) - Math.max(a.fromMs, b.fromMs));

/** The window that a stretch lies in most, else the one that is nearest. */
function nearest(stretch: Stretch, windows: readonly Stretch[]): Stretch | null {
  const away = (one: Stretch) => Math.max(0, one.fromMs - stretch.toMs, stretch.fromMs - one.toMs);
  const better = (a: Stretch, b: Stretch) => overlap(stretch, b) - overlap(stretch, a) || away(a) - away(b);
  return [...windows].sort(better)[0] ?? null;
}

/** Where a setup without a time goes: into the first window that still has room after what comes before it. */
function freeStart({ plan, sun }: PlanEntry, earliestMs: number): number {
  const windows = plan.window === null ? null : windowsOf(plan.window, sun);
  const room = windows?.find(({ fromMs, toMs }) => Math.max(fromMs, earliestMs) + ms(plan.shootMin) <= toMs);
  return Math.max(earliestMs, room?.fromMs ?? earliestMs);
}

/** Setups in the order in which they are made: by their time, else by when their window lets them after those before in the list. */
function inOrder(entries: readonly PlanEntry[], fromMs: number): PlanEntry[] {
  let last = fromMs;
  const keyed = entries.map((entry, index) => {
    const { startsAt } = entry.plan;
    last = startsAt === null ? freeStart(entry, last) : Date.parse(startsAt);
    return { entry, index, key: last };
  });
  return keyed.sort((a, b) => a.key - b.key || a.index - b.index).map(({ entry }) => entry);
}

/** Each setup at its time, with what fits and what does not. @param dayFromMs before which nothing begins */
export function dayPlan(entries: readonly PlanEntry[], dayFromMs: number): PlannedSetup[] {
  const ordered = inOrder(entries, dayFromMs);
  const placed: PlannedSetup[] = [];
  for (const [index, entry] of ordered.entries()) {
    const { plan, setupId, spotId } = entry;
    const before = placed.at(-1);
    const freeMs = before?.busy.toMs ?? dayFromMs;
    const fromMs = plan.startsAt === null ? freeStart(entry, freeMs + ms(plan.setUpMin)) : Date.parse(plan.startsAt);
    const moves = ordered[index + 1] !== undefined && ordered[index + 1]?.spotId !== spotId;
    const toMs = fromMs + ms(plan.shootMin);
    const busy = { fromMs: fromMs - ms(plan.setUpMin), toMs: toMs + ms(plan.packMin + (moves ? plan.moveMin : 0)) };
    placed.push({
      setupId,
      spotId,
      fromMs,
      toMs,
      busy,
      ...fitOf(entry, { fromMs, toMs }),
      overlapMin: before === undefined ? 0 : Math.max(0, Math.ceil((freeMs - busy.fromMs) / MINUTE_MS)),
      gapMin: before === undefined ? 0 : Math.max(0, Math.floor((busy.fromMs - freeMs) / MINUTE_MS)),
      startByMs: null,
    });
  }
  return withStartBy(placed);
}

function fitOf({ plan, sun }: PlanEntry, stretch: Stretch): Pick<PlannedSetup, 'window' | 'fit' | 'outsideMin'> {
  if (plan.window === null) return { window: null, fit: 'any-time', outsideMin: 0 };
  const windows = windowsOf(plan.window, sun);
  if (windows === null) return { window: null, fit: 'not-known', outsideMin: 0 };
  const window = nearest(stretch, windows);
  if (window === null) return { window: null, fit: 'none-that-day', outsideMin: plan.shootMin };
  const inside = overlap(stretch, window);
  const outsideMin = Math.round((stretch.toMs - stretch.fromMs - inside) / MINUTE_MS);
  return { window, fit: outsideMin === 0 ? 'inside' : inside > 0 ? 'partly' : 'outside', outsideMin };
}

/** From the last window backwards: when each must have begun so that it and all after it come in time. */
function withStartBy(placed: readonly PlannedSetup[]): PlannedSetup[] {
  let latestBusyMs = Infinity;
  return placed
    .toReversed()
    .map((one): PlannedSetup => {
      const shootMs = one.toMs - one.fromMs;
      const ownEnd = one.window === null || one.fit === 'outside' ? Infinity : one.window.toMs;
      const latest = Math.min(ownEnd - shootMs, latestBusyMs - (one.busy.toMs - one.fromMs));
      latestBusyMs = latest - (one.fromMs - one.busy.fromMs);
      return { ...one, startByMs: Number.isFinite(latest) ? latest : null };
    })
    .toReversed();
}

/** What is left out so that the rest comes in time. */
export interface LatePlan {
  /** setups to leave out, those that matter least for their time first */
  drop: string[];
  /** the rest at its new times */
  kept: PlannedSetup[];
  /** must-haves that cannot be had any more, whatever is left out */
  missed: string[];
}

/** More than these are not tried in every combination. */
const MOST_TRIED = 14;

/**
 * What to leave out when one is late: of all choices the one whose kept setups are worth most, must-haves before all else,
 * and of equal ones that which leaves out least time.
 * @param nowMs the earliest moment at which hands are free
 */
export function whenLate(entries: readonly PlanEntry[], nowMs: number): LatePlan {
  const ordered = inOrder(entries, nowMs);
  const tried = ordered.slice(0, MOST_TRIED);
  const rest = ordered.slice(MOST_TRIED);
  let best: { drop: PlanEntry[]; kept: PlannedSetup[]; worth: number } | null = null;
  for (let bits = 0; bits < 2 ** tried.length; bits += 1) {
    const kept = [...tried.filter((_, index) => (bits & (1 << index)) === 0), ...rest];
    const drop = tried.filter((_, index) => (bits & (1 << index)) !== 0);
    const times = inTime(kept, nowMs);
    if (times === null) continue;
    const worth =
      kept.reduce((sum, { plan }) => sum + (plan.must ? MUST_WORTH : plan.value), 0) - minutesOf(drop) * 1e-4;
    if (best === null || worth > best.worth) best = { drop, kept: times, worth };
  }
  const drop = best?.drop ?? tried;
  const perMinute = ({ plan }: PlanEntry) => plan.value / Math.max(1, minutesOf([{ plan }]));
  return {
    drop: drop
      .filter(({ plan }) => !plan.must)
      .sort((a, b) => perMinute(a) - perMinute(b))
      .map(({ setupId }) => setupId),
    kept: best?.kept ?? [],
    missed: drop.filter(({ plan }) => plan.must).map(({ setupId }) => setupId),
  };
}

const MUST_WORTH = 1000;
const minutesOf = (entries: readonly Pick<PlanEntry, 'plan'>[]): number =>
  entries.reduce((sum, { plan }) => sum + plan.setUpMin + plan.shootMin + plan.packMin, 0);

/** Everything as early as it goes, none before it was planned for; null where something then misses its window. */
function inTime(entries: readonly PlanEntry[], nowMs: number): PlannedSetup[] | null {
  let freeMs = nowMs;
  const moved: PlanEntry[] = [];
  for (const [index, entry] of entries.entries()) {
    const { plan, spotId } = entry;
    const earliest = freeMs + ms(plan.setUpMin);
    const fromMs = plan.startsAt === null ? freeStart(entry, earliest) : Math.max(earliest, Date.parse(plan.startsAt));
    const toMs = fromMs + ms(plan.shootMin);
    const { fit } = fitOf(entry, { fromMs, toMs });
    if (fit !== 'any-time' && fit !== 'inside' && fit !== 'not-known') return null;
    const moves = entries[index + 1] !== undefined && entries[index + 1]?.spotId !== spotId;
    freeMs = toMs + ms(plan.packMin + (moves ? plan.moveMin : 0));
    moved.push({ ...entry, plan: { ...plan, startsAt: new Date(fromMs).toISOString() } });
  }
  return dayPlan(moved, nowMs);
}
