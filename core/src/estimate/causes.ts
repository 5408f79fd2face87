import { type Beliefs, BELIEFS } from './beliefs';
import { estimate, type Estimate } from './estimate';
import type { Evening, Event, Fired, Taken, Wanted } from './evening';

/** What may lie behind a figure that surprises. */
export type CauseKind = 'ambient' | 'power' | 'meter' | 'tenth' | 'point' | 'silent' | 'earlier' | 'right';

/** A dial that gives something else than it says; it stays wrong until someone looks. */
export interface WrongDial {
  lightId: string;
  byStops: number;
}

/** One way in which a figure may have come about. */
export interface Cause {
  kind: CauseKind;
  /** by how much, stops: what moved, what was given too much, what has to be added to the figure */
  stops: number;
  /** how likely against the others, 0 to 1 */
  chance: number;
  /** the evening as it would be, to foretell from */
  evening: Evening;
  dial: WrongDial | null;
  /** of a power: the light never fired here before, so that its place and modifier are as doubtful as its dial */
  unfired: boolean;
  /** of moved ambient: at every point, and not here alone */
  everywhere: boolean;
  /** where it was read instead, or which earlier reading was wrong */
  pointId: string | null;
  readingId: string | null;
}

/** How often each happens, a reading: where to start from; every answer counts towards it. */
export const COMMON = {
  ambient: { steady: 0.06, moving: 0.15 },
  power: 0.01,
  // of a light that never fired here before, its distance or modifier may be another than was said
  unfired: 0.04,
  meter: 0.02,
  tenth: 0.01,
  point: 0.01,
  silent: 0.003,
  // of the one in twenty that is wrong, most were asked about and put right when they were taken
  earlier: 0.03,
  right: 0.01,
};
export type Common = typeof COMMON;

/** How far a part of the light may have moved, and the steps in which that is tried, stops. */
const FARTHEST_STOPS = 3;
const FINE_STOPS = 0.1;
/** Dials slip by a whole stop half of the time, up or down alike; else by a little. */
const SLIPS = { whole: 1 / 4, little: 1 / 2, littleSdStops: 0.5 };
/** An earlier reading is suspected when the others contradict it by more than this, standard deviations. */
const SUSPECT = 2;
const MOST_SUSPECTS = 3;
/** A slip of a reading is as good as any size up to this, stops. */
const SLIP_SD_STOPS = 1;
const MOST_ODD = 50;

/** So far off, in standard deviations, every explanation is as poor as the next: how common each is then decides. */
const BEYOND = 24;
/** The normal density but for a constant. */
export const density = (off: number, sd: number): number =>
  Math.exp(-0.5 * Math.min(BEYOND, Math.abs(off / sd)) ** 2) / sd;

/** The newest reading, the evening without it, and what was foretold for it. */
interface Question {
  evening: Evening;
  newest: Taken;
  rest: readonly Taken[];
  before: Estimate;
  after: Estimate;
  off: number;
  sdStops: number;
  common: Common;
  beliefs: Beliefs;
}

type Found = Omit<Cause, 'chance'> & { weight: number };
const PLAIN = { stops: 0, dial: null, unfired: false, everywhere: false, pointId: null, readingId: null } as const;

/**
 * The likely causes of the newest reading, best first; their chances add to 1. Each hypothesis says how the figure came
 * about: its weight is how probable the figure is under what the estimate without it foretells then, times how common
 * such a slip is. Slips have sizes of their own (a stop of ISO, a stop of power, lost tenths) and are tried as such: one
 * free size a cause would explain any figure equally well.
 * @param before the estimate without the newest reading  @param after with it
 */
export function causes(
  evening: Evening,
  before: Estimate,
  after: Estimate,
  common: Common = COMMON,
  beliefs: Beliefs = BELIEFS,
): Cause[] {
  const newest = evening.taken.at(-1);
  if (newest === undefined) return [];
  const foretold = before.expect(newest);
  const question: Question = {
    evening,
    newest,
    rest: evening.taken.slice(0, -1),
    before,
    after,
    off: newest.stops - foretold.stops,
    sdStops: Math.hypot(foretold.sdStops, newest.sdStops),
    common,
    beliefs,
  };
  return asLines([
    ...moves(question),
    ...dials(question),
    ...slips(question),
    ...elsewhere(question),
    ...earlier(question),
    {
      ...PLAIN,
      kind: 'right',
      evening: { ...evening, taken: [...question.rest, { ...newest, sure: true }] },
      weight: density(question.off, question.sdStops) * common.right,
    },
  ]);
}

