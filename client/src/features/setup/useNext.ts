import { texts } from './texts';
import type { SetupView } from '@/setupView/setupContext';
import { useState } from 'react';

import type { NextAction } from '@sphene/core/advice';
import type { MeteringPoint } from '@sphene/core/setup';

/** What a tap on the next bar is called. */
const DOING: Record<NextAction['kind'], string | null> = {
  'meter-face': texts.meter,
  'meter-background': texts.meter,
  'meter-highlight': texts.meter,
  'meter-again': texts.meter,
  'choose-camera': texts.choose,
  'choose-flash': texts.choose,
  'camera-cannot': texts.waysOut,
  'no-flash-can-help': texts.waysOut,
  'power-out-of-range': texts.waysOut,
  'no-flash-measured': texts.read,
  answer: texts.answer,
  'say-place': texts.itIs,
  'set-camera': texts.itIsSet,
  'fill-needed': texts.waysOut,
  'shoot-ambient': texts.afterIt,
  'set-and-test': texts.itIsSet,
  'fire-test': texts.read,
  'set-powers': texts.theyAreSet,
  'fire-all': texts.read,
  correct: texts.itIsSet,
  shoot: texts.afterIt,
  'set-lamps': texts.theyAreSet,
  'lamp-out-of-range': texts.itIsMoved,
  film: texts.afterIt,
};

/** The frame is to be made: what comes after it stands with the setup as a whole. */
const ENDS: readonly NextAction['kind'][] = ['shoot', 'shoot-ambient', 'film'];

/** What no place of a lamp cures has nothing to tap. */
const doingOf = ({ kind, settings }: NextAction): string | null =>
  kind === 'lamp-out-of-range' && settings.length === 0 ? null : DOING[kind];

/** The point that an action asks to be metered first, where work can go on without it. */
function mayBeLeftOut({ kind, ...facts }: NextAction, { open: { setup } }: SetupView): MeteringPoint | undefined {
  if (kind === 'meter-background') return setup.points.find(({ role }) => role === 'background');
  return kind === 'meter-highlight' && 'pointId' in facts
    ? setup.points.find(({ id }) => id === facts.pointId)
    : undefined;
}

/** What is to be done, and the way round it: a point is left out for good, anything else for later. */
export function useNext(view: SetupView) {
  const { nextAction, laterAction } = view.advice;
  const [putOff, setPutOff] = useState<string | null>(null);
  // the same thing is put off once; with other figures it is asked for again
  const key = JSON.stringify([nextAction.kind, nextAction.settings]);
  const isPutOff = putOff === key && laterAction !== null;
  const point = mayBeLeftOut(nextAction, view);
  const leaveOut = (id: string) =>
    view.hands.changeOne(
      'points',
      view.open.setup.points.map((one) => (one.id === id ? { ...one, leftOut: true } : one)),
    );
  const action = isPutOff ? laterAction : nextAction;
  return {
    action,
    doing: doingOf(action),
    ends: ENDS.includes(action.kind),
    other: isPutOff
      ? { label: texts.back, onPress: () => setPutOff(null) }
      : laterAction === null
        ? null
        : point === undefined
          ? { label: texts.later, onPress: () => setPutOff(key) }
          : { label: texts.leaveOut, onPress: () => leaveOut(point.id) },
  };
}
