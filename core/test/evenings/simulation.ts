/**
 * Evenings and rooms as they might be, and a photographer in them, to hold the estimate against: how often the truth lies
 * within its ±, what it asks and when. The light here is made by other rules than the estimate's, with thicker tails.
 */
import {
  BELIEFS,
  type Cause,
  type CauseKind,
  causes,
  estimate,
  type Estimate,
  type Evening,
  type Event,
  type Fired,
  type Held,
  type Taken,
} from '../../src/estimate';
import { addLight, remainingLight } from '../../src/photometry';
import { type Chance, chanceOf } from './chance';

const WEATHER = {
  clear: { ev: [14.5, 1], fade: 0.008, walk: 0.03, clouds: 1 / 90, sky: 'steady' },
  thin: { ev: [12.8, 1], fade: 0.015, walk: 0.05, clouds: 1 / 40, sky: 'steady' },
  broken: { ev: [13.5, 1.2], fade: 0.012, walk: 0.14, clouds: 1 / 10, sky: 'moving' },
  indoor: { ev: [7, 1.5], fade: 0.02, walk: 0.04, clouds: 1 / 60, sky: 'steady' },
} as const;
type Weather = keyof typeof WEATHER;
const POINTS = [
  { id: 'face', near: true, off: 0, spread: 0 },
  { id: 'shadow', near: true, off: -1.4, spread: 0.6 },
  { id: 'background', near: false, off: 0.3, spread: 1.8 },
] as const;
const MISTAKES = { often: 1 / 20, declared: 0.8 };

/** What a simulated evening has shown. */
export interface Shown {
  /** errors in units of the ±, by kind of figure */
  off: { carried: number[]; fresh: number[]; flash: number[] };
  /** stops: the flash by the estimate, and by total minus the newest ambient */
  power: { estimate: number; rule: number }[];
  /** stops of error at a point read again after a declared change, and at one just read */
  afterEvent: number[];
  readings: number;
  falseQuestions: number;
  /** mistakes and changes that were plain enough, and those of them that were asked about at once */
  plain: number;
  asked: number;
  /** of those that were asked: where the true cause stood in the list, 0 for first */
  ranks: number[];
}

/** The light as it truly is, minute by minute. */
class Truth {
  readonly changes: { minute: number; declared: boolean }[] = [];
  private readonly steps: { day: number; own: number[] }[] = [];
  readonly flashOff: number;
  readonly dial: number;

  constructor(
    readonly weather: Weather,
    { uniform, normal, thick }: Chance,
    minutes: number,
  ) {
    const { ev, fade, walk, clouds } = WEATHER[weather];
    const rate = thick(fade);
    const own = POINTS.map(({ off, spread }) => off + normal(spread));
    let day = ev[0] + normal(ev[1]);
    for (let step = 0; step <= minutes * 2; step += 1) {
      day += rate / 2 + thick(walk * Math.SQRT1_2);
      POINTS.forEach(({ near }, i) => (own[i]! += thick((near ? 0.02 : 0.03) * Math.SQRT1_2)));
      if (uniform() < clouds / 2) {
        day += (uniform() < 0.6 ? -1 : 1) * (0.4 + 1.4 * uniform());
        POINTS.forEach(({ near }, i) => (own[i]! += normal(near ? 0.15 : 0.7)));
        this.changes.push({ minute: step / 2, declared: uniform() < MISTAKES.declared });
      }
      this.steps.push({ day, own: [...own] });
    }
    this.flashOff = thick(0.45);
    this.dial = normal(0.015);
  }

  ambient(point: number, minute: number): number {
    const step = this.steps[Math.min(this.steps.length - 1, Math.round(minute * 2))]!;
    return step.day + step.own[point]!;
  }

  flash(powerStops: number): number {
    return STATED_STOPS + this.flashOff + powerStops + this.dial * (powerStops + 4);
  }
}

/** What the key is stated to give at the face at full power; set so that a test is about as bright as the ambient. */
const STATED_STOPS = 17;
const fired = (powerStops: number): Fired => ({
  id: 'key',
  statedStops: STATED_STOPS,
  powerStops,
  made: [
    { id: 'unit:key', sdStops: BELIEFS.unit },
    { id: 'modifier:key', sdStops: BELIEFS.modifier },
  ],
  quirks: [],
  place: 'as it stands',
  placeSdStops: BELIEFS.place,
  spillSdStops: 0,
});

