import { type Way, waysOut } from '../advice';
import { balance } from '../balance';
import { isUnitPart, learnedId } from '../calibration';
import { type Change, type ChangeGroup, groupChanges, sameValue } from '../documents';
import { setupAsAt } from '../explain';
import type { Kit } from '../gear';
import { type Fact, meterScene } from '../metering';
import type { Reading, Setup } from '../setup';

/** A setup with everything on record of it. */
export interface RecordedSetup {
  setup: Setup;
  kit: Kit;
  facts: readonly Fact[];
  changes: readonly Change[];
  /** test frames, ISO times */
  framesAt: readonly string[];
}

/** A way out that was taken. */
export interface UsedWay {
  way: Way;
  atMs: number;
}

/** What a setup took. */
export interface ReviewedSetup {
  setupId: string;
  /** from its first reading or change to its last; null: it has none */
  minutes: number | null;
  plannedMin: number | null;
  /** test flashes by light until it stood */
  pops: { lightId: string; count: number }[];
  /** tests, and those that were made although a reading was due */
  tests: number;
  staleTests: number;
  waysUsed: UsedWay[];
  /** readings that were asked about: answered as right, and open still */
  questioned: { confirmed: number; open: number };
  framesNoted: boolean;
  /** lights whose place nobody said */
  placesAssumed: string[];
}

/** A thing of the kit that does not give what its plate says. */
export interface Strayed {
  kind: 'unit' | 'modifier';
  id: string;
  stops: number;
  sdStops: number;
  readings: number;
}

/** What would make the next time easier, each with what it is told from. */
export type Suggestion =
  | { kind: 'meter-sooner'; staleTests: number; tests: number; setupId: string }
  | { kind: 'correct-plate'; strayed: Strayed }
  | { kind: 'say-place'; setupId: string; lightId: string; pops: number }
  | { kind: 'keep-look'; setupId: string; pops: number }
  | { kind: 'plan-longer'; setupId: string; minutes: number; plannedMin: number }
  | { kind: 'have-ready'; way: Way; setupId: string; times: number }
  | { kind: 'answer-doubts'; setupId: string; open: number }
  | { kind: 'note-frames'; setups: number };

export interface Review {
  setups: ReviewedSetup[];
  strayed: Strayed[];
  /** three at most, what weighs most first */
  suggestions: Suggestion[];
}

const MINUTE_MS = 60_000;
/** One test and one after the correction are as it should be. */
const POPS_AS_USUAL = 2;
/** A plate that is off by less is within what a dial's step does. */
const STRAYS_STOPS = 0.25;
const MOST_SUGGESTIONS = 3;
/** A setup that took so much longer than planned is worth planning otherwise. */
const LONGER = 1.25;
/** A pause of so long within a setup is no work on it. */
const PAUSE_MS = 45 * MINUTE_MS;

const isStanding = (fact: Fact): boolean => fact.type !== 'reading' || fact.struckAt === null;
const testsIn = (facts: readonly Fact[]): Reading[] =>
  facts
    .filter((fact): fact is Reading => fact.type === 'reading' && fact.light !== 'ambient' && isStanding(fact))
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));

/** Minutes of work: from the first of moments to the last, without long pauses. */
function minutesOf(moments: readonly number[]): number | null {
  const sorted = [...moments].sort((a, b) => a - b);
  if (sorted.length === 0) return null;
  const worked = sorted.reduce((sum, at, index) => {
    const step = at - (sorted[index - 1] ?? at);
    return sum + (step > PAUSE_MS ? 0 : step);
  }, 0);
  return worked / MINUTE_MS;
}

/** Whether a reading was due when a test was made, going by what was known until then. */
function wasStale({ setup, kit, facts, changes }: RecordedSetup, test: Reading): boolean {
  const atMs = Date.parse(test.at);
  const before = facts.filter((fact) => fact.id !== test.id && Date.parse(fact.at) <= atMs);
  if (!before.some((fact) => fact.type === 'reading' && fact.light === 'ambient')) return false;
  const then = setupAsAt(setup, changes, atMs);
  return balance(then, kit, meterScene(then, kit, before, new Date(atMs))).meterAgain.length > 0;
}

/** The way out that a change was, if it was one that was offered in the state before it. */
function wayOf({ setup, kit, facts, changes }: RecordedSetup, group: ChangeGroup): UsedWay | null {
  const first = changes.find(({ id }) => id === group.ids[0]);
  if (first === undefined) return null;
  const beforeMs = Date.parse(first.at) - 1;
  const then = setupAsAt(setup, changes, beforeMs);
  const known = facts.filter(({ at }) => Date.parse(at) <= beforeMs);
  const scene = meterScene(then, kit, known, new Date(beforeMs));
  const offered = waysOut(then, kit, scene, balance(then, kit, scene)).waysOut;
  const taken = offered.find(
    ({ settings }) =>
      settings.length > 0 &&
      settings.every(({ path, value }) => group.settings.some((one) => one.path === path && sameValue(one.to, value))),
  );
  return taken === undefined ? null : { way: taken.way, atMs: Date.parse(group.at) };
}

/** More changes than these are not looked through for ways out: a day has a few hundred. */
const MOST_LOOKED_AT = 120;

