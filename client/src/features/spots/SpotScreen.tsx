import { texts } from './texts';
import { words } from '@/language/words';
import { Photos } from '@/setupView/Photos';
import { useActions } from '@/store/application';
import type { SpotFacts } from '@/store/shootActions';
import { IconButton } from '@/ui/ActionButton';
import { ToggleList } from '@/ui/ToggleList';
import { Heading, Txt } from '@/ui/Txt';
import { NotFoundScreen } from '@/shell/NotFoundScreen';
import { Screen } from '@/shell/Screen';
import { TitleField } from '@/shell/TitleField';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { type Spot, SPOT_FACTS, type SpotFact } from '@sphene/core/documents';
import { FramePart } from './FramePart';
import { OutlinePart } from './OutlinePart';
import { PlacePart } from './PlacePart';
import { SpotDay } from './SpotDay';
import { useSpot } from './useSpot';
import { WeatherPart } from './WeatherPart';

const MOST_PX = 720;
const MOST_LETTERS = 4000;

const isFact = (value: string): value is SpotFact => SPOT_FACTS.some((fact) => fact === value);

/** Facts that people or gear may come to harm by, each with its caution once it is said; and notes. */
function FactsPart({ spot, describe }: { spot: Spot; describe: (said: Partial<SpotFacts>) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const keep = () => {
    if (typed !== null && typed !== spot.note) describe({ note: typed });
    setTyped(null);
  };
  return (
    <View style={{ gap: 12 }}>
      <Heading size="value">{texts.whatItIsLike}</Heading>
      <ToggleList
        label={texts.callsForCare}
        choices={SPOT_FACTS.map((value) => ({ value, label: words.spotFact(value).name }))}
        values={spot.facts}
        onChange={(values) => describe({ facts: values.filter(isFact) })}
      />
      {spot.facts.length > 0 && (
        <View role="list" aria-label={texts.cautions} style={{ gap: 4 }}>
          {spot.facts.map((fact) => (
            <View role="listitem" key={fact}>
              <Txt>
                <Txt bold>{words.spotFact(fact).name}.</Txt> {words.spotFact(fact).because}
              </Txt>
            </View>
          ))}
        </View>
      )}
      <TextInput
        label={texts.notes}
        accessibilityLabel={texts.notes}
        mode="outlined"
        multiline
        maxLength={MOST_LETTERS}
        value={typed ?? spot.note}
        onChangeText={setTyped}
        onBlur={keep}
        style={{ minHeight: 96 }}
      />
    </View>
  );
}

/** One spot: where it lies, which way the frame looks, what stands round it, and the day there. */
export function SpotScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const actions = useActions();
  const { spot, shoot, describe, undo } = useSpot(id);
  if (spot === undefined || shoot === undefined) return <NotFoundScreen />;
  return (
    <Screen
      title={spot.title}
      place={shoot.title}
      up={`/shoot/${shoot.id}`}
      actions={<IconButton icon="undo" name={texts.undo} disabled={undo === null} onPress={() => undo?.()} />}
    >
      <ScrollView
        contentContainerStyle={{ padding: 16, gap: 28, maxWidth: MOST_PX, width: '100%', alignSelf: 'center' }}
        keyboardShouldPersistTaps="handled"
      >
        <TitleField label={texts.spot} title={spot.title} onRename={(title) => actions.rename(spot, title)} />
        {spot.place !== null && <SpotDay spot={spot} shoot={shoot} />}
        <PlacePart spot={spot} describe={describe} />
        {spot.place === null && <SpotDay spot={spot} shoot={shoot} />}
        <FramePart spot={spot} describe={describe} />
        <OutlinePart spot={spot} describe={describe} />
        <WeatherPart spot={spot} shoot={shoot} describe={describe} />
        <FactsPart spot={spot} describe={describe} />
        <View style={{ gap: 8 }}>
          <Heading size="value">{texts.photosHere}</Heading>
          <Photos spot={spot} setupId={null} />
        </View>
      </ScrollView>
    </Screen>
  );
}
