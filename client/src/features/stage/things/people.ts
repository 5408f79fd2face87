import { minus, wrapDeg } from '@sphene/core/scene';
import type { Setting } from '@sphene/core/setup';
import { companions } from '@sphene/core/stage';
import { snapAngle } from '../stageView';
import { texts } from '../texts';
import { angleOf, NOSE_M, RADIANS, saySide, type StageFacts, type Thing, turnedBy } from './thing';

/** The face of the person in focus: its handle is where the nose points. */
export function subjectThing({ setup }: StageFacts): Thing {
  const { turnDeg } = setup.stage.subject;
  const turn = (deg: number): Setting[] => [{ path: 'stage.subject.turnDeg', value: Math.round(wrapDeg(deg)) }];
  const nose = turnDeg * RADIANS;
  return {
    id: 'subject',
    name: texts.face,
    at: { x: Math.sin(nose) * NOSE_M, y: 0, z: Math.cos(nose) * NOSE_M },
    deg: turnDeg,
    faces: ['plan'],
    said: turnDeg === 0 ? texts.looksAtTheCamera : texts.turnedTo(saySide(turnDeg)),
    moveTo: (place, free) => turn(free ? angleOf(place) : snapAngle(angleOf(place), 0)),
    nudge: (key, fine) => turnedBy(key, fine, turnDeg, turn),
  };
}

/** How far others are turned towards the person in focus, in words. */
export const sayOthers = (deg: number): string =>
  deg === 0 ? texts.lookAtTheCamera : deg > 0 ? texts.turnedInward(Math.abs(deg)) : texts.turnedAway(Math.abs(deg));

/**
 * Everyone beside the person in focus is turned by the first of them; its handle lies behind the head, clear of
 * the face's own.
 */
export function othersThing({ setup }: StageFacts): Thing[] {
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
      nudge: (key, fine) => turnedBy(key, fine, turnDeg, turn),
    },
  ];
}
