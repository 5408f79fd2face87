import { unitPartId } from '../calibration';
import { type Beliefs, BELIEFS, DIAL_MIDDLE_STOPS } from './beliefs';
import type { Evening, Fired, Held, Learned, Made, Source, Wanted } from './evening';
import { type Component, type Level, levelOf, type Part } from './level';

/** An evening's components, and the levels that are made of them. */
export class Model {
  readonly components: Component[] = [];
  private readonly names = new Map<string, number>();
  private readonly begin: number;
  private readonly trendSd: number;
  private readonly sources: Map<string, Source>;
  /** rows of the factor of what was learned: stops of a thing for a stop of each of its own components */
  private readonly taught: Map<string, Part[]>;

  constructor(
    private readonly evening: Evening,
    private readonly beliefs: Beliefs,
  ) {
    const { taken, now, sources } = evening;
    this.begin = taken.reduce((least, { minute }) => Math.min(least, minute), now);
    this.sources = new Map(sources.map((source) => [source.id, source]));
    this.trendSd = this.trend();
    this.taught = this.partsOfLearned();
  }

  /** How fast light may fade without a forecast, by the brightest that was read. */
  private trend(): number {
    const { forecast, indoors, taken } = this.evening;
    const { foretold, indoors: inside, outdoors } = this.beliefs.trend;
    if (forecast !== null) return foretold;
    if (indoors) return inside;
    const brightest = taken.reduce(
      (most, { light, stops }) => (light === 'ambient' ? Math.max(most, stops) : most),
      -98,
    );
    return outdoors.find(({ aboveEv100 }) => brightest > aboveEv100)?.sd ?? inside;
  }

  private component(name: string, make: () => Component): number {
    const known = this.names.get(name);
    if (known !== undefined) return known;
    const at = this.components.push(make()) - 1;
    this.names.set(name, at);
    return at;
  }

  private stays(name: string, sdStops: number): number {
    return this.component(name, () => sdStops ** 2);
  }

  /** Wanders from the first reading on by a variance a minute, and by more at each event. */
  private wanders(sdStops: number, perRootMinute: number, jumps: readonly { minute: number; sdStops: number }[]) {
    const { begin } = this;
    return (a: number, b: number): number => {
      const minute = Math.min(a, b);
      let variance = sdStops ** 2 + perRootMinute ** 2 * (minute - begin);
      for (const jump of jumps) if (jump.minute <= minute) variance += jump.sdStops ** 2;
      return variance;
    };
  }

  /** Which of two skies it is, where that was said: the sun out or in; null: nobody said. */
  private skyAt(minute: number): 'out' | 'in' | null {
    const said = this.evening.events.flatMap((event) =>
      event.what === 'cloud' && event.sunOut !== undefined ? [{ minute: event.minute, sunOut: event.sunOut }] : [],
    );
    const [first] = said;
    if (first === undefined) return null;
    const last = said.findLast((one) => one.minute <= minute);
    return (last?.sunOut ?? !first.sunOut) ? 'out' : 'in';
  }

  /** What a sky is over or under the other, everywhere and at a point by itself: it comes back with that sky. */
  private skyParts(minute: number, of: string, sdStops: number): Part[] {
    const sky = this.skyAt(minute);
    return sky === null ? [] : [{ of: this.stays(`sky:${sky}:${of}`, sdStops), minute, factor: 1 }];
  }

  private daylight(minute: number): { knownStops: number; parts: Part[] } {
    const { beliefs, begin } = this;
    const { events, sky, forecast, daylightSdStops } = this.evening;
    const clouds = events.filter((event) => event.what === 'cloud' && event.sunOut === undefined);
    const day = this.component('day', () =>
      this.wanders(
        daylightSdStops,
        beliefs.wander[sky],
        clouds.map((cloud) => ({ minute: cloud.minute, sdStops: beliefs.cloud.daylight })),
      ),
    );
    const parts = [
      { of: day, minute, factor: 1 },
      { of: this.stays('trend', this.trendSd), minute, factor: minute - begin },
      ...this.skyParts(minute, 'all', beliefs.cloud.daylight),
    ];
    if (forecast === null) return { knownStops: 0, parts };
    const change = forecast(minute) - forecast(begin);
    parts.push({ of: this.stays('forecast', beliefs.forecastScale), minute, factor: change });
    return { knownStops: change, parts };
  }

