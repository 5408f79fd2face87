import { selectKit } from '@/setupView/selectSolution';
import { selectDocument } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { useEffect, useRef } from 'react';

import type { Setup } from '@sphene/core/setup';
import { dueLine } from './dueLine';
import { useForecastOf } from './useForecast';

function Watch({ setup }: { setup: Setup }) {
  const kit = useAppSelector((state) => selectKit(state, setup.id));
  const { forecast, timeZone } = useForecastOf(setup, kit);
  const isTold = useRef(false);
  const isDue = forecast !== null && forecast.live && forecast.meterAgain?.minute === 0;
  const text = forecast === null ? '' : dueLine(forecast, setup, timeZone);
  useEffect(() => {
    if (!isDue) isTold.current = false;
    if (!isDue || isTold.current) return;
    isTold.current = true;
    new Notification(setup.title, { body: text });
  }, [isDue, text, setup.title]);
  return null;
}

/**
 * Says once that a reading of a setup is due, on whatever screen the page is and where its person allowed it; nothing is sent
 * from anywhere.
 */
export function DueWatch({ setupId }: { setupId: string }) {
  const setup = useAppSelector((state) => selectDocument(state, 'setup', setupId));
  const isReady = useAppSelector((state) => state.documents.factsReady);
  return setup === undefined || !isReady ? null : <Watch setup={setup} />;
}
