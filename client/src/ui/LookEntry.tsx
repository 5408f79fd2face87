import { texts } from './texts';
import { words } from '@/language/words';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { TextInput } from 'react-native-paper';

import type { LookWayId } from '@sphene/core/gear';
import { Txt } from './Txt';
import { SIZE, TOUCH } from './palette';

/** The look in this person's own words: a large figure that is typed over after a tap on it. */
export function LookEntry({
  way,
  value,
  onChange,
}: {
  way: LookWayId;
  value: number;
  onChange: (holdBackStops: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const { name, example } = words.lookWay(way);
  const { figure, unit } = words.lookFigure(value, way);
  const stop = () => {
    setTyped(null);
    setProblem(null);
  };
  const finish = () => {
    if (typed === null || typed.trim() === '') return stop();
    const read = words.readLook(way, typed);
    if (!read.ok) return setProblem(words.lookFault(read.reason));
    onChange(read.value);
    stop();
  };
  return (
    <View style={{ gap: 2 }}>
      <Txt size="label" tone="quiet">
        {name}
      </Txt>
      {typed === null ? (
        <Pressable
          role="button"
          aria-label={texts.typeAFigure(name, figure, unit)}
          onPress={() => setTyped('')}
          style={{ minHeight: TOUCH, justifyContent: 'center' }}
        >
          <Txt size="figure" bold tone="flash">
            {figure}
            <Txt size="text" tone="quiet">
              {' '}
              {unit}
            </Txt>
          </Txt>
        </Pressable>
      ) : (
        <TextInput
          accessibilityLabel={texts.figureTyped(name)}
          placeholder={example}
          value={typed}
          autoFocus
          mode="outlined"
          error={problem !== null}
          onChangeText={(next) => {
            setTyped(next);
            setProblem(null);
          }}
          onSubmitEditing={finish}
          onBlur={finish}
          onKeyPress={({ nativeEvent }) => {
            if (nativeEvent.key === 'Escape') stop();
          }}
          style={{ height: TOUCH, fontSize: SIZE.value }}
        />
      )}
      {problem !== null && (
        <Txt size="label" tone="danger" role="alert">
          {problem}
        </Txt>
      )}
    </View>
  );
}
