import type { Kit } from '@sphene/core/gear';
import { type Place, standOf, wrapDeg } from '@sphene/core/scene';
import type { Setting, Setup } from '@sphene/core/setup';
import type { SolutionNumbers } from '@sphene/core/solution';
import { type Face, snapAngle, snapTo } from '../stageView';
import { texts } from '../texts';

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

export const EYES: Place = { x: 0, y: 0, z: 0 };
export const RADIANS = Math.PI / 180;
/** How far behind a thing its turning handle lies, m: in front of it the subject is soon in the way. */
export const TURN_M = 0.8;
/** How far from a head the handle that turns it lies, m. */
export const NOSE_M = 0.5;

export const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));
/** A step of distance by key or snap, m. */
export const stepM = (unit: Kit['preferences']['distanceUnit']) => (unit === 'm' ? 0.1 : 0.1524);
/** The angle of a place from the line to the camera, degrees. */
export const angleOf = ({ x, z }: Place): number => Math.atan2(x, z) / RADIANS;
/** An angle as people say it. */
export const saySide = (deg: number): string => {
  const degrees = Math.abs(Math.round(deg));
  return deg < 0 ? texts.degreesLeft(degrees) : texts.degreesRight(degrees);
};

/** Distance, side and height of a place as seen from another, snapped. */
export function snappedStand(
  place: Place,
  from: Place,
  { setup, kit }: StageFacts,
  free: boolean,
  mostHeightM: number,
  leastM = 0.3,
) {
  const { distanceM, sideDeg, heightM } = standOf(place, from);
  const by = stepM(kit.preferences.distanceUnit);
  return {
    distanceM: clamp(free ? Number(distanceM.toFixed(2)) : snapTo(distanceM, by), leastM, 30),
    sideDeg: free ? Math.round(wrapDeg(sideDeg)) : snapAngle(sideDeg, setup.stage.subject.turnDeg),
    heightM: clamp(free ? Number(heightM.toFixed(2)) : snapTo(heightM, by / 2), -2, mostHeightM),
  };
}

export type Stand = ReturnType<typeof snappedStand>;

/** A stand stepped by a key: aside, farther, higher. */
export function nudged(
  { distanceM, sideDeg, heightM }: Stand,
  key: string,
  fine: boolean,
  unit: Kit['preferences']['distanceUnit'],
  mostHeightM: number,
  leastM: number,
): Stand | null {
  const [deg, by] = [fine ? 1 : 5, fine ? 0.02 : stepM(unit)];
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

/** No stand is taller, m. */
export const MOST_LIGHT_M = 5;

/** The settings of a key on something that turns: arrows step it, Home straightens it. */
export function turnedBy<T>(key: string, fine: boolean, deg: number, turn: (deg: number) => T): T | null {
  const by = fine ? 1 : 5;
  switch (key) {
    case 'ArrowLeft':
      return turn(deg - by);
    case 'ArrowRight':
      return turn(deg + by);
    case 'Home':
      return turn(0);
    default:
      return null;
  }
}
