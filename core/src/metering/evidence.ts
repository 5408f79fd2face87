import {
  BELIEFS,
  type Event,
  type Evening,
  type Fired,
  type Held,
  type Learned,
  type Source,
  type SourceThere,
  type Taken,
} from '../estimate';
import {
  ambientSources,
  type Arrangement,
  type BelievedSource,
  daylightEv100,
  EYES,
  flashAt,
  gainOf,
  heldAs,
  isIndoors,
  lampAt,
  type LightConfig,
  lightConfig,
  type Receiver,
  receiverForAim,
  receiverOf,
  skyEv100,
  turnedFrom,
  withoutSending,
} from '../gain';
import type { Kit } from '../gear';
import { addLight } from '../photometry';
import { direction, lightPlace } from '../scene';
import {
  type FiredLight,
  type Light,
  LIGHT_ROLE_FACTS,
  type MeteringPoint,
  type PlacedLamp,
  type StoodLamp,
  type Reading,
  type ReadingMethod,
  ROLE_FACTS,
  type SceneChange,
  type Setup,
  standAt,
  touchesPoint,
  USUAL_METHOD,
} from '../setup';
import { lightEv100, readingNoiseStops } from './levels';
import { meterIncrementOf, instrumentOf } from './instruments';
import { recentReadings } from './recent';
import { openingsOf, sourceIn, type State, States } from './states';
import { Timeline } from './timeline';

/** Two clouds that were reported make a moving sky; one that goes back and forth between two states does not. */
const MOVING_SKY_EVENTS = 2;
/** A stage that is set for the sun of another day says nothing of today's. */
const SAME_DAY_MS = 12 * 3_600_000;
/** Lower suns leave so little that the lamps of any street are more: how much there is is not believed, degrees. */
const BELIEVED_DOWN_TO_DEG = -2;
/** How it fades is foretold through the blue hour, degrees. */
export const FORETOLD_DOWN_TO_DEG = -8;
/** No sun stands lower. */
const NADIR_DEG = -90;
/** A panel that changes a point's light by less is not felt there, stops. */
const FELT_STOPS = 0.1;
/** What happens to all the people alike, but for a little. */
const TOGETHER: readonly SceneChange['what'][] = ['subject-moved', 'opening-moved'];

/** A lamp as a source. */
export const lampId = ({ id }: Pick<PlacedLamp, 'id'>): string => `lamp:${id}`;

/** A light as it stood and was made, now or when it was fired. */
export type StoodLight = Pick<
  FiredLight,
  'unitId' | 'outlet' | 'zoomMm' | 'modifierId' | 'gridId' | 'gelIds' | 'distanceM' | 'featherDeg'
> &
  Pick<Light, 'sideDeg' | 'heightM' | 'aimPointId' | 'placeSaid'> & { lightId: string };

/** The receiver of a light's reading: as it was read where that was written down, else as the point faces. */
function receiverFor(
  setup: Setup,
  stood: StoodLight,
  point: MeteringPoint,
  method: ReadingMethod,
  asideDeg: number | null,
): Receiver | null {
  const aim = receiverForAim(setup, stood);
  const place = stood.aimPointId === point.id ? aim : receiverOf(point, setup);
  if (place === null) return null;
  const from = lightPlace(aim.at, stood);
  const held = heldAs(place, method, from);
  return asideDeg === null ? held : turnedFrom(held, from, asideDeg);
}

const isPlaced = (setup: Setup, pointId: string): boolean => {
  const point = setup.points.find(({ id }) => id === pointId);
  return point !== undefined && receiverOf(point, setup) !== null;
};

/** Where a light stands, under one name for the same stand, and how far that may be off. */
const placeOf = ({ distanceM, sideDeg, heightM, featherDeg, placeSaid }: StoodLight) => ({
  place: [distanceM.toFixed(2), sideDeg.toFixed(0), heightM.toFixed(2), featherDeg.toFixed(0), placeSaid].join(' '),
  placeSdStops: placeSaid ? BELIEFS.place : BELIEFS.placeAssumed,
});

