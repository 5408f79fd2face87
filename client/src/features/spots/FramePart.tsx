import { texts } from './texts';
import { words } from '@/language/words';
import type { SpotFacts } from '@/store/shootActions';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { NumberDial } from '@/ui/dials';
import { Heading, Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';

import { type Spot, SPOT_LIGHTS } from '@sphene/core/documents';
import { sunPosition } from '@sphene/core/sky';

export const BEARING = { unit: '°', least: 0, most: 360, step: 5, decimals: 0 } as const;

/** Where the sun stands at a spot at this moment; null: it has no place, or the sun is down. */
export function useSunNow({ place }: Pick<Spot, 'place'>): () => { altitudeDeg: number; azimuthDeg: number } | null {
  const clockMs = useAppSelector((state) => state.device.clockMs);
  return () => {
    if (place === null) return null;
    const sun = sunPosition(place.latitudeDeg, place.longitudeDeg, new Date(clockMs));
    return sun.altitudeDeg > 0 ? sun : null;
  };
}

/** Which way the frame looks and what light there is. */
export function FramePart({ spot, describe }: { spot: Spot; describe: (said: Partial<SpotFacts>) => void }) {
  const [isDown, setDown] = useState(false);
  const sunNow = useSunNow(spot);
  const look = (fromSunDeg: number) => {
    const sun = sunNow();
    setDown(sun === null);
    if (sun !== null) describe({ looksDeg: Math.round((sun.azimuthDeg + fromSunDeg) % 360) });
  };
  return (
    <View style={{ gap: 12 }}>
      <Heading size="value">{texts.theFrameLooks}</Heading>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', gap: 12 }}>
        {spot.looksDeg === null ? (
          <ActionButton label={texts.sayDirection} onPress={() => describe({ looksDeg: 180 })} />
        ) : (
          <NumberDial
            {...BEARING}
            label={texts.theFrameLooks}
            note={texts.fromNorthThroughEast}
            value={spot.looksDeg}
            onChange={(looksDeg) => describe({ looksDeg })}
          />
        )}
        {spot.place !== null && (
          <>
            <ActionButton label={texts.theSunStandsThere} onPress={() => look(0)} />
            <ActionButton label={texts.myShadowPointsThere} onPress={() => look(180)} />
          </>
        )}
      </View>
      {isDown && (
        <Txt role="alert" tone="danger">
          {texts.sunIsDown}
        </Txt>
      )}
      <ChoiceList
        label={texts.theLight}
        layout="row"
        value={spot.light ?? 'none'}
        onChoose={(light) => describe({ light: light === 'none' ? null : light })}
        choices={[
          { value: 'none', label: texts.notSaid },
          ...SPOT_LIGHTS.map((value) => ({ value, label: words.spotLight(value) })),
        ]}
      />
      {spot.light === 'indoors' && (
        <View style={{ alignItems: 'flex-start' }}>
          {spot.windowsFaceDeg === null ? (
            <ActionButton label={texts.sayWindowsFace} onPress={() => describe({ windowsFaceDeg: 180 })} />
          ) : (
            <NumberDial
              {...BEARING}
              label={texts.windowsFace}
              note={texts.fromNorthThroughEast}
              value={spot.windowsFaceDeg}
              onChange={(windowsFaceDeg) => describe({ windowsFaceDeg })}
            />
          )}
        </View>
      )}
    </View>
  );
}