/** One evening: a dozen and a half of readings, answered truthfully where one is asked about. */
export function simulate(seed: number): Shown {
  const chance = chanceOf(seed);
  const weather = (Object.keys(WEATHER) as Weather[])[seed % 4]!;
  const truth = new Truth(weather, chance, 60);
  return new Shoot(truth, chance).run();
}

class Shoot {
  private readonly shown: Shown = {
    off: { carried: [], fresh: [], flash: [] },
    power: [],
    afterEvent: [],
    readings: 0,
    falseQuestions: 0,
    plain: 0,
    asked: 0,
    ranks: [],
  };
  private taken: Taken[] = [];
  private events: Event[] = [];
  private readonly held: Held[];
  private readonly believed: number;
  private readonly newest = new Map<number, { stops: number; minute: number }>();
  /** something was wrong and was not asked about */
  private slipped = false;

  constructor(
    private readonly truth: Truth,
    private readonly chance: Chance,
  ) {
    const indoors = truth.weather === 'indoor';
    this.believed = indoors ? BELIEFS.standsIn.indoors.stops : BELIEFS.daylight.stops;
    this.held = POINTS.map(({ id, near }) => ({
      point: id,
      aim: null,
      near,
      tv: 0,
      ambient: [{ source: 'sky', knownStops: this.believed }],
    }));
  }

  private evening(now: number): Evening {
    const indoors = this.truth.weather === 'indoor';
    return {
      sources: [{ id: 'sky', follows: 'daylight', sdStops: 0 }],
      events: this.events,
      taken: this.taken,
      now,
      sky: WEATHER[this.truth.weather].sky,
      indoors,
      daylightSdStops: indoors ? BELIEFS.standsIn.indoors.sd : BELIEFS.daylight.sd,
      forecast: null,
      learned: null,
    };
  }

  run(): Shown {
    const { uniform } = this.chance;
    let [minute, before] = [0, 0];
    for (let i = 0; i < 16; i += 1) {
      const changes = this.truth.changes.filter((change) => change.minute > before && change.minute <= minute);
      for (const change of changes) if (change.declared) this.events.push({ minute: change.minute, what: 'cloud' });
      const undeclared = changes.some(({ declared }) => !declared);
      const declared = changes.some((change) => change.declared);
      const point = i < 3 ? i : uniform() < 0.5 ? 0 : Math.floor(uniform() * 3);
      const light = i < 3 || point !== 0 || uniform() < 0.5 ? 'ambient' : 'total';
      this.read(point, light, minute, undeclared, declared);
      before = minute;
      minute += i < 3 ? 0.2 : 0.3 + 4 * uniform() ** 2;
    }
    return this.shown;
  }

  /** Reads a point, perhaps wrongly, and answers what is asked of it. */
  private read(point: number, light: Taken['light'], minute: number, undeclared: boolean, declared: boolean): void {
    const { uniform, thick } = this.chance;
    const { truth, shown } = this;
    const ambient = truth.ambient(point, minute);
    const said = light === 'total' ? Math.max(-8, Math.min(0, Math.round((ambient - STATED_STOPS) * 3) / 3)) : 0;
    const mistake = this.taken.length > 2 && uniform() < MISTAKES.often ? this.mistakeOf(light) : null;
    const really = mistake === 'power' ? said + (uniform() < 0.5 ? -1 : 1) : said;
    const elsewhere = mistake === 'point' ? (point + 1) % 3 : point;
    const there = truth.ambient(elsewhere, minute);
    let stops = (light === 'total' ? addLight(there, truth.flash(really)) : there) + thick(0.1);
    if (mistake === 'meter') stops += uniform() < 0.5 ? -1 : 1;
    stops = Math.round(stops * 10) / 10;
    if (mistake === 'tenth') stops = Math.floor(stops);
    const newest: Taken = {
      ...this.held[point]!,
      id: `${this.taken.length}`,
      minute,
      light,
      fired: light === 'total' ? [fired(said)] : [],
      stops,
      instrument: null,
      sdStops: BELIEFS.noise,
      sure: false,
    };
    const old = estimate(this.evening(minute));
    const foretold = old.expect(newest);
    const read = this.taken.some((one) => one.point === newest.point);
    const right = light === 'total' ? addLight(ambient, truth.flash(said)) : ambient;
    this.taken.push(newest);
    const now = estimate(this.evening(minute), old);
    const off = Math.abs(stops - foretold.stops) / Math.hypot(foretold.sdStops, newest.sdStops);
    shown.readings += 1;
    const wrong = mistake !== null || undeclared;
    if (mistake !== null && Math.abs(stops - right) > Math.max(0.5, 4 * foretold.sdStops)) {
      shown.plain += 1;
      if (off > 3) shown.asked += 1;
    }
    if (off > 3 && read) {
      // after a slip that nobody noticed a question is no false one: it may well be about that
      if (!wrong && !this.slipped) shown.falseQuestions += 1;
      if (wrong) this.answer(mistake ?? 'ambient', newest, old, now, right, minute);
      return;
    }
    if (wrong) this.slipped = true;
    else this.note(point, light, minute, said, declared, newest);
  }

