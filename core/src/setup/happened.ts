import type { Light, PlacedLamp } from './light';
import { type Panel, PANEL_FACTS } from './panel';
import type { Reading, Stood } from './reading';
import type { SceneChange } from './sceneChange';
import type { Setup } from './setup';

/** Something that happened in the application itself, as it is written down. */
export type Happening = Pick<SceneChange, 'what' | 'thingId'>;

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
const standOfLight = ({ distanceM, sideDeg, heightM, featherDeg }: Light) => [distanceM, sideDeg, heightM, featherDeg];
const standOfPanel = ({ distanceM, sideDeg, heightM, turnedDeg, surface }: Panel) => [
  distanceM,
  sideDeg,
  heightM,
  turnedDeg,
  surface,
];

/** Things of a list as they were and as they are; null where one was not there, or is not there any more. */
function pairs<T extends { id: string }>(before: readonly T[], after: readonly T[]): [was: T | null, is: T | null][] {
  const gone = before.filter(({ id }) => !after.some((one) => one.id === id)).map((was): [T, null] => [was, null]);
  return [...gone, ...after.map((is): [T | null, T] => [before.find(({ id }) => id === is.id) ?? null, is])];
}

function ofLight(was: Light | null, is: Light | null): Happening[] {
  if (was === null || is === null) return [];
  // a place that is said for the first time was not changed by that
  const moved = was.placeSaid && !same(standOfLight(was), standOfLight(is));
  return [
    ...(moved ? [{ what: 'light-moved', thingId: is.id } as const] : []),
    ...(same(was.gelIds, is.gelIds) ? [] : [{ what: 'gel-changed', thingId: is.id } as const]),
  ];
}

function ofLamp(was: PlacedLamp | null, is: PlacedLamp | null): Happening[] {
  const thing = is ?? was;
  // when it will come on changes nothing yet
  const now = (lamp: PlacedLamp | null) => (lamp === null ? null : { ...lamp, fromDusk: false });
  return thing === null || same(now(was), now(is)) ? [] : [{ what: 'lamp', thingId: thing.id }];
}

/** A panel that comes, goes or moves. An opening that is drawn was there before; one that moves is people who move. */
function ofPanel(was: Panel | null, is: Panel | null): Happening[] {
  const thing = is ?? was;
  if (thing === null || (was !== null && is !== null && same(standOfPanel(was), standOfPanel(is)))) return [];
  if (!PANEL_FACTS[thing.kind].opening) return [{ what: 'reflector', thingId: thing.id }];
  return was === null || is === null ? [] : [{ what: 'opening-moved', thingId: thing.id }];
}

function ofStage(was: Setup, is: Setup): Happening[] {
  const happened: Happening[] = [];
  if (was.stage.subject.turnDeg !== is.stage.subject.turnDeg) happened.push({ what: 'head-turned', thingId: null });
  // a distance that is said for the first time was not changed by that
  if (was.backgroundM !== null && was.backgroundM !== is.backgroundM)
    happened.push({ what: 'background-moved', thingId: null });
  if (was.stage.cameraM !== is.stage.cameraM || was.stage.cameraUpM !== is.stage.cameraUpM)
    happened.push({ what: 'camera-moved', thingId: null });
  return happened;
}

/** Everything that happened between two states of a setup, whether or not anything was read before. */
const between = (was: Setup, is: Setup): Happening[] => [
  ...ofStage(was, is),
  ...pairs(was.lights, is.lights).flatMap(([a, b]) => ofLight(a, b)),
  ...pairs(was.lamps, is.lamps).flatMap(([a, b]) => ofLamp(a, b)),
  ...pairs(was.panels, is.panels).flatMap(([a, b]) => ofPanel(a, b)),
];

/** The newest time in a list; null for none. */
const newest = (facts: readonly { at: string; struckAt: string | null }[]): number | null =>
  facts.reduce<number | null>(
    (latest, { at, struckAt }) => (struckAt === null ? Math.max(latest ?? -Infinity, Date.parse(at)) : latest),
    null,
  );

/**
 * What a change of a setup makes happen in its scene, to be written down: only what something was read before, and only
 * the first time since. What is moved in many steps was moved once.
 */
export function happenings(
  was: Setup,
  is: Setup,
  facts: readonly (Reading | SceneChange)[],
  all: readonly Happening[] = between(was, is),
): Happening[] {
  const own = facts.filter(({ setupId }) => setupId === is.id);
  const readAt = newest(own.filter(({ type }) => type === 'reading'));
  if (readAt === null) return [];
  const changes = own.filter((fact) => fact.type === 'sceneChange');
  return all.filter(({ what, thingId }) => {
    const told = newest(changes.filter((change) => change.what === what && change.thingId === thingId));
    return told === null || told < readAt;
  });
}

/** How things stand now, to be written down with a reading. */
export const stoodOf = ({ stage, backgroundM, lamps }: Setup): Stood => ({
  turnDeg: stage.subject.turnDeg,
  backgroundM,
  sun: stage.sun,
  lamps: lamps.map(({ role: _role, standsFor: _standsFor, fromDusk: _fromDusk, ...stands }) => stands),
});

/**
 * The setup as it stood when a reading was taken. What nobody had said by then is taken as it was said since; panels keep
 * their own last stand (`standAt`), and lights are written down with what they were fired for.
 */
export function setupAt(setup: Setup, stood: Stood): Setup {
  const { stage, backgroundM } = setup;
  return {
    ...setup,
    lamps: stood.lamps.map((lamp) => ({ role: null, standsFor: null, fromDusk: false, ...lamp })),
    backgroundM: stood.backgroundM ?? backgroundM,
    stage: { ...stage, subject: { ...stage.subject, turnDeg: stood.turnDeg }, sun: stood.sun ?? stage.sun },
  };
}

/**
 * How things stood for a reading, once a person says that what changed since was so all along. What stood so anyway comes
 * back as it is.
 */
export function stoodAs(stood: Stood | null, setup: Setup, what: SceneChange['what']): Stood | null {
  if (stood === null) return null;
  const { turnDeg, backgroundM, lamps } = stoodOf(setup);
  const put = (change: Partial<Stood>): Stood => {
    const then = { ...stood, ...change };
    return same(then, stood) ? stood : then;
  };
  switch (what) {
    case 'head-turned':
      return put({ turnDeg });
    case 'background-moved':
      return put({ backgroundM });
    case 'lamp':
      return put({ lamps });
    default:
      return stood;
  }
}
