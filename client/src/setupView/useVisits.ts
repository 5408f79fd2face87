import { byId, ofType, selectSetups } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { useMemo } from 'react';

import type { Visit } from '@sphene/core/forecast';

/** Setups of a spot with their readings: what earlier visits found there. */
export function useVisits(spotId: string): Visit[] {
  const documents = useAppSelector(byId);
  const setups = useAppSelector(selectSetups);
  return useMemo(() => {
    const readings = ofType(documents, 'reading');
    return setups
      .filter((setup) => setup.spotId === spotId)
      .map((setup) => ({ setup, readings: readings.filter(({ setupId }) => setupId === setup.id) }));
  }, [documents, setups, spotId]);
}
