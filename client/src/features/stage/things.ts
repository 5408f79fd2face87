import { texts } from './texts';
import { words } from '@/language/words';

import type { Kit } from '@sphene/core/gear';
import { pointPlace } from '@sphene/core/metering';
import { formatDistance } from '@sphene/core/notation';
import { lightPlace, minus, type Place, standOf, unitOf, wrapDeg } from '@sphene/core/scene';
import { changedPanel, lightPath, type Panel, PANEL_FACTS, type Setting, type Setup } from '@sphene/core/setup';
import type { SolutionNumbers } from '@sphene/core/solution';
import { companions } from '@sphene/core/stage';
import { type Face, snapAngle, snapTo } from './stageView';

/** Something on the stage that can be moved. */
export interface Thing {
  id: string;
  name: string;
  at: Place;
  /** where it stands, for a voice */
  said: string;
  /** its angle, for a voice; −180 to 180 */
  deg: number;
  faces: readonly Face[];
  /** the settings that bring it to a place; `free`: without snapping */
  moveTo: (place: Place, free: boolean) => Setting[];
  /** the settings of a key; null for a key that does nothing here */
  nudge: (key: string, fine: boolean) => Setting[] | null;
}

/** What moving needs to know beyond the setup. */
export interface StageFacts {
  setup: Setup;
  kit: Kit;
  numbers: SolutionNumbers;
  now: () => string;
  /** the newest ambient reading, so that what panels were then is kept */
  newestReadingAt: string | null;
  /** radius of the ring that the sun stands on, m */
  sunRingM: number;
}

const EYES: Place = { x: 0, y: 0, z: 0 };
const RADIANS = Math.PI / 180;
/** How far behind a thing its turning handle lies, m: in front of it the subject is soon in the way. */
const TURN_M = 0.8;
const NOSE_M = 0.5;
/** Drawn where no distance of the background is said. */
export const UNSAID_BACKGROUND_M = 3;

const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));
const step = (unit: Kit['preferences']['distanceUnit']) => (unit === 'm' ? 0.1 : 0.1524);
const angleOf = ({ x, z }: Place): number => Math.atan2(x, z) / RADIANS;
const saySide = (deg: number) => `${Math.abs(Math.round(deg))}° ${deg < 0 ? 'left' : 'right'} of the camera`;

/** Distance, side and height of a place as seen from another, snapped. */
function snappedStand(
  place: Place,
  from: Place,
  { setup, kit }: StageFacts,
  free: boolean,
  mostHeightM: number,
  leastM = 0.3,
) {
  const { distanceM, sideDeg, heightM } = standOf(place, from);
  const by = step(kit.preferences.distanceUnit);
  return {
    distanceM: clamp(free ? Number(distanceM.toFixed(2)) : snapTo(distanceM, by), leastM, 30),
    sideDeg: free ? Math.round(wrapDeg(sideDeg)) : snapAngle(sideDeg, setup.stage.subject.turnDeg),
    heightM: clamp(free ? Number(heightM.toFixed(2)) : snapTo(heightM, by / 2), -2, mostHeightM),
  };
}

type Stand = ReturnType<typeof snappedStand>;

/** A stand stepped by a key: aside, farther, higher. */
function nudged(
  { distanceM, sideDeg, heightM }: Stand,
  key: string,
  fine: boolean,
  unit: Kit['preferences']['distanceUnit'],
  mostHeightM: number,
  leastM: number,
): Stand | null {
  const [deg, by] = [fine ? 1 : 5, fine ? 0.02 : step(unit)];
  switch (key) {
    case 'ArrowLeft':
      return { distanceM, heightM, sideDeg: wrapDeg(sideDeg - deg) };
    case 'ArrowRight':
      return { distanceM, heightM, sideDeg: wrapDeg(sideDeg + deg) };
    case 'ArrowUp':
      return { sideDeg, heightM, distanceM: clamp(Number((distanceM + by).toFixed(3)), leastM, 30) };
    case 'ArrowDown':
      return { sideDeg, heightM, distanceM: clamp(Number((distanceM - by).toFixed(3)), leastM, 30) };
    case 'PageUp':
      return { sideDeg, distanceM, heightM: clamp(Number((heightM + by).toFixed(3)), -2, mostHeightM) };
    case 'PageDown':
      return { sideDeg, distanceM, heightM: clamp(Number((heightM - by).toFixed(3)), -2, mostHeightM) };
    default:
      return null;
  }
}

const MOST_LIGHT_M = 5;
const MOST_PANEL_M = 8;

