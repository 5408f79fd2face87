import type { FadingPlace } from './fadingPlace';

/** The dials that may move while light changes, in the order in which they are reached for. */
export const FOLLOWING_DIALS = ['shutter', 'iso', 'power', 'dimmer'] as const;
export type FollowingDial = (typeof FOLLOWING_DIALS)[number];
/** Where each dial stands, stops of light against where it stands now; positive: more. */
export type DialsAt = Record<FollowingDial, number>;

/** Light that fades, and what may follow it. */
export interface FadingProblem {
  /** where the light is to stay as it is now */
  places: readonly FadingPlace[];
  /** each dial's settings, 0 among them */
  dials: Record<FollowingDial, readonly number[]>;
  /** what the flash loses at each setting of the shutter against now, stops: past sync it follows the shutter */
  flashLossStops: (shutterStops: number) => number;
}

/** One dial moved at a minute. */
export interface ScheduledChange {
  minute: number;
  dial: FollowingDial;
  /** where it stands from then on */
  stops: number;
}

/** What to move and when, with the fewest moves. */
export interface Schedule {
  changes: ScheduledChange[];
  /** where the dials stand at each minute that can be held */
  at: DialsAt[];
  /** the first minute that no setting holds; null: all are held */
  endsAtMinute: number | null;
  /** what would have had to go further there */
  endedBy: FollowingDial[];
}

/** A setting of all dials by its place in each list, and the least it costs to have come to it. */
interface Choice {
  at: readonly number[];
  cost: number;
  from: Choice | null;
}

/** One move outweighs everything else; among equal ones late moves are better, and those of what is reached for first. */
const MOVE = 1e6;
const FAR: Record<FollowingDial, number> = { shutter: 0.1, iso: 1, power: 1, dimmer: 1 };
/** Thirds are not exact in binary. */
const HAIR = 1e-9;

/** Linear light of a place at a minute with the dials as they are now. */
interface Parts {
  daylight: number;
  flash: number;
  lamp: number;
}
const linear = (stops: number | null | undefined): number => (stops == null ? 0 : 2 ** stops);
const partsOf = ({ daylightStops, flashStops, lampStops }: FadingPlace, minute: number): Parts => ({
  daylight: linear(daylightStops[minute] ?? -Infinity),
  flash: linear(flashStops),
  lamp: linear(lampStops),
});

/** Every setting of the dials that leaves each place within its bound of where it is now, by places in their lists. */
function holding({ places, dials, flashLossStops }: FadingProblem, minute: number): number[][] {
  const bounds = places.map((place) => {
    const { daylight, flash, lamp } = partsOf(place, 0);
    const now = daylight + flash + lamp;
    return {
      ...partsOf(place, minute),
      least: now * 2 ** (-place.withinStops - HAIR),
      most: now * 2 ** (place.withinStops + HAIR),
    };
  });
  const powers = dials.power.map(linear);
  const dimmers = dials.dimmer.map(linear);
  const found: number[][] = [];
  for (const [shutter, shutterStops] of dials.shutter.entries()) {
    const loss = 2 ** -flashLossStops(shutterStops);
    for (const [iso, isoStops] of dials.iso.entries()) {
      const open = 2 ** (shutterStops + isoStops);
      // brighter already without flash and lamps
      if (bounds.some(({ daylight, most }) => daylight * open > most)) continue;
      const pops = 2 ** isoStops * loss;
      for (const [power, popped] of powers.entries())
        for (const [dimmer, dimmed] of dimmers.entries()) {
          const holds = bounds.every(({ daylight, flash, lamp, least, most }) => {
            const light = (daylight + lamp * dimmed) * open + flash * popped * pops;
            return light >= least && light <= most;
          });
          if (holds) found.push([shutter, iso, power, dimmer]);
        }
    }
  }
  return found;
}

/** Every set of dials that may stay as it is; of those that have one setting only it makes no difference. */
function keptSets(sizes: readonly number[]): { kept: readonly boolean[]; moved: number }[] {
  let sets: boolean[][] = [[]];
  for (const size of sizes)
    sets = sets.flatMap((set) =>
      size > 1
        ? [
            [...set, true],
            [...set, false],
          ]
        : [[...set, true]],
    );
  return sets.map((kept) => ({ kept, moved: kept.filter((one) => !one).length }));
}