/** What earlier readings say of the kit; null before there are any. */
const learnedOf = ({ calibration }: Kit): Learned | null => (calibration.ids.length === 0 ? null : calibration);

/** The name under which the question about a reading that surprises is answered. */
export const surpriseQuestion = (readingId: string): string => `surprise:${readingId}`;

/** Everything that was read and is known of a setup, as the estimate wants it. */
export class Evidence {
  readonly evening: Evening;
  private readonly sources: readonly BelievedSource[];
  private readonly face: MeteringPoint | undefined;
  private readonly timeline: Timeline;
  private readonly states: States;
  private readonly lamps: readonly StoodLamp[];

  constructor(
    private readonly setup: Setup,
    private readonly kit: Kit,
    readonly standing: readonly Reading[],
    changes: readonly SceneChange[],
    clock: Date,
  ) {
    const [first] = standing;
    const events = changes.filter(({ struckAt }) => struckAt === null);
    this.states = new States(setup, kit, events);
    const lamps = [...standing.flatMap(({ stood }) => stood?.lamps ?? []), ...setup.lamps];
    this.lamps = [...new Map(lamps.map((lamp) => [lamp.id, lamp])).values()];
    this.timeline = new Timeline([...standing, ...events].map(({ at }) => Date.parse(at)));
    this.face = setup.points.find(({ role }) => role === 'face');
    const reference: Arrangement = (panel) => (first === undefined ? panel : standAt(panel, first.at));
    this.sources = ambientSources(setup, kit, reference);
    const happened = events.flatMap((change) => this.eventsOf(change));
    this.evening = {
      sources: [
        ...this.sources.map(({ source, sdStops }): Source => ({ id: source.id, follows: 'daylight', sdStops })),
        ...this.lamps.map((lamp): Source => ({ id: lampId(lamp), follows: 'itself', sdStops: BELIEFS.lamp.stated })),
      ],
      // in a break the light has become another: nothing is made of how much it changed
      events: [...happened, ...this.timeline.breaks.map((minute): Event => ({ minute, what: 'cloud' }))],
      taken: recentReadings(standing).flatMap((reading) => this.takenOf(reading)),
      now: this.timeline.now(clock.getTime()),
      sky:
        events.filter(({ what, sunOut }) => what === 'sun' && sunOut === null).length >= MOVING_SKY_EVENTS
          ? 'moving'
          : 'steady',
      indoors: isIndoors(setup),
      daylightSdStops: this.beliefAt(this.face).sd,
      forecast: this.forecast(clock),
      learned: learnedOf(kit),
    };
  }

  private beliefAt(point: MeteringPoint | undefined): { stops: number; sd: number } {
    const sky = point === this.face ? skyEv100(this.setup, null, BELIEVED_DOWN_TO_DEG) : null;
    if (sky !== null) return { stops: sky, sd: point?.standsIn === 'shade' ? BELIEFS.sky.shade : BELIEFS.sky.open };
    return point?.standsIn == null ? BELIEFS.daylight : BELIEFS.standsIn[point.standsIn];
  }

  /**
   * How daylight goes on by place and time, stops; null where those are not known, the stage is set for another day, or it
   * is darker than dusk at the first reading or now.
   */
  private forecast(clock: Date): Evening['forecast'] {
    const { sun } = this.setup.stage;
    if (sun?.by !== 'time' || Math.abs(Date.parse(sun.at) - clock.getTime()) > SAME_DAY_MS) return null;
    const lowest = [this.timeline.timeOf(0), clock.getTime()].map((ms) =>
      daylightEv100(this.setup, new Date(ms).toISOString(), FORETOLD_DOWN_TO_DEG),
    );
    if (lowest.includes(null)) return null;
    const foretold = new Map<number, number>();
    return (minute) => {
      const known = foretold.get(minute);
      if (known !== undefined) return known;
      const at = new Date(this.timeline.timeOf(minute)).toISOString();
      const stops = daylightEv100(this.setup, at, NADIR_DEG) ?? 0;
      foretold.set(minute, stops);
      return stops;
    };
  }

