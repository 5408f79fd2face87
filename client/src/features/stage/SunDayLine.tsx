import { localDay } from '@/shell/localDay';
import { useChange } from '@/setupView/setupContext';
import { DayLine } from '@/ui/DayLine';
import { useMemo } from 'react';

import type { Sun } from '@sphene/core/setup';
import { sunDay } from '@sphene/core/sky';

type SunAtTime = Extract<Sun, { by: 'time' }>;

interface SunDayLineProps {
  sun: SunAtTime;
  timeZone: string;
  /** the moment that was chosen, as the document keeps it */
  onTime: (at: string) => void;
}

/** The day on one line at the place of the stage's sun: heights, windows, and the moment that stage and picture show. */
export function SunDayLine({ sun, timeZone, onTime }: SunDayLineProps) {
  const { draft } = useChange();
  const { latitudeDeg, longitudeDeg, at } = sun;
  const { fromMs, toMs, clock } = localDay(at, timeZone);
  const day = useMemo(() => sunDay(latitudeDeg, longitudeDeg, fromMs, toMs), [latitudeDeg, longitudeDeg, fromMs, toMs]);
  const isoOf = (ms: number) => new Date(ms).toISOString();
  return (
    <DayLine
      day={day}
      clock={clock}
      atMs={Date.parse(at)}
      onDraft={(ms) => draft([{ path: 'stage.sun', value: { ...sun, at: isoOf(ms) } }])}
      onTime={(ms) => onTime(isoOf(ms))}
    />
  );
}
