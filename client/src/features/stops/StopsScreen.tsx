import { texts } from './texts';
import { words } from '@/language/words';
import { IconButton } from '@/ui/ActionButton';
import { Screen } from '@/shell/Screen';
import { Heading, Txt } from '@/ui/Txt';
import { SIZE, TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { answerStops } from '@sphene/core/notation';

/** Keys in rows: what each writes and how a voice says it. */
const KEYS: readonly (readonly { text: string; say?: string; wide?: boolean }[])[] = [
  [
    { text: 'f/' },
    { text: '1/', say: texts.oneOver },
    { text: 'ISO ', say: 'ISO' },
    { text: ' Ws', say: 'watt-seconds' },
    { text: ' m', say: 'metres' },
  ],
  [
    { text: '7' },
    { text: '8' },
    { text: '9' },
    { text: '⅓', say: texts.andOneThird },
    { text: '⅔', say: texts.andTwoThirds },
  ],
  [
    { text: '4' },
    { text: '5' },
    { text: '6' },
    { text: ' + ', say: texts.brighterBy },
    { text: ' − ', say: texts.darkerBy },
  ],
  [{ text: '1' }, { text: '2' }, { text: '3' }, { text: ':', say: texts.ratioTo }, { text: ' %', say: 'percent' }],
  [
    { text: '.', say: 'point' },
    { text: '0' },
    { text: '½', say: texts.andAHalf },
    { text: ' to ', say: 'to', wide: true },
  ],
];
const GAP_PX = 6;
const EXAMPLES = [
  'f/5 to f/7.1',
  '3:1',
  '35 to 90 Ws',
  '1/60 to 1/200',
  'f/4 + 1⅓',
  'ISO 100 to 640',
  '2 to 3 m',
  '1/16 power to 1/64',
];

/** Plain stop arithmetic: a question in, an answer in words and in all notations. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function StopsScreen() {
  const palette = usePalette();
  const [text, setText] = useState('');
  const answer = text.trim() === '' ? null : answerStops(text);
  const said = answer?.ok === true ? words.stopAnswer(answer.value) : null;
  const key = ({ text: written, say, wide = false }: (typeof KEYS)[number][number]) => (
    <Pressable
      key={written}
      role="button"
      aria-label={say ?? written}
      onPress={() => setText(text + written)}
      style={({ pressed }) => ({
        flexBasis: wide ? GAP_PX : 0,
        flexGrow: wide ? 2 : 1,
        minHeight: TOUCH,
        alignItems: 'center',
        justifyContent: 'center',
        borderRadius: 4,
        backgroundColor: pressed ? palette.line : palette.raised,
      })}
    >
      <Txt size="value" bold>
        {written.trim()}
      </Txt>
    </Pressable>
  );
  return (
    <Screen title={texts.stopArithmetic} place={texts.aperturesShuttersIsoPowerDistance} up="back">
      <ScrollView
        contentContainerStyle={{ padding: 16, gap: 12, maxWidth: 560, width: '100%', alignSelf: 'center' }}
        keyboardShouldPersistTaps="handled"
      >
        <View style={{ flexDirection: 'row', alignItems: 'center' }}>
          <TextInput
            accessibilityLabel={texts.howManyStops}
            placeholder={'f/5 to f/7.1'}
            value={text}
            onChangeText={setText}
            mode="outlined"
            autoCorrect={false}
            autoComplete="off"
            style={{ flex: 1, minWidth: 0, height: 56, fontSize: SIZE.value }}
          />
          <IconButton
            icon="backspace-outline"
            name={texts.takeTheLastCharacterAway}
            onPress={() => setText(text.slice(0, -1).trimEnd())}
            disabled={text === ''}
          />
          <IconButton icon="close" name="Clear" onPress={() => setText('')} disabled={text === ''} />
        </View>
        <View role="status" aria-live="polite" style={{ gap: 8, minHeight: 148 }}>
          {answer === null && <Txt tone="quiet">{texts.askForTheStepBetween}</Txt>}
          {answer !== null && !answer.ok && <Txt tone="quiet">{words.stopFault(answer.reason)}</Txt>}
          {said !== null && (
            <>
              <Txt size="value" bold tone="accent">
                {said.words}
              </Txt>
              <View
                role="list"
                aria-label={texts.inAllNotations}
                style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 20, rowGap: 4 }}
              >
                {said.notations.map(({ name, text: figure }) => (
                  <View key={name} role="listitem">
                    <Txt size="label" tone="quiet">
                      {name}
                    </Txt>
                    <Txt bold>{figure}</Txt>
                  </View>
                ))}
              </View>
            </>
          )}
        </View>
        <View role="group" aria-label={texts.keys} style={{ gap: 6 }}>
          {KEYS.map((row) => (
            <View key={row[0]?.text} style={{ flexDirection: 'row', gap: GAP_PX }}>
              {row.map(key)}
            </View>
          ))}
        </View>
        <Heading level={3}>{texts.suchAs}</Heading>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {EXAMPLES.map((example) => (
            <Pressable
              key={example}
              role="button"
              aria-label={texts.ask(example)}
              onPress={() => setText(example)}
              style={{
                minHeight: TOUCH,
                paddingHorizontal: 12,
                justifyContent: 'center',
                borderWidth: 1,
                borderColor: palette.line,
                borderRadius: 4,
              }}
            >
              <Txt>{example}</Txt>
            </Pressable>
          ))}
        </View>
      </ScrollView>
    </Screen>
  );
}