  private eventsOf(change: SceneChange): Event[] {
    const { what, at, sunOut } = change;
    const minute = this.timeline.minuteOf(Date.parse(at));
    // a door or a lamp that was touched changes what comes in as much as a cloud does
    if (what === 'sun' && sunOut !== null) return [{ minute, what: 'cloud', sunOut }];
    if (what === 'sun' || what === 'opening') return [{ minute, what: 'cloud' }];
    // what a lamp gives is known by its dimmer; nothing else changes with it
    if (what === 'lamp') return [];
    const touched = this.setup.points.filter((point) => this.isTouched(point, change));
    const idsOf = (points: readonly MeteringPoint[]) => points.map(({ id }) => id);
    const event = (points: string[], how: 'each' | 'together' | 'anew'): Event[] =>
      points.length === 0 ? [] : [{ minute, what: 'points', points, how }];
    if (what !== 'set-turned') return event(idsOf(touched), TOGETHER.includes(what) ? 'together' : 'each');
    // the people stand where they stood; what is seen behind them is something else
    const isPlace = ({ role }: MeteringPoint) => ROLE_FACTS[role].on === 'place';
    return [
      ...event(idsOf(touched.filter((point) => !isPlace(point))), 'together'),
      ...event(idsOf(touched.filter(isPlace)), 'anew'),
    ];
  }

  /** Whether a change touches a point. A panel or lamp that the application knows of does where it changes the light. */
  isTouched(point: MeteringPoint, { what, thingId, at }: SceneChange): boolean {
    if (!touchesPoint(what, point.role)) return false;
    if ((what !== 'reflector' && what !== 'lamp') || thingId === null) return true;
    const reading = this.standing.findLast((one) => one.pointId === point.id && Date.parse(one.at) <= Date.parse(at));
    if (reading === undefined) return false;
    const level = (state: State) => {
      const held = this.heldIn(point, USUAL_METHOD, state, 0).ambient;
      return held.length === 0 ? 0 : addLight(...held.map(({ knownStops }) => knownStops));
    };
    return Math.abs(level(this.states.now) - level(this.states.of(reading))) > FELT_STOPS;
  }

  /** In the same light as the face: on the people, and not said to stand elsewhere. */
  private isNear(point: MeteringPoint): boolean {
    return ROLE_FACTS[point.role].on !== 'place' && point.standsIn === (this.face?.standsIn ?? null);
  }

  /** Where the light comes from that a dome is turned to: the key, else the camera's side. */
  private brightest(receiver: Receiver) {
    const key = this.setup.lights.find(({ role }) => role === 'key');
    return key === undefined ? direction(0) : lightPlace(receiver.at, key);
  }

  /**
   * What a meter that is held at a point is held to.
   * @param as how things stood: as for a reading; null: as they stand
   * @param tv the shutter that ambient is read at, where it is read as an aperture
   */
  held(point: MeteringPoint, method: ReadingMethod, as: Reading | null, tv: number): Held {
    return this.heldIn(point, method, as === null ? this.states.now : this.states.of(as), tv);
  }

  /** The same now, with some of the panels only. */
  heldWith(point: MeteringPoint, as: Arrangement): Held {
    return this.heldIn(point, USUAL_METHOD, this.states.as(as), 0);
  }

  private heldIn(point: MeteringPoint, method: ReadingMethod, state: State, tv: number): Held {
    const place = receiverOf(point, state.setup);
    const receiver = place === null ? null : heldAs(place, method, this.brightest(place));
    // a disc reads one source: a level of its own, which says nothing of the whole light there
    const disc = method.kind === 'disc';
    return {
      point: disc ? `${point.id}:disc` : point.id,
      aim: method.kind === 'incident' && method.aim === 'light' ? 'light' : null,
      near: !disc && this.isNear(point),
      tv,
      ambient: [...this.daylightThere(point, receiver, state), ...this.lampsThere(point, receiver, state)],
    };
  }