function lightThings(facts: StageFacts): Thing[] {
  const { setup, kit, numbers } = facts;
  const unit = kit.preferences.distanceUnit;
  return numbers.stage.lights.flatMap(({ index, role, group, at, axis }): Thing[] => {
    const name = words.light({ role, group });
    const light = setup.lights[index];
    if (light === undefined) return [];
    const point = setup.points.find(({ id }) => id === light.aimPointId);
    const aim = (point === undefined ? null : pointPlace(point, setup))?.at ?? EYES;
    const settings = ({ distanceM, sideDeg, heightM }: Stand): Setting[] => [
      { path: lightPath(index, 'distanceM'), value: distanceM },
      { path: lightPath(index, 'sideDeg'), value: sideDeg },
      { path: lightPath(index, 'heightM'), value: heightM },
    ];
    const feather = (deg: number): Setting[] => [
      { path: lightPath(index, 'featherDeg'), value: clamp(Math.round(deg), -80, 80) },
    ];
    const forward = unitOf(axis);
    return [
      {
        id: `light:${light.id}`,
        name,
        at,
        deg: light.sideDeg,
        faces: ['plan', 'side'],
        said: texts.overTheAim(
          formatDistance(light.distanceM, unit),
          saySide(light.sideDeg),
          formatDistance(light.heightM, unit),
        ),
        moveTo: (place, free) => settings(snappedStand(place, aim, facts, free, MOST_LIGHT_M)),
        nudge: (key, fine) => {
          const next = nudged(light, key, fine, unit, MOST_LIGHT_M, 0.3);
          return next === null ? null : settings(next);
        },
      },
      {
        id: `turn:light:${light.id}`,
        name: texts.axisOf(name),
        deg: light.featherDeg,
        faces: ['plan'],
        said: light.featherDeg === 0 ? texts.pointsAtItsAim : texts.pastItsAim(Math.abs(light.featherDeg)),
        at: { x: at.x - forward.x * TURN_M, y: at.y - forward.y * TURN_M, z: at.z - forward.z * TURN_M },
        moveTo: (place, free) => {
          const deg = wrapDeg(angleOf(minus(at, place)) - angleOf(minus(aim, at)));
          return feather(free ? deg : snapTo(deg, 5));
        },
        nudge: (key, fine) =>
          key === 'ArrowLeft' || key === 'ArrowRight'
            ? feather(light.featherDeg + (key === 'ArrowLeft' ? -1 : 1) * (fine ? 1 : 5))
            : key === 'Home'
              ? feather(0)
              : null,
      },
    ];
  });
}

/** The settings that change one panel, keeping what readings have seen of it. */
export const panelSettings = (
  { setup, now, newestReadingAt }: Pick<StageFacts, 'setup' | 'now' | 'newestReadingAt'>,
  panel: Panel,
  change: Partial<Panel>,
): Setting[] => [
  {
    path: 'panels',
    value: setup.panels.map((one) => (one.id === panel.id ? changedPanel(panel, change, now(), newestReadingAt) : one)),
  },
];

function panelThings(facts: StageFacts): Thing[] {
  const { setup, kit } = facts;
  const unit = kit.preferences.distanceUnit;
  return setup.panels.flatMap((panel): Thing[] => {
    const at = lightPlace(EYES, panel);
    const name = words.panelName(panel);
    const front = wrapDeg(angleOf(minus(EYES, at)) + panel.turnedDeg) * RADIANS;
    const put = (change: Partial<Panel>) => panelSettings(facts, panel, change);
    const turn = (deg: number) => put({ turnedDeg: clamp(Math.round(deg), -80, 80) });
    return [
      {
        id: `panel:${panel.id}`,
        name,
        at,
        deg: panel.sideDeg,
        faces: ['plan', 'side'],
        said: texts.overTheEyes(
          formatDistance(panel.distanceM, unit),
          saySide(panel.sideDeg),
          formatDistance(panel.heightM, unit),
        ),
        moveTo: (place, free) => put(snappedStand(place, EYES, facts, free, MOST_PANEL_M, 0.2)),
        nudge: (key, fine) => {
          const next = nudged(panel, key, fine, unit, MOST_PANEL_M, 0.2);
          return next === null ? null : put(next);
        },
      },
      {
        id: `turn:panel:${panel.id}`,
        name: texts.frontOf(name),
        deg: panel.turnedDeg,
        faces: ['plan'],
        said: panel.turnedDeg === 0 ? texts.looksAtTheFace : texts.turned(Math.abs(panel.turnedDeg)),
        at: { x: at.x - Math.sin(front) * TURN_M, y: at.y, z: at.z - Math.cos(front) * TURN_M },
        moveTo: (place, free) => {
          const deg = wrapDeg(angleOf(minus(at, place)) - angleOf(minus(EYES, at)));
          return turn(free ? deg : snapTo(deg, 5));
        },
        nudge: (key, fine) =>
          key === 'ArrowLeft' || key === 'ArrowRight'
            ? turn(panel.turnedDeg + (key === 'ArrowLeft' ? -1 : 1) * (fine ? 1 : 5))
            : key === 'Home'
              ? turn(0)
              : null,
      },
    ];
  });
}

