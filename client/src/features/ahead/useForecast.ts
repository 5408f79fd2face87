import { selectDocument, selectFacts } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { useDragged, useKit, useSetup } from '@/setupView/setupContext';
import { useMemo, useState } from 'react';

import { type Forecast, foresee } from '@sphene/core/forecast';
import type { Kit } from '@sphene/core/gear';
import type { Setup } from '@sphene/core/setup';

/** A forecast, and the time zone that its clock times are told in. */
export interface ToldForecast {
  forecast: Forecast | null;
  timeZone: string;
}

/** The next hour of a setup. @param dragged while something is under the thumb it stays as it was */
export function useForecastOf(setup: Setup, kit: Kit, dragged = false): ToldForecast {
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const spot = useAppSelector((state) => selectDocument(state, 'spot', setup.spotId));
  const shoot = useAppSelector((state) => selectDocument(state, 'shoot', setup.shootId));
  const weather = spot?.weather ?? null;
  /** as hands last left it */
  const [settled, setSettled] = useState(setup);
  if (!dragged && settled !== setup) setSettled(setup);
  const forecast = useMemo(
    () => foresee(settled, kit, facts, new Date(clockMs), weather),
    [settled, kit, facts, clockMs, weather],
  );
  return { forecast, timeZone: spot?.timeZone ?? shoot?.timeZone ?? 'UTC' };
}

/** The next hour of the setup on screen. */
export function useForecast(): ToldForecast {
  const { setup } = useSetup();
  return useForecastOf(setup, useKit(), useDragged());
}