  /** Lamps that are on and reach a point; where nothing says how the two lie, only the one that is meant for it. */
  private lampsThere(point: MeteringPoint, receiver: Receiver | null, { setup, panels }: State): SourceThere[] {
    return setup.lamps.flatMap((lamp): SourceThere[] => {
      const meant = lamp.pointId === point.id;
      if (!lamp.on || (!meant && (receiver === null || !isPlaced(setup, lamp.pointId)))) return [];
      const where = receiver ?? receiverForAim(setup, { ...lamp, aimPointId: lamp.pointId, featherDeg: 0 });
      const knownStops = lampAt(lamp, this.kit, where, setup, panels);
      return knownStops === null ? [] : [{ source: lampId(lamp), knownStops }];
    });
  }

  private daylightThere(point: MeteringPoint, receiver: Receiver | null, state: State): SourceThere[] {
    const believed = this.beliefAt(this.face).stops;
    const lit = point.standsIn ?? this.face?.standsIn ?? null;
    const hasSun = this.sources.some(({ source }) => source.kind === 'sun');
    // what a place stands in says its level, unless sun and sky are told apart there anyway
    const otherLight = hasSun || point.standsIn === null ? 0 : this.beliefAt(point).stops - believed;
    // a place that nobody has said lies beyond what stands round the people, and has its openings as they have
    const where: Receiver = receiver ?? { at: EYES, faces: direction(0), answers: 'dome' };
    const round = receiver === null ? openingsOf(state) : state.panels;
    return this.sources.flatMap(({ source, overFaceStops }): SourceThere[] => {
      if (source.kind === 'sun' && lit !== 'sun' && lit !== null) return [];
      const gain = gainOf(sourceIn(source, state), where, round);
      if (gain <= 0) return [];
      const knownStops = believed + otherLight + overFaceStops + Math.log2(gain);
      return [{ source: source.id, knownStops }];
    });
  }

  /** A lamp alone at a point as that is held, on or off; null where it gives nothing there, or is not in the kit. */
  lampAlone(lamp: PlacedLamp, held: Held, point: MeteringPoint): Held | null {
    const { setup, panels } = this.states.now;
    const there = this.lampsThere(point, receiverOf(point, setup), {
      setup: { ...setup, lamps: [{ ...lamp, on: true }] },
      panels,
    });
    return there.length === 0 ? null : { ...held, ambient: there };
  }

  /**
   * What the light at the face is made of: each source alone at full gain; what of it reaches the face, with all panels or
   * with one that sends nothing on; and what would with nothing in the way.
   */
  parts(): {
    source: BelievedSource['source'];
    held: Held;
    gain: (withoutPanelId: string | null) => number;
    openGain: number;
  }[] {
    const face = this.face;
    if (face === undefined) return [];
    const where = receiverOf(face, this.setup);
    const { panels } = this.states.now;
    const believed = this.beliefAt(face).stops;
    return this.sources.map(({ source, overFaceStops }) => ({
      source,
      held: {
        point: face.id,
        aim: null,
        near: true,
        tv: 0,
        ambient: [{ source: source.id, knownStops: believed + overFaceStops }],
      },
      gain: (without) =>
        where === null ? 0 : gainOf(source, where, without === null ? panels : withoutSending(panels, without)),
      openGain: where === null ? 0 : gainOf(source, where, openingsOf(this.states.now)),
    }));
  }

  /** The camera's own meter gives way to anything taken at the point itself: its background moves it. */
  private givesWay({ method, pointId }: Reading): boolean {
    return (
      method.kind === 'reflected' &&
      this.standing.some(
        (other) =>
          other.pointId === pointId &&
          other.light === 'ambient' &&
          other.method.kind !== 'reflected' &&
          other.method.kind !== 'disc',
      )
    );
  }

  /** A reading as evidence; none where its point or its gear is not there any more, or it says nothing of a level. */
  private takenOf(reading: Reading): Taken[] {
    const { id, at, light, tv, pointId } = reading;
    const point = this.setup.points.find((one) => one.id === pointId);
    if (point === undefined || (light === 'ambient' && this.givesWay(reading))) return [];
    if (reading.fired.some((one) => lightConfig(this.kit, one) === null)) return [];
    // a light that does not reach the point adds nothing there
    const fired = reading.fired.flatMap((one) => this.firedOf(one, point, reading) ?? []);
    if (light === 'flash' && fired.length === 0) return [];
    return [
      {
        ...this.held(point, reading.method, reading, light === 'ambient' ? 0 : tv),
        instrument: instrumentOf(reading, this.kit),
        id,
        minute: this.timeline.minuteOf(Date.parse(at)),
        light,
        fired,
        stops: lightEv100(reading) - (light === 'ambient' ? 0 : tv),
        sdStops: readingNoiseStops(reading, meterIncrementOf(reading.meterId, this.kit)),
        // whatever it was asked about, a person has said that it is right
        sure: this.setup.confirmed.some((asked) => asked.endsWith(`:${id}`)),
      },
    ];
  }

