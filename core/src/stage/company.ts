import type { Place } from '../scene';
import type { Setup } from '../setup';

/** Someone who stands beside the person in focus. */
export interface Companion {
  row: 'second' | 'row' | 'back' | 'front';
  /** counted from 1 in its row */
  number: number;
  at: Place;
  /** face turned from the line to the camera, positive to the right of the camera */
  turnDeg: number;
  /** which way is inward: 1 to the right of the camera; who stands straight behind turns as those on the right do */
  inward: 1 | -1;
}

/** A second person: shoulder to shoulder, half a step back. */
const BESIDE: Place = { x: 0.44, y: -0.05, z: -0.16 };
/** A row behind and two in front, as parts of how far the outermost stand. */
const ROWS = { back: [-1, 1, -0.4, 0.4], front: [-0.56, 0.56], only: [-1, 1, -0.5, 0.5] } as const;

/** Everyone beside the person in focus, turned towards that person or away, as plan and picture show them. */
export function companions({ people, stage: { subject } }: Pick<Setup, 'people' | 'stage'>): Companion[] {
  const standing = (row: Companion['row'], number: number, at: Place): Companion => {
    const inward = at.x < 0 ? 1 : -1;
    return { row, number, at, turnDeg: inward * subject.othersTurnDeg, inward };
  };
  if (people === null) return subject.company === 'two' ? [standing('second', 1, BESIDE)] : [];
  const { nearerM, fartherM, leftM, rightM } = people;
  const row = (name: Companion['row'], parts: readonly number[], z: number) =>
    parts.map((part, index) => standing(name, index + 1, { x: part * (part < 0 ? leftM : rightM), y: 0, z }));
  return nearerM === 0 && fartherM === 0
    ? row('row', ROWS.only, 0)
    : [...row('back', ROWS.back, -fartherM), ...row('front', ROWS.front, nearerM)];
}
