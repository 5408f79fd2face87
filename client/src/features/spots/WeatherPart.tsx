import { texts } from './texts';
import { words } from '@/language/words';
import { localDay, momentAt } from '@/shell/localDay';
import type { SpotFacts } from '@/store/shootActions';
import { ActionButton } from '@/ui/ActionButton';
import { Heading, Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';

import { type Shoot, type Spot, type SpotPlace, weatherAt } from '@sphene/core/documents';
import { askWeather, type NoWeatherReason } from './askWeather';

const HOUR_MS = 3_600_000;
/** A row for every so many hours, from early to late. */
const EVERY_HOURS = 3;
/** The longest day, when clocks go back, has an hour more. */
const DAY_HOURS = 25;

interface PartProps {
  spot: Spot;
  shoot: Shoot;
  describe: (said: Partial<SpotFacts>) => void;
}

/** The weather through the day, every few hours, as it was foretold. */
function Hours({ spot, shoot }: Omit<PartProps, 'describe'>) {
  const { fromMs, clock } = localDay(`${shoot.date}T12:00:00Z`, spot.timeZone ?? shoot.timeZone);
  const rows = Array.from({ length: 24 / EVERY_HOURS }, (_, index) => fromMs + index * EVERY_HOURS * HOUR_MS).flatMap(
    (atMs) => {
      const weather = weatherAt(spot.weather, atMs);
      return weather === null ? [] : [{ atMs, weather }];
    },
  );
  if (rows.length === 0) return <Txt>{texts.weatherOfAnotherDay}</Txt>;
  return (
    <View role="list" aria-label={texts.weatherByHour} style={{ gap: 4 }}>
      {rows.map(({ atMs, weather }) => (
        <View role="listitem" key={atMs} style={{ flexDirection: 'row', gap: 12 }}>
          <Txt bold style={{ width: 52 }}>
            {clock(atMs)}
          </Txt>
          <Txt style={{ flex: 1 }}>{words.weather(weather)}</Txt>
        </View>
      ))}
    </View>
  );
}

/** The weather that is foretold for the day of the shoot: asked for by one tap, kept with the spot, read without a network. */
export function WeatherPart({ spot, shoot, describe }: PartProps) {
  const [state, setState] = useState<'asking' | NoWeatherReason | null>(null);
  const { place, weather } = spot;
  const zone = spot.timeZone ?? shoot.timeZone;
  const ask = async (at: SpotPlace) => {
    setState('asking');
    const { fromMs } = localDay(`${shoot.date}T12:00:00Z`, zone);
    const told = await askWeather(at, fromMs, DAY_HOURS);
    setState(told.ok ? null : told.reason);
    if (told.ok) describe({ weather: told.value });
  };
  return (
    <View role="group" aria-label={texts.weather} style={{ gap: 8 }}>
      <Heading size="value">{texts.weather}</Heading>
      {weather !== null && (
        <Txt size="label" tone="quiet">
          {texts.weatherFrom(weather.source, momentAt(Date.parse(weather.askedAt), zone))}
        </Txt>
      )}
      {weather !== null && <Hours spot={spot} shoot={shoot} />}
      {place === null ? (
        <Txt tone="quiet">{texts.weatherWantsPlace}</Txt>
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          <ActionButton
            label={weather === null ? texts.askWeather : texts.askAgain}
            disabled={state === 'asking'}
            onPress={() => void ask(place)}
          />
          {weather !== null && (
            <ActionButton kind="plain" label={texts.forgetWeather} onPress={() => describe({ weather: null })} />
          )}
        </View>
      )}
      {state === 'asking' && <Txt role="status">{texts.asking}</Txt>}
      {state !== null && state !== 'asking' && (
        <Txt role="alert" tone="danger">
          {texts.noWeather[state]}
        </Txt>
      )}
    </View>
  );
}