  /** A light as it was fired for a reading. Where it stood is as it stands where that was not written down. */
  private firedOf(fired: FiredLight, point: MeteringPoint, reading: Reading): Fired | null {
    const light = this.setup.lights.find(({ id }) => id === fired.lightId);
    const usual = LIGHT_ROLE_FACTS[light?.role ?? 'key'].stand;
    const stood: StoodLight = {
      ...fired,
      sideDeg: fired.sideDeg ?? light?.sideDeg ?? usual.sideDeg,
      heightM: fired.heightM ?? light?.heightM ?? usual.heightM,
      aimPointId: fired.atAim ? point.id : (light?.aimPointId ?? point.id),
    };
    return this.lightAs(stood, point, reading.method, this.states.of(reading), {
      powerStops: fired.powerStops,
      syncLossStops: fired.highSpeedSyncLossStops,
      asideDeg: fired.asideDeg,
    });
  }

  /**
   * A light as it stands now at a power, full where none is said, at a point as that faces; null where it gives nothing or
   * its gear is gone.
   */
  lightNow(setup: Setup, light: Light, point: MeteringPoint, syncLossStops: number, powerStops = 0): Fired | null {
    const as = { powerStops, syncLossStops, asideDeg: null };
    const state = setup === this.setup ? this.states.now : new States(setup, this.kit).now;
    return this.lightAs({ ...light, lightId: light.id }, point, USUAL_METHOD, state, as);
  }

  private lightAs(
    stood: StoodLight,
    point: MeteringPoint,
    method: ReadingMethod,
    { setup, panels }: State,
    { powerStops, syncLossStops, asideDeg }: { powerStops: number; syncLossStops: number; asideDeg: number | null },
  ): Fired | null {
    const config = lightConfig(this.kit, stood);
    const aimed = stood.aimPointId === point.id;
    if (config === null) return null;
    if (!aimed && !(isPlaced(setup, stood.aimPointId) && isPlaced(setup, point.id)))
      return this.unplaced(stood, point, config, setup, { powerStops, syncLossStops });
    const receiver = receiverFor(setup, stood, point, method, asideDeg);
    if (receiver === null) return null;
    const statedStops = flashAt(stood, config, syncLossStops, receiver, setup, panels);
    if (statedStops === null) return null;
    return {
      id: stood.lightId,
      statedStops,
      powerStops,
      made: config.things,
      quirks: config.quirks(powerStops, syncLossStops),
      ...placeOf(stood),
      spillSdStops: aimed ? 0 : BELIEFS.spill,
    };
  }

  /** A light at a point of which nothing says how the two lie to each other: known only where it was read there alone. */
  private unplaced(
    stood: StoodLight,
    point: MeteringPoint,
    config: LightConfig,
    setup: Setup,
    { powerStops, syncLossStops }: { powerStops: number; syncLossStops: number },
  ): Fired | null {
    const wasRead = this.standing.some(
      ({ pointId, fired: [one, ...others] }) =>
        pointId === point.id && one?.lightId === stood.lightId && others.length === 0,
    );
    if (!wasRead) return null;
    const { stops, sd } = BELIEFS.spillUnplaced;
    const straightOn = flashAt(stood, config, syncLossStops, receiverForAim(setup, stood), setup, []);
    return {
      id: stood.lightId,
      statedStops: (straightOn ?? 0) + stops,
      powerStops,
      made: config.things,
      quirks: config.quirks(powerStops, syncLossStops),
      ...placeOf(stood),
      spillSdStops: sd,
    };
  }
}