/** One line a kind: the best of it speaks, and their weights add. */
function asLines(found: readonly Found[]): Cause[] {
  const total = found.reduce((sum, { weight }) => sum + weight, 0);
  const lines = new Map<CauseKind, Cause>();
  for (const { weight, ...cause } of [...found].sort((a, b) => b.weight - a.weight)) {
    const line = lines.get(cause.kind);
    if (line === undefined) lines.set(cause.kind, { ...cause, chance: weight / total });
    else line.chance += weight / total;
  }
  return [...lines.values()].sort((a, b) => b.chance - a.chance);
}

const instead = ({ evening, rest, newest }: Question, change: Partial<Taken>): Evening => ({
  ...evening,
  taken: [...rest, { ...newest, ...change }],
});

/** How well the newest reading fits if it was really another. */
function fits({ before, newest }: Question, change: Partial<Taken>): number {
  const as = { ...newest, ...change };
  const foretold = before.expect(as);
  return density(as.stops - foretold.stops, Math.hypot(foretold.sdStops, newest.sdStops));
}

/** The share of a part of the light in what was foretold. */
function shareOf({ before, newest }: Question, part: Partial<Wanted>): number {
  const stops = before.expect({ ...newest, ...part }).stops - before.expect(newest).stops;
  return Math.min(0.999, 2 ** stops);
}

/** A part of the light differs by an unknown amount, give or take a size: how well that fits, and the amount. */
function moved({ off, sdStops }: Question, share: number, size: number): { weight: number; stops: number } {
  let [weight, best, stops] = [0, 0, 0];
  const steps = Math.round((2 * FARTHEST_STOPS) / FINE_STOPS);
  for (let step = 0; step <= steps; step += 1) {
    const by = step * FINE_STOPS - FARTHEST_STOPS;
    const here = density(off - Math.log2(1 - share + share * 2 ** by), sdStops) * density(by, size) * FINE_STOPS;
    weight += here / Math.sqrt(2 * Math.PI);
    if (here > best) [best, stops] = [here, by];
  }
  return { weight, stops };
}

/** The light changed between the reading before and this one, everywhere or here. */
function moves(question: Question): Found[] {
  const { evening, newest, rest, common, beliefs } = question;
  if (newest.light === 'flash') return [];
  const since = rest.reduce((latest, { minute }) => (minute < newest.minute ? Math.max(latest, minute) : latest), 0);
  const minute = (since + newest.minute) / 2;
  const share = shareOf(question, { light: 'ambient', fired: [] });
  const ways: { everywhere: boolean; event: Event; size: number }[] = [
    { everywhere: true, event: { minute, what: 'cloud' }, size: beliefs.cloud.daylight },
    {
      everywhere: false,
      event: { minute, what: 'points', points: [newest.point], how: 'each' },
      size: beliefs.moved,
    },
  ];
  return ways.map(({ everywhere, event, size }): Found => {
    const { weight, stops } = moved(question, share, size);
    return {
      ...PLAIN,
      kind: 'ambient',
      everywhere,
      stops,
      evening: { ...evening, events: [...evening.events, event] },
      weight: (weight * common.ambient[evening.sky]) / 2,
    };
  });
}

const turnedBy = (fired: readonly Fired[], id: string, byStops: number): Fired[] =>
  fired.map((one) => (one.id === id ? { ...one, powerStops: one.powerStops + byStops } : one));