  private mistakeOf(light: Taken['light']): CauseKind {
    const kinds: CauseKind[] = light === 'total' ? ['meter', 'power', 'tenth'] : ['meter', 'tenth', 'point'];
    return kinds[Math.floor(this.chance.uniform() * kinds.length)]!;
  }

  /** Where the true cause stood in the list; then the record is put right. */
  private answer(kind: CauseKind, newest: Taken, old: Estimate, now: Estimate, right: number, minute: number): void {
    const likely: Cause[] = causes(this.evening(minute), old, now);
    this.shown.ranks.push(likely.findIndex((one) => one.kind === kind));
    this.taken.pop();
    if (kind === 'ambient') {
      const since = this.taken.at(-1)?.minute ?? 0;
      this.events.push({ minute: (since + minute) / 2, what: 'cloud' });
      this.taken.push(newest);
    } else this.taken.push({ ...newest, stops: Math.round((right + this.chance.thick(0.1)) * 10) / 10 });
  }

  /** What is known now against the truth. */
  private note(
    point: number,
    light: Taken['light'],
    minute: number,
    powerStops: number,
    declared: boolean,
    newest: Taken,
  ): void {
    const { truth, shown } = this;
    const now = estimate(this.evening(minute));
    POINTS.forEach((_, i) => {
      if (!this.taken.some((one) => one.point === POINTS[i]!.id && one.light === 'ambient')) return;
      const figure = now.ambient(this.held[i]!);
      const error = figure.stops - truth.ambient(i, minute);
      const fresh = i === point && light === 'ambient';
      shown.off[fresh ? 'fresh' : 'carried'].push(error / figure.sdStops);
      if (fresh && declared) shown.afterEvent.push(Math.abs(error));
    });
    if (light === 'ambient') {
      this.newest.set(point, { stops: newest.stops, minute });
      return;
    }
    const flash = now.flash(fired(powerStops), this.held[0]!);
    const error = flash.stops - truth.flash(powerStops);
    shown.off.flash.push(error / flash.sdStops);
    const ambient = this.newest.get(0)?.stops;
    const rule = ambient === undefined ? undefined : remainingLight(newest.stops, ambient);
    if (rule !== undefined)
      shown.power.push({ estimate: Math.abs(error), rule: Math.abs(rule - truth.flash(powerStops)) });
  }
}

/** All of some evenings together. */
export function together(all: readonly Shown[]): Record<string, number> {
  const every = <T>(pick: (one: Shown) => readonly T[]): T[] => all.flatMap((one) => [...pick(one)]);
  const sum = (pick: (one: Shown) => number) => all.reduce((total, one) => total + pick(one), 0);
  const share = (values: readonly number[], most: number) =>
    values.filter((value) => Math.abs(value) <= most).length / values.length;
  const at = (values: readonly number[], part: number) =>
    [...values].sort((a, b) => a - b)[Math.floor(values.length * part)] ?? 0;
  const ranks = every(({ ranks: one }) => one);
  const power = every(({ power: one }) => one);
  const rule = power.map((one) => one.rule);
  const ours = power.map((one) => one.estimate);
  const result: Record<string, number> = {};
  for (const kind of ['carried', 'fresh', 'flash'] as const) {
    const off = every((one) => one.off[kind]);
    result[`${kind} within 1`] = share(off, 1);
    result[`${kind} within 2`] = share(off, 2);
  }
  result['after a declared change, median'] = at(
    every(({ afterEvent }) => afterEvent),
    0.5,
  );
  result['false questions, a reading'] = sum((one) => one.falseQuestions) / sum((one) => one.readings);
  result['plain mistakes asked about'] =
    sum((one) => one.asked) /
    Math.max(
      1,
      sum((one) => one.plain),
    );
  result['true cause first'] = ranks.filter((rank) => rank === 0).length / ranks.length;
  result['true cause among two'] = ranks.filter((rank) => rank >= 0 && rank < 2).length / ranks.length;
  result['power error, median against the plain rule'] = at(ours, 0.5) / at(rule, 0.5);
  result['power error, nine in ten against the plain rule'] = at(ours, 0.9) / at(rule, 0.9);
  return result;
}
