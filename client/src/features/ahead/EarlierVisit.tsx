import { texts } from './texts';
import { words } from '@/language/words';
import { useSetup } from '@/setupView/setupContext';
import { useVisits } from '@/setupView/useVisits';
import { momentAt } from '@/shell/localDay';
import { Txt } from '@/ui/Txt';
import { useMemo } from 'react';

import { scouted } from '@sphene/core/forecast';

/** A turn of the sun, or a change of colour, under these is none. */
const TURNED_DEG = 5;
const COLOUR_MIRED = 10;

/** What an earlier visit to this spot found at the face, against now. */
export function EarlierVisit({ timeZone }: { timeZone: string }) {
  const { setup } = useSetup();
  const visits = useVisits(setup.spotId);
  const told = useMemo(() => {
    const now = visits.find((visit) => visit.setup.id === setup.id);
    const others = visits.filter((visit) => visit !== now);
    return now === undefined || others.length === 0 ? null : scouted(now, others);
  }, [visits, setup.id]);
  if (told === null) return null;
  const { at, thenEv100, changeStops, coolerMired, sunAsideDeg } = told;
  const parts = [
    words.stops(changeStops),
    ...(coolerMired === null || Math.abs(coolerMired) < COLOUR_MIRED
      ? []
      : [coolerMired > 0 ? texts.cooler(coolerMired.toFixed(0)) : texts.warmer((-coolerMired).toFixed(0))]),
    ...(sunAsideDeg === null || Math.abs(sunAsideDeg) < TURNED_DEG
      ? []
      : [sunAsideDeg > 0 ? texts.sunRight(sunAsideDeg.toFixed(0)) : texts.sunLeft((-sunAsideDeg).toFixed(0))]),
  ];
  return <Txt>{texts.earlierVisit(momentAt(Date.parse(at), timeZone), thenEv100.toFixed(1), parts.join(', '))}</Txt>;
}
