import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useSetup } from '@/setupView/setupContext';
import { clockAt } from '@/shell/localDay';
import { selectDocument } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { useMemo } from 'react';
import { View } from 'react-native';

import type { Forecast } from '@sphene/core/forecast';
import { shadeEdges, spotSun } from '@sphene/core/plan';

const HOUR_MS = 3_600_000;

/** Where the spot has a place and the stage no sun by it: one tap, and how light goes on is foretold. */
export function TakeTheSun({ forecast }: { forecast: Forecast }) {
  const { setup } = useSetup();
  const { changeOne } = useChange();
  const spot = useAppSelector((state) => selectDocument(state, 'spot', setup.spotId));
  if (spot?.place == null || forecast.by === 'sun' || setup.stage.sun?.by === 'time') return null;
  const { place, looksDeg } = spot;
  const at = new Date(forecast.fromMs).toISOString();
  return (
    <View style={{ alignItems: 'flex-start' }}>
      <ActionButton
        label={texts.takeTheSunHere}
        onPress={() => changeOne('stage.sun', { by: 'time', ...place, at, cameraLooksDeg: looksDeg ?? 180 })}
      />
    </View>
  );
}

/** The sun that comes or goes at this spot within the hour: a shade that ends soon says so. */
export function EdgesSoon({ forecast, timeZone }: { forecast: Forecast; timeZone: string }) {
  const { setup } = useSetup();
  const spot = useAppSelector((state) => selectDocument(state, 'spot', setup.spotId));
  const { fromMs } = forecast;
  const { backgroundM } = setup;
  const edges = useMemo(() => {
    if (spot?.place == null) return [];
    const plan = { spot: { place: spot.place, outline: spot.outline, looksDeg: spot.looksDeg }, backgroundM };
    return shadeEdges(plan, spotSun(plan, fromMs, fromMs + HOUR_MS));
  }, [spot, backgroundM, fromMs]);
  if (edges.length === 0 || spot?.light === 'indoors') return null;
  return (
    <View role="group" aria-label={texts.edgesSoon} style={{ gap: 4 }}>
      {edges.map((edge) => {
        const safe = edge.safeMs === null ? texts.neverSafe : texts.safeUntil(clockAt(edge.safeMs, timeZone));
        return (
          <Txt key={`${edge.of} ${edge.atMs}`} bold>
            {texts.edgeAt(clockAt(edge.atMs, timeZone), words.shadeEdge(edge))}, {safe}.
          </Txt>
        );
      })}
    </View>
  );
}
