import { type Estimate, estimate, type Estimated, type Fired, type Held, type Taken } from '../estimate';
import { type Arrangement, AS_IT_STANDS } from '../gain';
import type { Kit } from '../gear';
import {
  type Light,
  type MeteringPoint,
  type PlacedLamp,
  type Reading,
  type SceneChange,
  type Setup,
  USUAL_METHOD,
} from '../setup';
import { Evidence, lampId } from './evidence';
import { meterIncrementOf } from './instruments';
import { ambientReading, type FlashFault, flashFault, lightEv100, readingNoiseStops } from './levels';
import type { PointAmbient, Staleness } from './pointAmbient';

/** What is known of one light at one point, at full power. */
export interface LightThere {
  /** aperture value at ISO 100 at full power, high-speed sync taken off */
  avAtFull: number;
  /** what its stated figures alone would promise there */
  statedAv: number;
  /** one standard deviation, stops */
  sdStops: number;
}

/** A level at a minute to come. */
export interface LevelAhead {
  ev100: number;
  /** one standard deviation, stops */
  sdStops: number;
}

/**
 * What the light at the face is made of, against what a dome there reads. What a source gives is meant with nothing in the
 * way; what comes by way of a panel is that panel's.
 */
export interface AmbientShares {
  soft: number;
  /** the sun on a card that faces it */
  sunOnCard: number;
  /** windows and doors, by panel */
  openings: { panelId: string; share: number }[];
  /** what each reflector or diffuser sends there */
  panels: { panelId: string; share: number }[];
}

/** A level is marked from here on, and asked for from here on, stops: one standard deviation. */
export const MARKED_SD_STOPS = 1 / 6;
export const ASKED_SD_STOPS = 1 / 3;
/** What a reading in the same light leaves of a level after a cloud: each place changes a little by itself. */
export const CARRIED_SD_STOPS = 0.37;
/** No method is asked to give more than it can: this much over its own noise is marked, and as much more asked for. */
const OVER_OWN_NOISE = 1.25;
/** A level that was moved by less than this since its reading is as it was read, stops. */
const MOVED_STOPS = 0.1;
/**
 * What the estimate leaves so near its newest reading is that reading, with what changed since: no figure changes in its last
 * digit, and no dial goes over to its next step, because something else was read.
 */
const AS_READ_STOPS = 0.1;
/** What other readings leave of a light that nothing has moved, stops. */
const STEADY_STOPS = 0.03;
const steady = (stops: number): number => (Math.abs(stops) < STEADY_STOPS ? 0 : stops);
const MINUTE_MS = 60_000;

/** The light of a setup, given everything that was read in it. */
export class LightEstimate {
  readonly evidence: Evidence;
  readonly now: Estimate;
  /** what was worked out once: while a light is dragged none of it changes */
  private knownShares: AmbientShares | null = null;
  private readonly knownPanels = new Map<string, Estimated>();
  /** readings that say nothing of flash, and why; they are no evidence */
  readonly faults = new Map<string, FlashFault>();

  constructor(
    private readonly setup: Setup,
    private readonly kit: Kit,
    readonly standing: readonly Reading[],
    private readonly changes: readonly SceneChange[],
    private readonly clock: Date,
  ) {
    for (const reading of standing) {
      const fault = reading.light === 'ambient' ? null : flashFault(standing, changes, reading);
      if (fault !== null) this.faults.set(reading.id, fault);
    }
    const usable = standing.filter(({ id }) => !this.faults.has(id));
    this.evidence = new Evidence(setup, kit, usable, changes, clock);
    this.now = estimate(this.evidence.evening);
  }

  /** Held at a point as it faces, now. */
  private heldNow(point: MeteringPoint): Held {
    return this.evidence.held(point, USUAL_METHOD, null, 0);
  }

