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
  AS_IT_STANDS,
  type BelievedSource,
  EYES,
  flashAt,
  gainOf,
  heldAs,
  isIndoors,
  isOpening,
  type LightConfig,
  lightConfig,
  type Receiver,
  receiverForAim,
  receiverOf,
  turnedFrom,
  standing as standingPanels,
  type Standing,
} from '../gain';
import type { Kit } from '../gear';
import { direction, lightPlace } from '../scene';
import {
  type FiredLight,
  type Light,
  LIGHT_ROLE_FACTS,
  type MeteringPoint,
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
import { recentReadings } from './recent';
import { Timeline } from './timeline';

/** Two clouds that were reported make a moving sky. */
const MOVING_SKY_EVENTS = 2;

/** A light as it stood and was made, now or when it was fired. */
export type StoodLight = Pick<
  FiredLight,
  'unitId' | 'outlet' | 'zoomMm' | 'modifierId' | 'gridId' | 'gelIds' | 'distanceM' | 'featherDeg'
> &
  Pick<Light, 'sideDeg' | 'heightM' | 'aimPointId'> & { lightId: string };

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

/** Where a light stands, under one name for the same stand. */
const placeOf = ({ distanceM, sideDeg, heightM, featherDeg }: StoodLight): string =>
  [distanceM.toFixed(2), sideDeg.toFixed(0), heightM.toFixed(2), featherDeg.toFixed(0)].join(' ');

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
  private readonly arrangements = new Map<string, Standing[]>();

  constructor(
    private readonly setup: Setup,
    private readonly kit: Kit,
    readonly standing: readonly Reading[],
    changes: readonly SceneChange[],
    clock: Date,
  ) {
    const [first] = standing;
    const events = changes.filter(({ struckAt }) => struckAt === null);
    this.timeline = new Timeline([...standing, ...events].map(({ at }) => Date.parse(at)));
    this.face = setup.points.find(({ role }) => role === 'face');
    const reference: Arrangement = (panel) => (first === undefined ? panel : standAt(panel, first.at));
    this.sources = ambientSources(setup, kit, reference);
    const happened = events.flatMap((change) => this.eventsOf(change));
    this.evening = {
      sources: this.sources.map(({ source, sdStops }): Source => ({ id: source.id, follows: 'daylight', sdStops })),
      // in a break the light has become another: nothing is made of how much it changed
      events: [...happened, ...this.timeline.breaks.map((minute): Event => ({ minute, what: 'cloud' }))],
      taken: recentReadings(standing).flatMap((reading) => this.takenOf(reading)),
      now: this.timeline.now(clock.getTime()),
      sky: events.filter(({ what }) => what === 'sun').length >= MOVING_SKY_EVENTS ? 'moving' : 'steady',
      indoors: isIndoors(setup),
      daylightSdStops: this.beliefAt(this.face).sd,
      forecast: null,
      learned: learnedOf(kit),
    };
  }

  private beliefAt(point: MeteringPoint | undefined): { stops: number; sd: number } {
    return point?.standsIn == null ? BELIEFS.daylight : BELIEFS.standsIn[point.standsIn];
  }

  private eventsOf({ what, at }: SceneChange): Event[] {
    const minute = this.timeline.minuteOf(Date.parse(at));
    if (what === 'sun') return [{ minute, what: 'cloud' }];
    const points = this.setup.points.filter(({ role }) => touchesPoint(what, role)).map(({ id }) => id);
    // a door or a lamp that was touched changes what comes in as much as a cloud does
    return what === 'opening'
      ? [{ minute, what: 'cloud' }]
      : [{ minute, what: 'points', points, together: what === 'subject-moved' }];
  }

  /** Panels as they stood at a time; null: as they stand. */
  private panelsAt(at: string | null): Standing[] {
    const key = at ?? '';
    const known = this.arrangements.get(key);
    if (known !== undefined) return known;
    const as: Arrangement = at === null ? AS_IT_STANDS : (panel) => standAt(panel, at);
    const panels = standingPanels(this.setup, this.kit, as);
    this.arrangements.set(key, panels);
    return panels;
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
   * @param at when; null: now  @param tv the shutter that ambient is read at, where it is read as an aperture
   */
  held(point: MeteringPoint, method: ReadingMethod, at: string | null, tv: number): Held {
    return this.heldAmong(point, method, this.panelsAt(at), tv);
  }

  /** The same now, with some of the panels only. */
  heldWith(point: MeteringPoint, as: Arrangement): Held {
    return this.heldAmong(point, USUAL_METHOD, standingPanels(this.setup, this.kit, as), 0);
  }

  private heldAmong(point: MeteringPoint, method: ReadingMethod, panels: readonly Standing[], tv: number): Held {
    const place = receiverOf(point, this.setup);
    const receiver = place === null ? null : heldAs(place, method, this.brightest(place));
    // a disc reads one source: a level of its own, which says nothing of the whole light there
    const disc = method.kind === 'disc';
    return {
      point: disc ? `${point.id}:disc` : point.id,
      aim: method.kind === 'incident' && method.aim === 'light' ? 'light' : null,
      near: !disc && this.isNear(point),
      tv,
      ambient: this.ambientThere(point, receiver, panels),
    };
  }

  private ambientThere(point: MeteringPoint, receiver: Receiver | null, panels: readonly Standing[]): SourceThere[] {
    const believed = this.beliefAt(this.face).stops;
    const lit = point.standsIn ?? this.face?.standsIn ?? null;
    const hasSun = this.sources.some(({ source }) => source.kind === 'sun');
    // what a place stands in says its level, unless sun and sky are told apart there anyway
    const otherLight = hasSun || point.standsIn === null ? 0 : this.beliefAt(point).stops - believed;
    // a place that nobody has said lies beyond what stands round the people, and has its openings as they have
    const where: Receiver = receiver ?? { at: EYES, faces: direction(0), answers: 'dome' };
    const round = receiver === null ? panels.filter(isOpening) : panels;
    return this.sources.flatMap(({ source, overFaceStops }): SourceThere[] => {
      if (source.kind === 'sun' && lit !== 'sun' && lit !== null) return [];
      const gain = gainOf(source, where, round);
      if (gain <= 0) return [];
      const knownStops = believed + otherLight + overFaceStops + Math.log2(gain);
      return [{ source: source.id, knownStops }];
    });
  }

  /** What the light at the face is made of: each source alone at full gain, and what of it reaches the face. */
  parts(): { source: BelievedSource['source']; held: Held; gain: number }[] {
    const face = this.face;
    if (face === undefined) return [];
    const where = receiverOf(face, this.setup);
    const panels = this.panelsAt(null);
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
      gain: where === null ? 0 : gainOf(source, where, panels),
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
        ...this.held(point, reading.method, at, light === 'ambient' ? 0 : tv),
        id,
        minute: this.timeline.minuteOf(Date.parse(at)),
        light,
        fired,
        stops: lightEv100(reading) - (light === 'ambient' ? 0 : tv),
        sdStops: readingNoiseStops(reading, this.kit.preferences.meterIncrement),
        // whatever it was asked about, a person has said that it is right
        sure: this.setup.confirmed.some((asked) => asked.endsWith(`:${id}`)),
      },
    ];
  }

  /** A light as it was fired for a reading. Where it stood is as it stands where that was not written down. */
  private firedOf(fired: FiredLight, point: MeteringPoint, { at, method }: Reading): Fired | null {
    const light = this.setup.lights.find(({ id }) => id === fired.lightId);
    const usual = LIGHT_ROLE_FACTS[light?.role ?? 'key'].stand;
    const stood: StoodLight = {
      ...fired,
      sideDeg: fired.sideDeg ?? light?.sideDeg ?? usual.sideDeg,
      heightM: fired.heightM ?? light?.heightM ?? usual.heightM,
      aimPointId: fired.atAim ? point.id : (light?.aimPointId ?? point.id),
    };
    return this.lightAs(
      stood,
      point,
      method,
      { setup: this.setup, panels: this.panelsAt(at) },
      {
        powerStops: fired.powerStops,
        syncLossStops: fired.highSpeedSyncLossStops,
        asideDeg: fired.asideDeg,
      },
    );
  }

  /** A light as it stands now, at full power, at a point as that faces; null where it gives nothing or its gear is gone. */
  lightNow(setup: Setup, light: Light, point: MeteringPoint, syncLossStops: number): Fired | null {
    const as = { powerStops: 0, syncLossStops, asideDeg: null };
    const panels = setup === this.setup ? this.panelsAt(null) : standingPanels(setup, this.kit, AS_IT_STANDS);
    return this.lightAs({ ...light, lightId: light.id }, point, USUAL_METHOD, { setup, panels }, as);
  }

  private lightAs(
    stood: StoodLight,
    point: MeteringPoint,
    method: ReadingMethod,
    { setup, panels }: { setup: Setup; panels: readonly Standing[] },
    { powerStops, syncLossStops, asideDeg }: { powerStops: number; syncLossStops: number; asideDeg: number | null },
  ): Fired | null {
    const config = lightConfig(this.kit, stood);
    const aimed = stood.aimPointId === point.id;
    if (config === null) return null;
    if (!aimed && !(isPlaced(setup, stood.aimPointId) && isPlaced(setup, point.id)))
      return this.unplaced(stood, point, config, syncLossStops, powerStops);
    const receiver = receiverFor(setup, stood, point, method, asideDeg);
    if (receiver === null) return null;
    const statedStops = flashAt(stood, config, syncLossStops, receiver, setup, panels);
    if (statedStops === null) return null;
    return {
      id: stood.lightId,
      statedStops,
      powerStops,
      made: config.things,
      place: placeOf(stood),
      placeSdStops: BELIEFS.place,
      spillSdStops: aimed ? 0 : BELIEFS.spill,
    };
  }

  /** A light at a point of which nothing says how the two lie to each other: known only where it was read there alone. */
  private unplaced(
    stood: StoodLight,
    point: MeteringPoint,
    config: LightConfig,
    syncLossStops: number,
    powerStops: number,
  ): Fired | null {
    const wasRead = this.standing.some(
      ({ pointId, fired: [one, ...others] }) =>
        pointId === point.id && one?.lightId === stood.lightId && others.length === 0,
    );
    if (!wasRead) return null;
    const { stops, sd } = BELIEFS.spillUnplaced;
    const straightOn = flashAt(stood, config, syncLossStops, receiverForAim(this.setup, stood), this.setup, []);
    return {
      id: stood.lightId,
      statedStops: (straightOn ?? 0) + stops,
      powerStops,
      made: config.things,
      place: placeOf(stood),
      placeSdStops: BELIEFS.place,
      spillSdStops: sd,
    };
  }
}