function lampThings(facts: StageFacts): Thing[] {
  const { setup, kit } = facts;
  const unit = kit.preferences.distanceUnit;
  return setup.lamps.map((lamp): Thing => {
    const point = setup.points.find(({ id }) => id === lamp.pointId);
    const aim = (point === undefined ? null : pointPlace(point, setup))?.at ?? EYES;
    const settings = (change: Stand): Setting[] => [
      { path: 'lamps', value: setup.lamps.map((one) => (one.id === lamp.id ? { ...one, ...change } : one)) },
    ];
    return {
      id: `lamp:${lamp.id}`,
      name: kit.lamps.find(({ id }) => id === lamp.lampId)?.name ?? 'Lamp',
      at: lightPlace(aim, lamp),
      deg: lamp.sideDeg,
      faces: ['plan', 'side'],
      said: `${formatDistance(lamp.distanceM, unit)}, ${saySide(lamp.sideDeg)}`,
      moveTo: (place, free) => settings(snappedStand(place, aim, facts, free, MOST_LIGHT_M, 0.2)),
      nudge: (key, fine) => {
        const next = nudged(lamp, key, fine, unit, MOST_LIGHT_M, 0.2);
        return next === null ? null : settings(next);
      },
    };
  });
}

/** How far others are turned towards the person in focus, in words. */
export const sayOthers = (deg: number): string =>
  deg === 0 ? texts.lookAtTheCamera : `turned ${Math.abs(deg)}° ${deg > 0 ? 'inward' : 'away'}`;

/**
 * Everyone beside the person in focus is turned by the first of them; its handle lies behind the head, clear of
 * the face's own.
 */
function othersThing({ setup }: StageFacts): Thing[] {
  const [first, ...rest] = companions(setup);
  if (first === undefined) return [];
  const { at, turnDeg, inward } = first;
  const { othersTurnDeg } = setup.stage.subject;
  const turn = (deg: number): Setting[] => [
    { path: 'stage.subject.othersTurnDeg', value: Math.round(wrapDeg(inward * deg)) + 0 },
  ];
  const nose = turnDeg * RADIANS;
  return [
    {
      id: 'others',
      name: rest.length > 0 ? texts.others : texts.secondPerson,
      at: { x: at.x - Math.sin(nose) * NOSE_M, y: at.y, z: at.z - Math.cos(nose) * NOSE_M },
      deg: turnDeg,
      faces: ['plan'],
      said: sayOthers(othersTurnDeg),
      moveTo: (place, free) => {
        const deg = angleOf(minus(at, place));
        return turn(free ? deg : snapAngle(deg, 0));
      },
      nudge: (key, fine) =>
        key === 'ArrowLeft' || key === 'ArrowRight'
          ? turn(turnDeg + (key === 'ArrowLeft' ? -1 : 1) * (fine ? 1 : 5))
          : key === 'Home'
            ? turn(0)
            : null,
    },
  ];
}

/** Where the sun is drawn: on a ring round the subject. */
export const sunAt = ({
  numbers: {
    stage: { sun },
  },
  sunRingM,
}: Pick<StageFacts, 'numbers' | 'sunRingM'>): Place | null =>
  sun === null ? null : { x: sun.towards.x * sunRingM, y: sun.towards.y * sunRingM, z: sun.towards.z * sunRingM };