  /** Everything that was read at a point with the flash off; of two skies, in the one that is now, where it was read there. */
  private ambientOf(point: MeteringPoint): Reading | undefined {
    const { faceBy } = this.setup.look;
    const now = this.sunOutAt(this.clock.getTime());
    const inThisSky = this.standing.filter(({ at }) => this.sunOutAt(Date.parse(at)) === now);
    return ambientReading(inThisSky, point, faceBy) ?? ambientReading(this.standing, point, faceBy);
  }

  /** Whether the sun was out, where somebody told two skies apart; before the first of them it was the other. */
  private sunOutAt(ms: number): boolean | null {
    const told = this.changes.filter(
      ({ what, sunOut, struckAt }) => what === 'sun' && sunOut !== null && struckAt === null,
    );
    const [first] = told;
    if (first === undefined) return null;
    return told.findLast(({ at }) => Date.parse(at) <= ms)?.sunOut ?? first.sunOut === false;
  }

  /** The ambient at a point now. Where only its other dome direction or a disc was taken, as that was held. */
  ambientAt(point: MeteringPoint): PointAmbient {
    const reading = this.ambientOf(point);
    if (reading === undefined)
      return { reading: undefined, ambientEv100: null, sdStops: null, basis: null, stale: null };
    const { stops, sdStops } = this.levelOf(point, reading);
    const stale = this.stalenessOf(point, reading, sdStops);
    const then = this.now.ambient(this.evidence.held(point, reading.method, reading, 0), this.minuteOf(reading));
    const moved = Math.abs(stops - then.stops) > MOVED_STOPS || this.changeSince(point, reading) !== undefined;
    const basis = reading.method.kind === 'disc' ? 'one-source' : moved ? 'carried' : 'measured';
    const read = lightEv100(reading);
    const since = stops - then.stops;
    const ambientEv100 = Math.abs(then.stops - read) > AS_READ_STOPS ? stops : read + (moved ? since : steady(since));
    return { reading, ambientEv100, sdStops, basis, stale };
  }

  /** What is believed of the ambient at a point, whether it was read or not. */
  believedAt(point: MeteringPoint): Estimated {
    return this.now.ambient(this.heldNow(point));
  }

  /**
   * The ambient at a point at minutes to come, held as it was last read there; null where it was not metered.
   */
  ahead(point: MeteringPoint): ((minutes: number) => LevelAhead) | null {
    const reading = this.ambientOf(point);
    const read = this.ambientAt(point).ambientEv100;
    if (reading === undefined || read === null) return null;
    const held = this.evidence.held(point, reading.method, null, 0);
    const { now } = this.evidence.evening;
    const offStops = read - this.now.ambient(held).stops;
    return (minutes) => {
      const { stops, sdStops } = this.now.ambient(held, now + minutes);
      return { ev100: stops + offStops, sdStops };
    };
  }

  private minuteOf({ id }: Reading): number {
    return this.evidence.evening.taken.find((one) => one.id === id)?.minute ?? this.evidence.evening.now;
  }

  /** A point as its newest reading was held, now. */
  private levelOf(point: MeteringPoint, { method }: Reading): Estimated {
    return this.now.ambient(this.evidence.held(point, method, null, 0));
  }

  private changeSince(point: MeteringPoint, { at }: Reading): SceneChange | undefined {
    // a sky that is back is the one that it was read in
    const isSameSky = this.sunOutAt(Date.parse(at)) === this.sunOutAt(this.clock.getTime());
    return this.changes.findLast(
      (change) =>
        change.struckAt === null &&
        Date.parse(change.at) > Date.parse(at) &&
        !(change.what === 'sun' && change.sunOut !== null && isSameSky) &&
        this.evidence.isTouched(point, change),
    );
  }

