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
    { text: 'ISO ', say: texts.iso },
    { text: ' Ws', say: texts.wattSeconds },
    { text: ' m', say: texts.metres },
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
  [{ text: '1' }, { text: '2' }, { text: '3' }, { text: ':', say: texts.ratioTo }, { text: ' %', say: texts.percent }],
  [
    { text: '.', say: texts.point },
    { text: '0' },
    { text: '½', say: texts.andAHalf },
    { text: ' to ', say: texts.to, wide: true },
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

/** The question, typed or by keys, and the two ways to take of it back. */
function Question({ text, onText }: { text: string; onText: (text: string) => void }) {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center' }}>
      <TextInput
        accessibilityLabel={texts.howManyStops}
        placeholder={EXAMPLES[0] ?? ''}
        value={text}
        onChangeText={onText}
        mode="outlined"
        autoCorrect={false}
        autoComplete="off"
        style={{ flex: 1, minWidth: 0, height: 56, fontSize: SIZE.value }}
      />
      <IconButton
        icon="backspace-outline"
        name={texts.takeTheLastCharacterAway}
        onPress={() => onText(text.slice(0, -1).trimEnd())}
        disabled={text === ''}
      />
      <IconButton icon="close" name={texts.clear} onPress={() => onText('')} disabled={text === ''} />
    </View>
  );
}

/** The answer in words and in all notations, or what would be right. */
function Answer({ text }: { text: string }) {
  const answer = text.trim() === '' ? null : answerStops(text);
  const said = answer?.ok === true ? words.stopAnswer(answer.value) : null;
  return (
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
  );
}

/** The keys that meters and cameras have beside digits. */
function Keys({ onKey }: { onKey: (written: string) => void }) {
  const palette = usePalette();
  return (
    <View role="group" aria-label={texts.keys} style={{ gap: 6 }}>
      {KEYS.map((row) => (
        <View key={row[0]?.text} style={{ flexDirection: 'row', gap: GAP_PX }}>
          {row.map(({ text: written, say, wide = false }) => (
            <Pressable
              key={written}
              role="button"
              aria-label={say ?? written}
              onPress={() => onKey(written)}
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
          ))}
        </View>
      ))}
    </View>
  );
}

/** Plain stop arithmetic: a question in, an answer in words and in all notations. */
export function StopsScreen() {
  const palette = usePalette();
  const [text, setText] = useState('');
  return (
    <Screen title={texts.stopArithmetic} place={texts.aperturesShuttersIsoPowerDistance} up="back">
      <ScrollView
        contentContainerStyle={{ padding: 16, gap: 12, maxWidth: 560, width: '100%', alignSelf: 'center' }}
        keyboardShouldPersistTaps="handled"
      >
        <Question text={text} onText={setText} />
        <Answer text={text} />
        <Keys onKey={(written) => setText(text + written)} />
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
