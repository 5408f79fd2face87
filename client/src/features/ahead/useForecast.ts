import { selectDocument, selectFacts } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { useKit, useSetup } from '@/setupView/setupContext';
import { useMemo, useState } from 'react';

import { type Forecast, foresee } from '@sphene/core/forecast';

/** The next hour of the setup on screen; while something is dragged it stays as it was. */
export function useForecast(): { forecast: Forecast | null; timeZone: string } {
  const { setup } = useSetup();
  const kit = useKit();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const dragged = useAppSelector((state) => state.documents.draft !== null);
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const timeZone = useAppSelector(
    (state) =>
      selectDocument(state, 'spot', setup.spotId)?.timeZone ??
      selectDocument(state, 'shoot', setup.shootId)?.timeZone ??
      'UTC',
  );
  /** as hands last left it */
  const [settled, setSettled] = useState(setup);
  if (!dragged && settled !== setup) setSettled(setup);
  const forecast = useMemo(() => foresee(settled, kit, facts, new Date(clockMs)), [settled, kit, facts, clockMs]);
  return { forecast, timeZone };
}