  private stalenessOf(point: MeteringPoint, reading: Reading, sdStops: number): Staleness | null {
    const own = readingNoiseStops(reading, meterIncrementOf(reading.meterId, this.kit)) * OVER_OWN_NOISE;
    if (sdStops <= Math.max(MARKED_SD_STOPS, own)) return null;
    const change = this.changeSince(point, reading);
    const least = change !== undefined && this.heldNow(point).near ? CARRIED_SD_STOPS : ASKED_SD_STOPS;
    const asked = sdStops > Math.max(least, own * OVER_OWN_NOISE);
    if (change !== undefined) return { kind: 'scene', change: change.what, sdStops, asked };
    const minutes = (this.clock.getTime() - Date.parse(reading.at)) / MINUTE_MS;
    return { kind: 'age', minutes, sdStops, asked };
  }

  /**
   * One light at a point, as it stands in a setup: this one, or one that is being tried; null where it gives as good as
   * nothing, or its gear is gone.
   */
  lightAt(setup: Setup, light: Light, point: MeteringPoint, syncLossStops: number): LightThere | null {
    const fired = this.evidence.lightNow(setup, light, point, syncLossStops);
    if (fired === null) return null;
    const { stops, sdStops } = this.now.flash(fired, this.heldNow(point));
    return { avAtFull: stops, statedAv: fired.statedStops, sdStops };
  }

  /** How well the total at a point is known with lights fired at powers at a shutter, stops: one standard deviation. */
  totalSdStops(
    point: MeteringPoint,
    tv: number,
    fired: readonly { light: Light; powerStops: number; syncLossStops: number }[],
  ): number {
    const lights = fired.flatMap(
      ({ light, powerStops, syncLossStops }) =>
        this.evidence.lightNow(this.setup, light, point, syncLossStops, powerStops) ?? [],
    );
    const { now } = this.evidence.evening;
    const held = this.evidence.held(point, USUAL_METHOD, null, tv);
    return this.now.expect({ ...held, minute: now, light: 'total', fired: lights, instrument: null }).sdStops;
  }

  /** What a panel does to the ambient at a point, stops with its ±: against the same place without it. */
  panelStops(point: MeteringPoint, panelId: string): Estimated {
    const key = `${panelId} ${point.id}`;
    const known = this.knownPanels.get(key);
    if (known !== undefined) return known;
    const without: Arrangement = (panel) => (panel.id === panelId ? null : panel);
    const found = this.now.ambientOver(
      this.evidence.heldWith(point, AS_IT_STANDS),
      this.evidence.heldWith(point, without),
    );
    this.knownPanels.set(key, found);
    return found;
  }

  /**
   * A lamp at a point now: alone, as it stands and is dimmed, whether it is on or off, and everything else there without it.
   * null where it gives nothing there.
   */
  lampAt(lamp: PlacedLamp, point: MeteringPoint): { alone: Estimated; restEv100: number | null } | null {
    const reading = this.ambientOf(point);
    const held = this.evidence.held(point, reading?.method ?? USUAL_METHOD, null, 0);
    const alone = this.evidence.lampAlone(lamp, held, point);
    if (alone === null) return null;
    const rest = { ...held, ambient: held.ambient.filter(({ source }) => source !== lampId(lamp)) };
    const restEv100 = reading === undefined || rest.ambient.length === 0 ? null : this.now.ambient(rest).stops;
    return { alone: this.now.ambient(alone), restEv100 };
  }

  /**
   * The ambient at a point but for some lamps, EV100; null where it was not metered, or nothing else is there.
   */
  restWithout(point: MeteringPoint, lampIds: ReadonlySet<string>): number | null {
    const reading = this.ambientOf(point);
    if (reading === undefined) return null;
    const held = this.evidence.held(point, reading.method, null, 0);
    const ids = new Set([...lampIds].map((id) => lampId({ id })));
    const rest = held.ambient.filter(({ source }) => !ids.has(source));
    // nothing of these lamps is in the reading: it stands as it was read
    if (rest.length === held.ambient.length) return this.ambientAt(point).ambientEv100;
    return rest.length === 0 ? null : this.now.ambient({ ...held, ambient: rest }).stops;
  }