  private own({ point, near }: Held, minute: number): Part[] {
    const { beliefs } = this;
    const { events, sky } = this.evening;
    const light = near ? 'near' : 'far';
    const of = this.component(`own:${point}`, () =>
      this.wanders(
        beliefs.own[light],
        beliefs.ownWander[sky][light],
        events.flatMap((event) => {
          if (event.what === 'cloud')
            return event.sunOut === undefined ? [{ minute: event.minute, sdStops: beliefs.cloud[light] }] : [];
          if (event.what !== 'points' || !event.points.includes(point)) return [];
          const sds = { each: beliefs.moved, together: beliefs.cloud.near, anew: beliefs.own.far };
          return [{ minute: event.minute, sdStops: sds[event.how] }];
        }),
      ),
    );
    return [{ of, minute, factor: 1 }, ...this.skyParts(minute, point, beliefs.cloud[light])];
  }

  /** What people who moved share since, whatever it was. */
  private movedTogether({ point }: Held, minute: number): Part[] {
    return this.evening.events.flatMap((event, index): Part[] => {
      if (event.what !== 'points' || event.how !== 'together' || event.minute > minute || !event.points.includes(point))
        return [];
      return [{ of: this.stays(`moved:${index}`, this.beliefs.moved), minute, factor: 1 }];
    });
  }

  private strength(source: Source, minute: number): Part[] {
    const jumps = this.evening.events.flatMap((event) =>
      event.what === 'source' && event.source === source.id
        ? [{ minute: event.minute, sdStops: this.beliefs.lamp.switched }]
        : [],
    );
    if (source.sdStops === 0 && jumps.length === 0) return [];
    const of = this.component(`source:${source.id}`, () => this.wanders(source.sdStops, 0, jumps));
    return [{ of, minute, factor: 1 }];
  }

  /** The levels of ambient at a receiver, one a source. */
  ambient(held: Held, minute: number): Level[] {
    const { beliefs } = this;
    const own = this.own(held, minute);
    const aim =
      held.aim === null ? [] : [{ of: this.stays(`aim:${held.point}:${held.aim}`, beliefs.aim), minute, factor: 1 }];
    const daylight = this.daylight(minute);
    const moved = this.movedTogether(held, minute);
    return held.ambient.flatMap(({ source: id, knownStops }): Level[] => {
      const source = this.sources.get(id);
      if (source === undefined) return [];
      const strength = this.strength(source, minute);
      if (source.follows === 'daylight')
        return [
          levelOf(knownStops + daylight.knownStops - held.tv, [
            ...daylight.parts,
            ...own,
            ...moved,
            ...strength,
            ...aim,
          ]),
        ];
      const there = this.stays(`source:${id}:${held.point}`, beliefs.lamp.atPoint);
      return [levelOf(knownStops - held.tv, [...strength, { of: there, minute, factor: 1 }, ...aim])];
    });
  }