/** A light gave another power than its dial says. */
function dials(question: Question): Found[] {
  const { newest, rest, common } = question;
  if (newest.light === 'ambient') return [];
  return newest.fired.flatMap(({ id, ...one }): Found[] => {
    const unfired = !rest.some(({ fired }) => fired.some((before) => before.id === id));
    const share = shareOf(question, { light: 'flash', fired: [{ id, ...one }] });
    const little = moved(question, share, SLIPS.littleSdStops);
    const whole = (byStops: number): [number, number] => [
      byStops,
      fits(question, { fired: turnedBy(newest.fired, id, byStops) }) * SLIPS.whole,
    ];
    const sizes: [number, number][] = [whole(-1), whole(1), [little.stops, little.weight * SLIPS.little]];
    return sizes.map(([byStops, weight]): Found => ({
      ...PLAIN,
      kind: 'power',
      stops: byStops,
      evening: instead(question, { fired: turnedBy(newest.fired, id, byStops) }),
      dial: { lightId: id, byStops },
      unfired,
      weight: (weight * (unfired ? common.unfired : common.power) * 2) / newest.fired.length,
    }));
  });
}

/** The figure is not what it seems: nothing fired, a tone or an ISO other than said, tenths that were not typed. */
function slips(question: Question): Found[] {
  const { newest, common } = question;
  const silent: Partial<Taken> = { light: 'ambient', fired: [] };
  const found: Found[] =
    newest.light === 'total'
      ? [
          {
            ...PLAIN,
            kind: 'silent',
            evening: instead(question, silent),
            weight: fits(question, silent) * common.silent,
          },
        ]
      : [];
  const off = (kind: 'meter' | 'tenth', stops: number, often: number): Found => {
    const change = { stops: newest.stops + stops };
    return { ...PLAIN, kind, stops, evening: instead(question, change), weight: fits(question, change) * often };
  };
  found.push(off('meter', -1, common.meter / 2), off('meter', 1, common.meter / 2));
  // one right reading in ten ends in a whole stop as well: a whole one tells ten times as much
  if (Math.abs(newest.stops - Math.round(newest.stops)) < 0.01)
    for (let tenths = 1; tenths <= 9; tenths += 1) found.push(off('tenth', tenths / 10, (common.tenth * 10) / 9));
  return found;
}

/** It was read at another of the points that were metered. */
function elsewhere(question: Question): Found[] {
  const { newest, rest, common } = question;
  const others = new Map<string, Taken>();
  for (const one of rest) if (one.point !== newest.point) others.set(one.point, one);
  return [...others.values()].map((one): Found => {
    const { point, aim, near, ambient } = one;
    // at this reading's own shutter
    const there = { point, aim, near, ambient };
    return {
      ...PLAIN,
      kind: 'point',
      pointId: point,
      evening: instead(question, there),
      weight: (fits(question, there) * common.point) / others.size,
    };
  });
}

/** It is right, and an earlier one was wrong: those that disagree with it most are left out in turn. */
function earlier(question: Question): Found[] {
  const { evening, newest, rest, after, common, beliefs } = question;
  const surprises = after.surprises();
  const suspects = rest
    .map((one, i) => ({ one, surprise: Math.abs(surprises[i] ?? 0) }))
    .filter(({ one, surprise }) => surprise > SUSPECT && !one.sure)
    .sort((a, b) => b.surprise - a.surprise)
    .slice(0, MOST_SUSPECTS);
  return suspects.map(({ one: was }): Found => {
    const others: Evening = { ...evening, now: newest.minute, taken: rest.filter((other) => other !== was) };
    const without = estimate(others, undefined, beliefs);
    const [now, then] = [without.expect(newest), without.expect(was)];
    const off = was.stops - then.stops;
    // how much better it is explained as a slip than as a right one
    const odd =
      density(off, Math.hypot(then.sdStops, SLIP_SD_STOPS)) / density(off, Math.hypot(then.sdStops, was.sdStops));
    const kept: Evening = { ...others, taken: [...others.taken, newest] };
    return {
      ...PLAIN,
      kind: 'earlier',
      stops: off,
      readingId: was.id,
      pointId: was.point,
      evening: kept,
      weight:
        density(newest.stops - now.stops, Math.hypot(now.sdStops, newest.sdStops)) *
        Math.min(odd, MOST_ODD) *
        common.earlier,
    };
  });
}