  /** A lamp alone at a point by its stated values, EV100, as it would stand; null where it gives nothing there. */
  statedLampAt(lamp: PlacedLamp, point: MeteringPoint): number | null {
    const held = this.evidence.held(point, USUAL_METHOD, null, 0);
    return this.evidence.lampAlone(lamp, held, point)?.ambient[0]?.knownStops ?? null;
  }

  /** What the light at the face is made of, as shares of what a dome there reads. */
  shares(): AmbientShares {
    this.knownShares ??= this.sharesNow();
    return this.knownShares;
  }

  private sharesNow(): AmbientShares {
    const parts = this.evidence.parts().map((part) => ({ ...part, strength: 2 ** this.now.ambient(part.held).stops }));
    const sumOf = (gain: (part: (typeof parts)[number]) => number) =>
      parts.reduce((sum, part) => sum + part.strength * gain(part), 0);
    const all = Math.max(1e-9, sumOf(({ gain }) => gain(null)) + this.lampsOnFace());
    const isSoft = ({ source }: (typeof parts)[number]) => source.kind === 'even' || source.kind === 'side';
    return {
      soft: sumOf((part) => (isSoft(part) ? part.openGain : 0)) / all,
      sunOnCard: sumOf(({ source }) => (source.kind === 'sun' ? 1 : 0)) / all,
      openings: parts.flatMap(({ source, strength, openGain }) =>
        source.kind === 'opening' ? [{ panelId: source.panelId, share: (strength * openGain) / all }] : [],
      ),
      panels: this.setup.panels
        .filter(({ kind }) => kind === 'reflector' || kind === 'diffuser')
        .map(({ id }) => ({ panelId: id, share: sumOf(({ gain }) => gain(null) - gain(id)) / all })),
    };
  }

  /** What lamps that are on give the face together, linear. */
  private lampsOnFace(): number {
    const face = this.setup.points.find(({ role }) => role === 'face');
    if (face === undefined) return 0;
    return this.setup.lamps.reduce((sum, lamp) => {
      const there = lamp.on ? this.lampAt(lamp, face) : null;
      return there === null ? sum : sum + 2 ** there.alone.stops;
    }, 0);
  }

  /** A light alone as it was when a reading was taken. */
  firedAt(reading: Reading, lightId: string): { fired: Fired; av: Estimated } | null {
    const taken = this.takenOf(reading.id);
    const fired = taken?.fired.find(({ id }) => id === lightId);
    return taken === undefined || fired === undefined ? null : { fired, av: this.now.flash(fired, taken) };
  }

  takenOf(readingId: string): Taken | undefined {
    return this.evidence.evening.taken.find(({ id }) => id === readingId);
  }

  /** A reading over what all the others foretell for it, stops; null where it is no evidence. */
  offStops(readingId: string): number | null {
    const { taken } = this.evidence.evening;
    const index = taken.findIndex(({ id }) => id === readingId);
    const one = taken[index];
    return one === undefined ? null : one.stops - this.now.fit.leftOut(index).stops;
  }

  /** What the ± of levels would be with one more reading, taken now: by point. */
  withReading(point: MeteringPoint, others: readonly MeteringPoint[]): Map<string, number> {
    const { evening } = this.evidence;
    const reading = this.ambientOf(point);
    const held = this.evidence.held(point, reading?.method ?? USUAL_METHOD, null, 0);
    const taken: Taken = {
      ...held,
      id: `again:${point.id}`,
      minute: evening.now,
      light: 'ambient',
      fired: [],
      instrument: null,
      stops: this.now.ambient(held).stops,
      sdStops: reading === undefined ? 0.1 : readingNoiseStops(reading, meterIncrementOf(reading.meterId, this.kit)),
      sure: true,
    };
    const then = estimate({ ...evening, taken: [...evening.taken, taken] });
    return new Map(
      others.flatMap((other): [string, number][] => {
        const its = this.ambientOf(other);
        if (its === undefined) return [];
        return [[other.id, then.ambient(this.evidence.held(other, its.method, null, 0)).sdStops]];
      }),
    );
  }
}
