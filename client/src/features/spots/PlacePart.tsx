import { texts } from './texts';
import { words } from '@/language/words';
import { selectSpots } from '@/store/selectors';
import type { SpotFacts } from '@/store/shootActions';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { pickFile } from '@/ui/pickFile';
import { Heading, Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';

import type { Spot, SpotPlace } from '@sphene/core/documents';
import { type NamedPlace, readPlace, writePlace } from '@sphene/core/exchange';
import { placesInFile } from './placesInFile';
import { zoneOf } from './zoneOf';

const FILES = '.gpx,.geojson,.json,image/*';
const WAIT_MS = 20_000;

/** The place as text: what cannot be read stays, with what would be right. */
function CoordinatesField({ place, onPlace }: { place: SpotPlace | null; onPlace: (place: SpotPlace) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const finish = () => {
    if (typed === null || typed.trim() === '') return setTyped(null);
    const read = readPlace(typed);
    if (!read.ok) return setProblem(words.placeFault(read.reason));
    setProblem(null);
    setTyped(null);
    onPlace(read.value);
  };
  return (
    <View style={{ gap: 2 }}>
      <TextInput
        label={texts.coordinates}
        accessibilityLabel={texts.coordinates}
        mode="outlined"
        value={typed ?? (place === null ? '' : writePlace(place))}
        onChangeText={setTyped}
        onSubmitEditing={finish}
        onBlur={finish}
        error={problem !== null}
      />
      <Txt size="label" tone={problem === null ? 'quiet' : 'danger'} {...(problem === null ? {} : { role: 'alert' })}>
        {problem ?? texts.coordinatesHint}
      </Txt>
    </View>
  );
}

/** Which of several places in a file is meant. */
function WhichPlace({ places, onPlace }: { places: readonly NamedPlace[]; onPlace: (place: SpotPlace) => void }) {
  return (
    <View role="group" aria-label={texts.severalInIt(places.length)} style={{ gap: 8 }}>
      <Txt>{texts.severalInIt(places.length)}</Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {places.map(({ name, place }, index) => (
          <ActionButton key={index} label={name === '' ? writePlace(place) : name} onPress={() => onPlace(place)} />
        ))}
      </View>
    </View>
  );
}

/** Where a spot lies: typed, pasted, from a file, the device, or as another spot. */
export function PlacePart({ spot, describe }: { spot: Spot; describe: (said: Partial<SpotFacts>) => void }) {
  const [problem, setProblem] = useState<string | null>(null);
  const [several, setSeveral] = useState<readonly NamedPlace[]>([]);
  const others = useAppSelector(selectSpots).filter(
    (one) => one.id !== spot.id && one.shootId === spot.shootId && one.place !== null,
  );
  const put = (place: SpotPlace) => {
    setProblem(null);
    setSeveral([]);
    void zoneOf(place).then((timeZone) => describe({ place, timeZone }));
  };
  const takeFile = async (file: File) => {
    const found = await placesInFile(file);
    if (!found.ok) return setProblem(found.reason);
    const [only] = found.value;
    if (found.value.length === 1 && only !== undefined) put(only.place);
    else setSeveral(found.value);
  };
  const here = () =>
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => put({ latitudeDeg: coords.latitude, longitudeDeg: coords.longitude }),
      () => setProblem(texts.notPermitted),
      { timeout: WAIT_MS, enableHighAccuracy: true },
    );
  return (
    <View role="group" aria-label={texts.whereItLies} style={{ gap: 12 }}>
      <Heading size="value">{texts.whereItLies}</Heading>
      <CoordinatesField place={spot.place} onPlace={put} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <ActionButton label={texts.whereIAm} onPress={here} />
        <ActionButton
          label={texts.fromAFile}
          icon="tray-arrow-down"
          onPress={() => pickFile(FILES, (file) => void takeFile(file))}
        />
        {others.map((other) => (
          <ActionButton
            key={other.id}
            label={texts.asAt(other.title)}
            onPress={() => describe({ place: other.place, timeZone: other.timeZone })}
          />
        ))}
        {spot.place !== null && (
          <ActionButton
            kind="plain"
            label={texts.forgetThePlace}
            onPress={() => describe({ place: null, timeZone: null })}
          />
        )}
      </View>
      {problem !== null && (
        <Txt role="alert" tone="danger">
          {problem}
        </Txt>
      )}
      {several.length > 1 && <WhichPlace places={several} onPlace={put} />}
      {spot.timeZone !== null && (
        <Txt size="label" tone="quiet">
          {texts.zoneThere(spot.timeZone)}
        </Txt>
      )}
    </View>
  );
}
