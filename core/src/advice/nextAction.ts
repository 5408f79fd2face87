import { type Balance, CONTRAST_MET_STOPS, type LampSolution } from '../balance';
import type { CameraSolution } from '../exposure';
import { writePower } from '../flash';
import type { LightSolution } from '../lights';
import { MARKED_SD_STOPS } from '../metering';
import {
  LIGHT_ROLES,
  lightPath,
  type MeteringMethod,
  methodFor,
  type PlacedLamp,
  type Reading,
  type Setting,
  type Setup,
  USUAL_METHOD,
} from '../setup';
import type { ActionFacts, ChangeFacts, DialTexts, LampFacts, NextAction, Step, TestFacts } from './action';
import { isCameraOff, noFlashStops, troubleOf } from './trouble';
import type { Way, WayOut } from './wayOut';

const action = (facts: ActionFacts, step: Step, settings: Setting[] = []): NextAction => ({ ...facts, step, settings });

/** What is to be done, and what comes if that is left for later. */
export interface Next {
  now: NextAction;
  /** null: nothing can be done before it */
  later: NextAction | null;
}

/** Nothing can be worked out before these. */
const CANNOT_WAIT: readonly NextAction['kind'][] = ['meter-face', 'choose-camera', 'shoot', 'shoot-ambient', 'film'];
const CHOOSE_CAMERA = action({ kind: 'choose-camera' }, 'camera');

/**
 * The one thing to do now, in the order in which the work goes, and the one after it.
 * @param readings of the setup: each point is metered next as they say
 */
export function nextAction(
  now: Balance,
  ways: readonly WayOut[],
  setup: Setup,
  lamps: readonly LampSolution[],
  readings: readonly Reading[],
): Next {
  const actions = inOrder(now, ways[0]?.way ?? null, setup, lamps, readings);
  const first = actions.next();
  if (first.done === true) return { now: CHOOSE_CAMERA, later: null };
  if (CANNOT_WAIT.includes(first.value.kind)) return { now: first.value, later: null };
  for (const other of actions)
    if (other.kind !== first.value.kind)
      return { now: first.value, later: CANNOT_LEAD.includes(other.kind) ? null : other };
  return { now: first.value, later: null };
}
/** What is asked for only because something before it is missing. */
const CANNOT_LEAD: readonly NextAction['kind'][] = ['choose-camera'];

/** Everything that is to be done, one after the other; worked out as far as it is asked for. */
function* inOrder(
  now: Balance,
  first: Way | null,
  setup: Setup,
  lamps: readonly LampSolution[],
  readings: readonly Reading[],
): Generator<NextAction, undefined> {
  const byLamps = lampAction(setup, lamps);
  yield* readingActions(now, byLamps !== null, (pointId) => {
    const point = setup.points.find(({ id }) => id === pointId);
    return { pointId, method: point === undefined ? USUAL_METHOD : methodFor(point, readings) };
  });
  if (now.camera === null) {
    yield CHOOSE_CAMERA;
    return;
  }
  const set = cameraAction(now);
  // light that is another by a reading that is doubted is not followed before that is answered
  const doubted = now.toSet?.because.kind === 'light' ? oddReading(now) : null;
  if (doubted !== null) yield doubted;
  if (set !== null && isCameraOff(now)) yield set;
  yield* troubleActions(now, now.camera, first, setup, byLamps);
  if (set !== null && !isCameraOff(now)) yield set;
  if (now.alone) yield* ambientActions(now, now.camera);
  else if (now.video || isByLamps(now, setup))
    yield action(
      { kind: 'film', stills: !now.video, dials: dialsOf(now.camera), lamps: lamps.flatMap(burning) },
      'camera',
    );
  else yield* testActions(now, now.camera);
}

/**
 * What is still to be metered before anything can be set.
 * @param lampsFirst a lamp that is about to be set is metered once it burns so
 */