function reviewSetup(recorded: RecordedSetup): ReviewedSetup {
  const { setup, kit, facts, changes, framesAt } = recorded;
  const tests = testsIn(facts);
  const moments = [...facts.filter(isStanding).map(({ at }) => at), ...changes.map(({ at }) => at), ...framesAt];
  const { questions } = balance(
    setup,
    kit,
    meterScene(setup, kit, facts, new Date(tests.at(-1)?.at ?? facts.at(-1)?.at ?? 0)),
  );
  const groups = groupChanges(changes).filter(({ undone, undoes }) => !undone && undoes.length === 0);
  return {
    setupId: setup.id,
    minutes: minutesOf(moments.map((at) => Date.parse(at))),
    plannedMin: setup.plan === null ? null : setup.plan.setUpMin + setup.plan.shootMin,
    pops: setup.lights.map(({ id }) => ({
      lightId: id,
      count: tests.filter(({ fired }) => fired.some(({ lightId }) => lightId === id)).length,
    })),
    tests: tests.length,
    staleTests: tests.filter((test) => wasStale(recorded, test)).length,
    waysUsed: groups.slice(-MOST_LOOKED_AT).flatMap((group) => wayOf(recorded, group) ?? []),
    questioned: { confirmed: setup.confirmed.length, open: questions.length },
    framesNoted: setup.frames.from !== '',
    placesAssumed: setup.lights.filter(({ placeSaid }) => !placeSaid).map(({ id }) => id),
  };
}

/** Units and modifiers that readings say give more or less than their plates, plainly and surely. */
export function strayedGear(kit: Kit): Strayed[] {
  const { ids, meanStops, covariance, readings } = kit.calibration;
  const of = (kind: Strayed['kind'], id: string): Strayed[] => {
    const at = ids.indexOf(learnedId(kind, id));
    const stops = meanStops[at];
    if (stops === undefined || isUnitPart(ids[at] ?? '')) return [];
    const sdStops = Math.sqrt(Math.max(0, covariance[at]?.[at] ?? 0));
    const isPlain = Math.abs(stops) >= STRAYS_STOPS && Math.abs(stops) > 2 * sdStops;
    return isPlain ? [{ kind, id, stops, sdStops, readings: readings[at] ?? 0 }] : [];
  };
  return [
    ...kit.flashUnits.flatMap(({ id }) => of('unit', id)),
    ...kit.modifiers.flatMap(({ id }) => of('modifier', id)),
  ].sort((a, b) => Math.abs(b.stops) - Math.abs(a.stops));
}

/** A suggestion with how much it weighs: about the tests, minutes or stops that it saves. */
interface Weighed {
  weight: number;
  suggestion: Suggestion;
}

function fromSetup(one: ReviewedSetup): Weighed[] {
  const { setupId, minutes, plannedMin, questioned } = one;
  const most = one.pops.reduce((top, light) => (light.count > top.count ? light : top), { lightId: '', count: 0 });
  const over = most.count - POPS_AS_USUAL;
  const byWay = new Map<Way['kind'], UsedWay[]>();
  for (const used of one.waysUsed) byWay.set(used.way.kind, [...(byWay.get(used.way.kind) ?? []), used]);
  return [
    ...(one.staleTests > 0
      ? [
          {
            weight: 2 * one.staleTests,
            suggestion: { kind: 'meter-sooner', staleTests: one.staleTests, tests: one.tests, setupId } as const,
          },
        ]
      : []),
    ...(over > 0
      ? [
          one.placesAssumed.includes(most.lightId)
            ? {
                weight: over + 0.5,
                suggestion: { kind: 'say-place', setupId, lightId: most.lightId, pops: most.count } as const,
              }
            : { weight: over, suggestion: { kind: 'keep-look', setupId, pops: most.count } as const },
        ]
      : []),
    ...(minutes !== null && plannedMin !== null && minutes > LONGER * plannedMin
      ? [
          {
            weight: (minutes - plannedMin) / 10,
            suggestion: { kind: 'plan-longer', setupId, minutes, plannedMin } as const,
          },
        ]
      : []),
    ...[...byWay.values()].flatMap((used): Weighed[] => {
      const [first] = used;
      return first === undefined
        ? []
        : [
            {
              weight: 0.6 * used.length,
              suggestion: { kind: 'have-ready', way: first.way, setupId, times: used.length },
            },
          ];
    }),
    ...(questioned.open > 0
      ? [
          {
            weight: 0.8 * questioned.open,
            suggestion: { kind: 'answer-doubts', setupId, open: questioned.open } as const,
          },
        ]
      : []),
  ];
}

/**
 * How a shoot went: pops, tests on readings that were due, ways out, minutes, doubts, and gear that strays; and three things
 * that would make the next one easier.
 * @param kit as all readings have taught it
 */
export function reviewShoot(recorded: readonly RecordedSetup[], kit: Kit): Review {
  const setups = recorded.map(reviewSetup);
  const used = new Set(
    recorded.flatMap(({ setup }) => setup.lights.flatMap(({ unitId, modifierId }) => [unitId, modifierId])),
  );
  const strayed = strayedGear(kit).filter(({ id }) => used.has(id));
  const unnoted = setups.filter(({ framesNoted, tests }) => !framesNoted && tests > 0).length;
  const weighed: Weighed[] = [
    ...setups.flatMap(fromSetup),
    ...strayed.map((one): Weighed => ({
      weight: 4 * Math.abs(one.stops),
      suggestion: { kind: 'correct-plate', strayed: one },
    })),
    ...(unnoted > 0 ? [{ weight: 0.3, suggestion: { kind: 'note-frames', setups: unnoted } as const }] : []),
  ];
  const inOrder = weighed.sort((a, b) => b.weight - a.weight).map(({ suggestion }) => suggestion);
  // each kind once: three times the same is one suggestion
  const first = inOrder.filter((one, index) => inOrder.findIndex(({ kind }) => kind === one.kind) === index);
  return { setups, strayed, suggestions: first.slice(0, MOST_SUGGESTIONS) };
}
