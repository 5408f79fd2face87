import { useActions } from '@/store/application';
import { selectDocument, selectSetups } from '@/store/selectors';
import type { SpotFacts } from '@/store/shootActions';
import { useAppSelector } from '@/store/store';
import { localDay } from '@/shell/localDay';
import { useMemo, useState } from 'react';

import type { Shoot, Spot } from '@sphene/core/documents';
import { type ShadeEdge, shadeEdges, type SpotSun, spotSun, sunOutline } from '@sphene/core/plan';
import { type MoonDay, moonDay } from '@sphene/core/sky';

/** What is said of a spot, to be put back. */
const factsOf = ({
  type: _type,
  version: _version,
  id: _id,
  shootId: _shootId,
  title: _title,
  ...said
}: Spot): SpotFacts => said;

/** A spot on screen, what changes it, and the way back. */
export function useSpot(id: string) {
  const actions = useActions();
  const spot = useAppSelector((state) => selectDocument(state, 'spot', id));
  const shoot = useAppSelector((state) => (spot ? selectDocument(state, 'shoot', spot.shootId) : undefined));
  const [before, setBefore] = useState<readonly SpotFacts[]>([]);
  return {
    spot,
    shoot,
    describe: (said: Partial<SpotFacts>) => {
      if (spot === undefined) return;
      setBefore([...before, factsOf(spot)]);
      actions.describeSpot(spot, said);
    },
    undo:
      spot === undefined || before.length === 0
        ? null
        : () => {
            const last = before.at(-1);
            setBefore(before.slice(0, -1));
            if (last !== undefined) actions.describeSpot(spot, last);
          },
  };
}

/** The sun of a shoot's day at a spot; null before it has a place. */
export function useSpotDay(
  spot: Spot,
  { date, timeZone: zone }: Pick<Shoot, 'date' | 'timeZone'>,
): { sun: SpotSun; moon: MoonDay; edges: ShadeEdge[]; clock: (ms: number) => string } | null {
  const timeZone = spot.timeZone ?? zone;
  const backgroundM = useAppSelector(
    (state) =>
      selectSetups(state).find((one) => one.spotId === spot.id && one.backgroundM !== null)?.backgroundM ?? null,
  );
  const { place, looksDeg, light, windowsFaceDeg, outline: around } = spot;
  const { fromMs, toMs, clock } = localDay(`${date}T12:00:00Z`, timeZone);
  const told = useMemo(() => {
    if (place === null) return null;
    const outline = sunOutline({ outline: around, light, windowsFaceDeg });
    const plan = { spot: { place, outline, looksDeg }, backgroundM };
    const sun = spotSun(plan, fromMs, toMs);
    const moon = moonDay(place.latitudeDeg, place.longitudeDeg, fromMs, toMs);
    return { sun, moon, edges: shadeEdges(plan, sun) };
  }, [place, around, light, windowsFaceDeg, looksDeg, backgroundM, fromMs, toMs]);
  return told === null ? null : { ...told, clock };
}