  /** A light alone at a point. */
  flash(
    { id, statedStops, powerStops, made, quirks, place, placeSdStops, spillSdStops }: Fired,
    point: string,
    minute: number,
  ): Level {
    const { beliefs } = this;
    const parts: Part[] = [{ of: this.stays(`place:${id}:${place}`, placeSdStops), minute, factor: 1 }];
    if (spillSdStops > 0)
      parts.push({ of: this.stays(`spill:${id}:${place}:${point}`, spillSdStops), minute, factor: 1 });
    let knownStops = statedStops + powerStops;
    for (const thing of made) {
      const learned = this.madeParts(thing);
      knownStops += this.taughtMean(thing);
      parts.push(...learned);
    }
    const [unit] = made;
    const dial = unit === undefined ? [] : [{ ...dialOf(unit, beliefs), factor: powerStops - DIAL_MIDDLE_STOPS }];
    for (const { factor, ...quirk } of [...dial, ...quirks]) {
      knownStops += factor * this.taughtMean(quirk);
      parts.push(...this.madeParts(quirk).map((part) => ({ ...part, factor: factor * part.factor })));
    }
    return levelOf(knownStops, summed(parts));
  }

  /** What adds up in a reading. */
  levels(wanted: Wanted): Level[] {
    const { light, fired, minute, point, instrument } = wanted;
    const ambient = light === 'flash' ? [] : this.ambient(wanted, minute);
    const flashes = light === 'ambient' ? [] : fired.map((one) => this.flash(one, point, minute));
    const levels = [...ambient, ...flashes];
    if (instrument === null) return levels;
    // what reads too much reads all of it too much
    const offStops = this.taughtMean(instrument);
    const parts = this.madeParts(instrument);
    return levels.map((level) => levelOf(level.knownStops + offStops, summed([...level.parts, ...parts])));
  }

  /** A thing of the kit: what it is off by. */
  madeLevel(thing: Made): Level {
    return levelOf(this.taughtMean(thing), this.madeParts(thing));
  }

  private taughtMean({ id }: Made): number {
    const { learned } = this.evening;
    const at = learned?.ids.indexOf(id) ?? -1;
    return at < 0 ? 0 : (learned?.meanStops[at] ?? 0);
  }

  private madeParts({ id, sdStops }: Made): readonly Part[] {
    return this.taught.get(id) ?? [{ of: this.stays(`made:${id}`, sdStops), minute: 0, factor: 1 }];
  }

  /**
   * What was learned is jointly normal: by the factor of its covariance each thing is a sum of components that are
   * independent of each other.
   */
  private partsOfLearned(): Map<string, Part[]> {
    const { learned } = this.evening;
    if (learned === null) return new Map();
    const rows = lowerFactor(learned.covariance);
    return new Map(
      learned.ids.map((id, row) => [
        id,
        (rows[row] ?? []).flatMap((factor, column): Part[] =>
          factor === 0 ? [] : [{ of: this.stays(`learned:${column}`, 1), minute: 0, factor }],
        ),
      ]),
    );
  }
}

/** A unit's dial as a thing that readings teach about. */
export const dialOf = ({ id }: Made, { dial }: Beliefs = BELIEFS): Made => ({
  id: unitPartId('dial', id),
  sdStops: dial,
});

/** Parts of the same component become one: a unit and its modifier may have been taught together. */
function summed(parts: readonly Part[]): Part[] {
  const byComponent = new Map<number, Part>();
  for (const part of parts) {
    const known = byComponent.get(part.of);
    byComponent.set(part.of, known === undefined ? part : { ...known, factor: known.factor + part.factor });
  }
  return [...byComponent.values()];
}

/** The lower factor of a covariance; a row without anything of its own left ends in 0. */
function lowerFactor(covariance: Learned['covariance']): number[][] {
  const rows: number[][] = [];
  covariance.forEach((row, i) => {
    const factor: number[] = [];
    for (let j = 0; j <= i; j += 1) {
      let left = row[j] ?? 0;
      for (let k = 0; k < j; k += 1) left -= (factor[k] ?? 0) * ((j === i ? factor : rows[j])?.[k] ?? 0);
      if (j === i) factor.push(Math.sqrt(Math.max(0, left)));
      else factor.push((rows[j]?.[j] ?? 0) < 1e-9 ? 0 : left / (rows[j]?.[j] ?? 1));
    }
    rows.push(factor);
  });
  return rows;
}