/** Everything that can be moved, in the order in which the keyboard goes through it. */
// eslint-disable-next-line max-lines-per-function -- each thing that can be moved, one after the other
export function stageThings(facts: StageFacts): Thing[] {
  const { setup, kit, numbers } = facts;
  const { stage } = setup;
  const unit = kit.preferences.distanceUnit;
  const by = step(unit);
  const turn = (deg: number): Setting[] => [{ path: 'stage.subject.turnDeg', value: Math.round(wrapDeg(deg)) }];
  const camera = (distance: number, up: number): Setting[] => [
    { path: 'stage.cameraM', value: clamp(Number(distance.toFixed(3)), 0.5, 60) },
    { path: 'stage.cameraUpM', value: clamp(Number(up.toFixed(3)), -2, 4) },
  ];
  const background = (distance: number): Setting[] => [
    { path: 'backgroundM', value: clamp(Number(distance.toFixed(2)), 0.3, 100) },
  ];
  const backgroundM = setup.backgroundM ?? UNSAID_BACKGROUND_M;
  const nose = stage.subject.turnDeg * RADIANS;
  const things: Thing[] = [
    ...lightThings(facts),
    ...panelThings(facts),
    ...lampThings(facts),
    {
      id: 'subject',
      name: texts.face,
      at: { x: Math.sin(nose) * NOSE_M, y: 0, z: Math.cos(nose) * NOSE_M },
      deg: stage.subject.turnDeg,
      faces: ['plan'],
      said: stage.subject.turnDeg === 0 ? texts.looksAtTheCamera : texts.turned2(saySide(stage.subject.turnDeg)),
      moveTo: (place, free) => turn(free ? angleOf(place) : snapAngle(angleOf(place), 0)),
      nudge: (key, fine) =>
        key === 'ArrowLeft' || key === 'ArrowRight'
          ? turn(stage.subject.turnDeg + (key === 'ArrowLeft' ? -1 : 1) * (fine ? 1 : 5))
          : key === 'Home'
            ? turn(0)
            : null,
    },
    ...othersThing(facts),
    {
      id: 'camera',
      name: texts.camera,
      at: { x: 0, y: stage.cameraUpM, z: stage.cameraM },
      deg: 0,
      faces: ['plan', 'side'],
      said:
        texts.fromTheSubject(formatDistance(stage.cameraM, unit)) +
        `${formatDistance(Math.abs(stage.cameraUpM), unit)} ${stage.cameraUpM < 0 ? 'under' : 'over'} the ` +
        'eyes',
      moveTo: ({ y, z }, free) => camera(free ? z : snapTo(z, by), free ? y : snapTo(y, by / 2)),
      nudge: (key, fine) => {
        const d = fine ? 0.02 : by;
        return key === 'ArrowUp'
          ? camera(stage.cameraM - d, stage.cameraUpM)
          : key === 'ArrowDown'
            ? camera(stage.cameraM + d, stage.cameraUpM)
            : key === 'PageUp'
              ? camera(stage.cameraM, stage.cameraUpM + d)
              : key === 'PageDown'
                ? camera(stage.cameraM, stage.cameraUpM - d)
                : null;
      },
    },
    {
      id: 'background',
      name: texts.background,
      at: { x: 0, y: 0, z: -backgroundM },
      deg: 0,
      faces: ['plan', 'side'],
      said:
        setup.backgroundM === null ? texts.distanceNotSaid : texts.behindTheSubject(formatDistance(backgroundM, unit)),
      moveTo: ({ z }, free) => background(free ? -z : snapTo(-z, 5 * by)),
      nudge: (key, fine) =>
        key === 'ArrowUp' || key === 'ArrowDown'
          ? background(backgroundM + (key === 'ArrowUp' ? 1 : -1) * (fine ? 0.1 : 5 * by))
          : null,
    },
  ];
  const place = sunAt(facts);
  const { sun } = stage;
  if (place !== null && sun?.by === 'hand') {
    const put = (sideDeg: number, altitudeDeg: number): Setting[] => [
      {
        path: 'stage.sun',
        value: {
          by: 'hand',
          sideDeg: Math.round(wrapDeg(sideDeg)),
          altitudeDeg: clamp(Math.round(altitudeDeg), -10, 90),
        },
      },
    ];
    things.push({
      id: 'sun',
      name: texts.sun,
      at: place,
      deg: sun.sideDeg,
      faces: ['plan', 'side'],
      said: numbers.stage.sun === null ? '' : words.sun(numbers.stage.sun),
      moveTo: (to, free) => {
        // from above the drag turns it, from the side it raises it
        const across = Math.hypot(to.x, to.z);
        const turned = Math.abs(to.y - place.y) < 1e-9;
        return turned
          ? put(free ? angleOf(to) : snapAngle(angleOf(to), 0), sun.altitudeDeg)
          : put(sun.sideDeg, Math.atan2(to.y, Math.max(0.01, across)) / RADIANS);
      },
      nudge: (key, fine) => {
        const d = fine ? 1 : 5;
        return key === 'ArrowLeft'
          ? put(sun.sideDeg - d, sun.altitudeDeg)
          : key === 'ArrowRight'
            ? put(sun.sideDeg + d, sun.altitudeDeg)
            : key === 'PageUp' || key === 'ArrowUp'
              ? put(sun.sideDeg, sun.altitudeDeg + d)
              : key === 'PageDown' || key === 'ArrowDown'
                ? put(sun.sideDeg, sun.altitudeDeg - d)
                : null;
      },
    });
  }
  return things;
}

/** What is drawn but not moved by itself: the openings and how large everything is come from here too. */
export const isOpening = (panel: Panel): boolean => PANEL_FACTS[panel.kind].opening;