/** The choices of one minute from those of the minute before, each by the cheapest way. */
class Ways {
  private readonly sets: ReturnType<typeof keptSets>;

  constructor(
    private readonly lists: readonly (readonly number[])[],
    private readonly sizes = lists.map(({ length }) => length),
  ) {
    this.sets = keptSets(sizes);
  }

  /** One number for where the kept dials stand and which those are. */
  private key(set: number, at: readonly number[]): number {
    const kept = this.sets[set]?.kept ?? [];
    let key = set;
    for (let dial = 0; dial < at.length; dial += 1)
      key = key * (this.sizes[dial] ?? 1) + (kept[dial] === true ? (at[dial] ?? 0) : 0);
    return key;
  }

  private farOf(at: readonly number[]): number {
    return FOLLOWING_DIALS.reduce(
      (sum, dial, index) => sum + FAR[dial] * Math.abs(this.lists[index]?.[at[index] ?? 0] ?? 0),
      0,
    );
  }

  on(before: readonly Choice[], settings: readonly number[][]): Choice[] {
    const best = new Map<number, Choice>();
    for (const choice of before)
      for (let set = 0; set < this.sets.length; set += 1) {
        const key = this.key(set, choice.at);
        const known = best.get(key);
        if (known === undefined || choice.cost < known.cost) best.set(key, choice);
      }
    return settings.map((at): Choice => {
      let found: Choice = { at, cost: Infinity, from: null };
      const far = this.farOf(at);
      for (let set = 0; set < this.sets.length; set += 1) {
        const from = best.get(this.key(set, at));
        const cost = (from?.cost ?? Infinity) + MOVE * (this.sets[set]?.moved ?? 0) + far;
        if (from !== undefined && cost < found.cost) found = { at, cost, from };
      }
      return found;
    });
  }
}

/** The dials whose next step beyond their range would have held the minute. */
function enders(problem: FadingProblem, minute: number): FollowingDial[] {
  return FOLLOWING_DIALS.filter((dial) => {
    const steps = problem.dials[dial];
    if (steps.length < 2) return false;
    const sorted = [...steps].sort((a, b) => a - b);
    const step = (sorted[1] ?? 0) - (sorted[0] ?? 0);
    const beyond = [(sorted[0] ?? 0) - step, (sorted.at(-1) ?? 0) + step];
    return holding({ ...problem, dials: { ...problem.dials, [dial]: beyond } }, minute).length > 0;
  });
}

/**
 * The fewest moves of the dials that keep every place within a tolerance of where it is now, minute by minute: exact, over
 * all settings. Choices of one minute follow those of the minute before at the cost of each dial that is moved.
 */
export function fadingSchedule(problem: FadingProblem): Schedule {
  const lists = FOLLOWING_DIALS.map((dial) => problem.dials[dial]);
  const minutes = Math.max(0, ...problem.places.map(({ daylightStops }) => daylightStops.length));
  const ways = new Ways(lists);
  let choices: Choice[] = [{ at: lists.map((list) => list.indexOf(0)), cost: 0, from: null }];
  let endsAtMinute: number | null = null;
  for (let minute = 1; minute < minutes; minute += 1) {
    const held = ways.on(choices, holding(problem, minute));
    if (held.length === 0) {
      endsAtMinute = minute;
      break;
    }
    choices = held;
  }
  const last = choices.reduce((least, one) => (one.cost < least.cost ? one : least));
  const stopsOf = ({ at }: Choice): DialsAt => {
    const [shutter = 0, iso = 0, power = 0, dimmer = 0] = at.map((place, dial) => lists[dial]?.[place] ?? 0);
    return { shutter, iso, power, dimmer };
  };
  const at: DialsAt[] = [];
  for (let choice: Choice | null = last; choice !== null; choice = choice.from) at.unshift(stopsOf(choice));
  return {
    at,
    changes: at
      .slice(1)
      .flatMap((dials, index) =>
        FOLLOWING_DIALS.flatMap((dial): ScheduledChange[] =>
          dials[dial] === at[index]?.[dial] ? [] : [{ minute: index + 1, dial, stops: dials[dial] }],
        ),
      ),
    endsAtMinute,
    endedBy: endsAtMinute === null ? [] : enders(problem, endsAtMinute),
  };
}
