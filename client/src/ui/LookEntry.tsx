import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { TextInput } from 'react-native-paper';

import type { LookWayId } from '@sphene/core/gear';
import { LOOK_WAYS, readLook } from '@sphene/core/words';
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
  const words = LOOK_WAYS[way];
  const stop = () => {
    setTyped(null);
    setProblem(null);
  };
  const finish = () => {
    if (typed === null || typed.trim() === '') return stop();
    const read = readLook(way, typed);
    if (!read.ok) return setProblem(read.message);
    onChange(read.value);
    stop();
  };
  return (
    <View style={{ gap: 2 }}>
      <Txt size="label" tone="quiet">
        {words.name}
      </Txt>
      {typed === null ? (
        <Pressable
          role="button"
          aria-label={`${words.name}: ${words.figure(value)} ${words.unit(value)}. Type a value`}
          onPress={() => setTyped('')}
          style={{ minHeight: TOUCH, justifyContent: 'center' }}
        >
          <Txt size="figure" bold tone="flash">
            {words.figure(value)}
            <Txt size="text" tone="quiet">
              {' '}
              {words.unit(value)}
            </Txt>
          </Txt>
        </Pressable>
      ) : (
        <TextInput
          accessibilityLabel={`${words.name}, typed`}
          placeholder={words.example}
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