function* readingActions(
  now: Balance,
  lampsFirst: boolean,
  at: (pointId: string) => { pointId: string; method: MeteringMethod },
): Generator<NextAction> {
  const { camera, face, points } = now;
  const background = points.find((point) => point.role === 'background');
  if (face?.ambientEv100 == null) {
    yield action({ kind: 'meter-face', ...at(face?.pointId ?? '') }, 'ambient');
    return;
  }
  // what was set by eye goes on without it
  if (face.basis !== 'assumed' && background?.ambientEv100 === null && !background.leftOut)
    yield action({ kind: 'meter-background', ...at(background.pointId) }, 'ambient');
  // a change that was reported stops the work; mere age is marked at the point and left to the photographer
  const changed = now.meterAgain.filter(
    ({ because }) => because.kind === 'scene' && !(lampsFirst && because.change === 'lamp'),
  );
  const again = changed.find(({ pointId }) => pointId === face.pointId) ?? changed[0];
  if (again !== undefined)
    yield action({ kind: 'meter-again', ...at(again.pointId), because: again.because }, 'ambient');
  const highlight = points.find(({ pointId }) => pointId === now.look.missingPointId);
  if (now.cameraBody !== null && highlight !== undefined)
    yield action({ kind: 'meter-highlight', ...at(highlight.pointId) }, 'ambient');
  const unlit = points.find(
    ({ pointId, ambientEv100, leftOut }) =>
      ambientEv100 === null && !leftOut && now.usable.some(({ light: { aimPointId } }) => aimPointId === pointId),
  );
  if (camera !== null && unlit !== undefined && now.usable.length > 1)
    yield action({ kind: 'meter-highlight', ...at(unlit.pointId) }, 'ambient');
}

/** What stands in the way of the picture, camera before flash. @param first the first way out */
function* troubleActions(
  now: Balance,
  camera: CameraSolution,
  first: Way | null,
  setup: Setup,
  byLamps: NextAction | null,
): Generator<NextAction> {
  const { face, light } = now;
  if (noFlashStops(now) > 0 && troubleOf(now)?.kind !== 'too-dark')
    yield action(
      { kind: 'no-flash-can-help', overStops: (face?.ambientStops ?? 0) - now.look.finalStops, first },
      camera.met ? 'look' : 'camera',
    );
  else if (!camera.met) {
    const { reason, text, missing, missingStops } = camera;
    yield action({ kind: 'camera-cannot', camera: { reason, text, missing, missingStops }, first }, 'camera');
  }
  if (byLamps !== null) yield byLamps;
  if (now.video || now.alone || isByLamps(now, setup)) return;
  if (light?.solution == null) yield action({ kind: 'choose-flash' }, 'flash');
  const missing = now.lights.find(({ outOfRange }) => outOfRange !== null);
  if (missing?.outOfRange != null)
    yield action(
      { kind: 'power-out-of-range', lightId: oneOfSeveral(now, missing), ...missing.outOfRange, first },
      'flash',
    );
}

/** Lamps are the lights here, and no flash is meant to fire. */
const isByLamps = ({ alone, video }: Balance, { lights }: Setup): boolean => !alone && !video && lights.length === 0;

/** The camera is not set as it should be. */
function cameraAction({ toSet, suggested }: Balance): NextAction | null {
  if (toSet === null || suggested === null) return null;
  const { av, tv, sv } = suggested;
  const facts: ActionFacts = {
    kind: 'set-camera',
    dials: dialsOf(suggested),
    moved: toSet.dials,
    because: toSet.because,
  };
  return action(facts, 'camera', [{ path: 'camera.stands', value: { av, tv, sv, inForce: true } }]);
}

/** The light that is there, alone: what the dark side of the face asks for, then the frame. */
function* ambientActions({ lift }: Balance, camera: CameraSolution): Generator<NextAction> {
  const asks = lift !== null && lift.needStops > CONTRAST_MET_STOPS;
  if (asks && lift.needStops > lift.mayStops) yield action({ kind: 'fill-needed', lift }, 'look');
  yield action({ kind: 'shoot-ambient', dials: dialsOf(camera), lift: asks ? lift : null }, 'check');
}

const burning = ({ id, wish }: LampSolution): LampFacts[] =>
  wish?.dimStops == null ? [] : [{ lampId: id, dimStops: wish.dimStops }];

/** Lamps that are lights, before flash is set beside them: one that cannot do what is wanted, then all dimmers at once. */
function lampAction(setup: Setup, lamps: readonly LampSolution[]): NextAction | null {
  const asked = lamps.flatMap(({ id, wish }) => (wish === null || wish.dimStops === null ? [] : [{ id, ...wish }]));
  const put = (change: (lamp: PlacedLamp) => Partial<PlacedLamp>): Setting[] => [
    { path: 'lamps', value: setup.lamps.map((lamp) => ({ ...lamp, ...change(lamp) })) },
  ];
  const missing = asked.find(({ outOfRange }) => outOfRange !== null);
  if (missing?.outOfRange != null) {
    const weak = missing.outOfRange.direction === 'too-weak';
    const distanceM = weak ? missing.fullDistanceM : missing.distanceM;
    const moved = (distance: number) =>
      put(({ id, dimStops }) => (id === missing.id ? { distanceM: distance, dimStops: weak ? 0 : dimStops } : {}));
    return action(
      { kind: 'lamp-out-of-range', lampId: missing.id, ...missing.outOfRange, distanceM },
      'flash',
      distanceM === null ? [] : moved(Math.round(distanceM * 20) / 20),
    );
  }
  const unset = asked.filter(({ isSet }) => !isSet);
  if (unset.length === 0) return null;
  return action(
    { kind: 'set-lamps', lamps: unset.map(({ id, dimStops }) => ({ lampId: id, dimStops: dimStops ?? 0 })) },
    'flash',
    put(({ id }) => {
      const its = unset.find((one) => one.id === id);
      return its?.dimStops == null ? {} : { dimStops: its.dimStops, on: true };
    }),
  );
}

