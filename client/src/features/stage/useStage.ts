import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { timestamp } from '@/store/ids';
import { selectDocument, selectReadings } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { useMemo, useRef, useState } from 'react';

import type { Place } from '@sphene/core/scene';
import type { Setting } from '@sphene/core/setup';
import { stageThings, type Thing } from './things';

/** The stage of the setup on screen: what stands on it, and how it is moved. */
export interface Stage {
  things: Thing[];
  sunRingM: number;
  selectedId: string | null;
  select: (id: string | null) => void;
  /** shows settings while something is moved */
  draft: (settings: Setting[]) => void;
  /** keeps what was drafted last */
  drop: () => void;
  cancel: () => void;
}

/** What a change of a panel needs: the present moment, and the newest ambient reading of the setup on screen. */
export interface Moment {
  now: () => string;
  newestReadingAt: string | null;
}

export function useMoment(): Moment {
  const { setup } = useSetup();
  const readings = useAppSelector((state) => selectReadings(state, setup.id));
  return useMemo(
    () => ({
      now: timestamp,
      newestReadingAt: readings
        .filter(({ light, struckAt }) => light === 'ambient' && struckAt === null)
        .reduce<string | null>(
          (newest, { at }) => (newest === null || Date.parse(at) > Date.parse(newest) ? at : newest),
          null,
        ),
    }),
    [readings],
  );
}

/** How far out the sun is drawn, m: near enough to stay on the canvas. */
const SUN_RING_M = 1.9;

export function useStage(): Stage {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { change, draft } = useChange();
  const kept = useAppSelector((state) => selectDocument(state, 'setup', setup.id)) ?? setup;
  const moment = useMoment();
  const [selectedId, select] = useState<string | null>(null);
  const pending = useRef<Setting[] | null>(null);
  const sunRingM = SUN_RING_M;
  // panels are changed from what is kept, so that a drag of many steps is one move
  const things = stageThings({
    setup: {
      ...setup,
      panels: setup.panels.map((panel) => {
        const own = kept.panels.find(({ id }) => id === panel.id);
        return own === undefined ? panel : { ...panel, movedAt: own.movedAt, before: own.before };
      }),
    },
    kit,
    numbers: numbers,
    ...moment,
    sunRingM,
  });
  return {
    things,
    sunRingM,
    selectedId,
    select,
    draft: (settings) => {
      pending.current = settings;
      draft(settings);
    },
    drop: () => {
      const settings = pending.current;
      pending.current = null;
      if (settings !== null) change(...settings);
    },
    cancel: () => {
      pending.current = null;
      draft(null);
    },
  };
}

/** Everything that the stage should show at first. */
export const placesToShow = (things: readonly Thing[], eyesM: number, side: boolean): Place[] => [
  ...things.filter(({ id }) => !id.startsWith('turn:') && id !== 'background').map(({ at }) => at),
  { x: 0.9, y: 0.9, z: 0 },
  { x: -0.9, y: 0.4, z: -1.2 },
  ...(side ? [{ x: 0, y: -eyesM, z: 0 }] : []),
];