/** A flash reading that is questioned; null where none is. */
function oddReading({ questions }: Balance): NextAction | null {
  const odd = questions.find((one) => one.kind === 'surprise' && one.asked && one.light !== 'ambient');
  return odd === undefined ? null : action({ kind: 'answer', question: odd }, 'check');
}

/** What is to be fired, read, answered or corrected; then the frame. */
function* testActions(now: Balance, camera: CameraSolution): Generator<NextAction> {
  const { light } = now;
  if (light?.solution == null) return;
  const unread = now.lights.find(({ problem }) => problem !== null);
  if (unread?.problem != null)
    yield action({ kind: 'no-flash-measured', lightId: oneOfSeveral(now, unread), problem: unread.problem }, 'check');
  const odd = oddReading(now);
  if (odd !== null) yield odd;
  if (now.lights.length > 1) {
    yield* severalActions(now, dialsOf(camera));
    return;
  }
  const dial = { path: lightPath(light.index, 'dialledStops'), value: light.solution.powerStops ?? 0 };
  if (isAssumed(light.solution)) yield placeAction(now, light.solution);
  yield* flashActions(light.solution, dial, light.light.dialledStops, dialsOf(camera));
}

const dialsOf = ({ text: { shutter, aperture, iso } }: CameraSolution): DialTexts => ({ shutter, aperture, iso });
/** A light by its id among several; null where it is the only one. */
const oneOfSeveral = ({ lights }: Balance, { lightId }: LightSolution): string | null =>
  lights.length > 1 ? lightId : null;

/** Lights in the order in which they are metered: background, fill, rim and motivated ones, the key last; or as they are listed. */
export function meteringOrder({ lights, meterOrder }: Balance): LightSolution[] {
  return meterOrder === 'listed'
    ? [...lights]
    : [...lights].sort((a, b) => LIGHT_ROLES.indexOf(a.role) - LIGHT_ROLES.indexOf(b.role));
}

/** A place is asked for once, before a first test is judged by it. */
const isAssumed = ({ placeSaid, basis, powerStops }: LightSolution): boolean =>
  !placeSaid && basis !== 'reading' && powerStops !== null;

/** Asks how far a light stands; taken as it is, the place has been said. */
function placeAction(now: Balance, its: LightSolution): NextAction {
  const { index, aimPointId, distanceM, powerText, uncertaintyStops: sdStops } = its;
  const said = { path: lightPath(index, 'placeSaid'), value: true };
  const lightId = oneOfSeveral(now, its);
  return action({ kind: 'say-place', lightId, aimPointId, distanceM, powerText: powerText ?? '', sdStops }, 'flash', [
    said,
  ]);
}

/** Less than this is not seen in a picture, and no meter tells it, stops. */
const UNSEEN_STOPS = 0.1;

/** One of several lights that fires, with what is dialled on it. */
class Firing {
  constructor(
    private readonly now: Balance,
    readonly its: LightSolution,
  ) {}

  private get usable() {
    return this.now.usable.find(({ light }) => light.id === this.its.lightId);
  }

  get dialledStops(): number | null {
    return this.usable?.light.dialledStops ?? null;
  }

  /** what stands on it is what it should be; a change that the picture does not show is not worth a walk to the stand */
  get isSet(): boolean {
    const stops = this.dialledStops;
    return stops !== null && Math.abs(stops - (this.its.powerStops ?? 0)) * this.its.flashShare < UNSEEN_STOPS;
  }

  get dial(): Setting {
    return { path: lightPath(this.its.index, 'dialledStops'), value: this.its.powerStops ?? 0 };
  }

  /** what stands on it, as its dial prints it */
  get dialText(): string {
    const { usable } = this;
    return usable === undefined
      ? (this.its.powerText ?? '')
      : writePower(usable.config.unit.scale, this.dialledStops ?? this.its.powerStops ?? 0);
  }
}

/** Several lights: all on at the point that is known least, or each alone and then all together. */
function* severalActions(now: Balance, dials: DialTexts): Generator<NextAction> {
  const firing = meteringOrder(now)
    .filter(({ powerStops }) => powerStops !== null)
    .map((its) => new Firing(now, its));
  const assumed = firing.find(({ its }) => isAssumed(its));
  if (assumed !== undefined && now.tests === 'together') yield placeAction(now, assumed.its);
  const test = now.tests === 'together' ? allOnAction(now, firing) : eachAction(now, firing);
  if (test !== null) yield test;
  yield shootAction(firing, dials);
}

/** All on: set every light that is not, and read where the total is known least until it is known everywhere. */
function allOnAction({ leastKnown, points }: Balance, firing: readonly Firing[]): NextAction | null {
  const unset = firing.filter(({ isSet }) => !isSet);
  if (unset.length > 0)
    return action(
      {
        kind: 'set-powers',
        lights: unset.map(({ its: { lightId, powerText } }) => ({ lightId, powerText: powerText ?? '' })),
        first: firing.every(({ dialledStops }) => dialledStops === null),
      },
      'check',
      unset.map(({ dial }) => dial),
    );
  const point = points.find(({ pointId }) => pointId === leastKnown?.pointId);
  if (leastKnown === null || point === undefined || leastKnown.sdStops <= MARKED_SD_STOPS) return null;
  const { pointId, meterText } = point;
  return action({ kind: 'fire-all', count: firing.length, pointId, meterText: meterText ?? '' }, 'check');
}

/** Each alone, then what the readings changed, then all together at the face. */
function eachAction(now: Balance, firing: readonly Firing[]): NextAction | null {
  const unmetered = firing.find(({ its }) => its.basis !== 'reading');
  if (unmetered !== undefined && isAssumed(unmetered.its)) return placeAction(now, unmetered.its);
  if (unmetered !== undefined) {
    const { lightId, powerText, meter, aimPointId } = unmetered.its;
    const test: TestFacts = {
      lightId,
      powerText: powerText ?? '',
      totalText: meter?.totalText ?? '',
      flashText: meter?.flashText ?? '',
      aimPointId,
      off: firing.filter((one) => one !== unmetered).map(({ its }) => its.group),
    };
    return unmetered.isSet
      ? action({ kind: 'fire-test', test }, 'check')
      : action({ kind: 'set-and-test', test }, 'check', [unmetered.dial]);
  }
  const wrong = firing.find(({ isSet }) => !isSet);
  if (wrong !== undefined) {
    const { lightId, powerStops, powerText, aimPointId, flashShare, correction } = wrong.its;
    const change: ChangeFacts = {
      lightId,
      stops: (powerStops ?? 0) - (wrong.dialledStops ?? correction?.firedPowerStops ?? 0),
      powerText: powerText ?? '',
      aimPointId,
      share: flashShare,
    };
    return action({ kind: 'correct', change }, 'check', [wrong.dial]);
  }
  const { face } = now;
  return now.together === null && face?.totalEv100 != null
    ? action(
        { kind: 'fire-all', count: firing.length, pointId: face.pointId, meterText: face.meterText ?? '' },
        'check',
      )
    : null;
}

function shootAction(firing: readonly Firing[], dials: DialTexts): NextAction {
  const flash = [...firing]
    .sort((a, b) => (a.its.group < b.its.group ? -1 : 1))
    .map(({ its: { lightId }, dialText }) => ({ lightId, powerText: dialText }));
  return action({ kind: 'shoot', dials, flash }, 'check');
}

/** One light: set it, fire it, correct it, shoot. */
function* flashActions(
  { basis, correction, meter, powerText, powerStops }: LightSolution,
  dial: Setting,
  dialledStops: number | null,
  dials: DialTexts,
): Generator<NextAction> {
  const power = powerText ?? '';
  const meterText = meter?.totalText ?? '';
  const isSet = dialledStops !== null && Math.abs(dialledStops - (powerStops ?? 0)) < 1e-6;
  const isRight = correction !== null && (Math.abs(correction.changeStops) < 1e-6 || isSet);
  if (correction === null) {
    const test: TestFacts = {
      lightId: null,
      powerText: power,
      totalText: meterText,
      rangeTexts: meter?.rangeTexts ?? null,
      learned: basis === 'calibration',
    };
    yield isSet
      ? action({ kind: 'fire-test', test }, 'check')
      : action({ kind: 'set-and-test', test }, 'check', [dial]);
  } else if (!isRight) {
    const change: ChangeFacts = { lightId: null, stops: correction.changeStops, powerText: power, meterText };
    yield action({ kind: 'correct', change }, 'check', [dial]);
  }
  yield action({ kind: 'shoot', dials, flash: { powerText: power, meterText } }, 'check');
}
