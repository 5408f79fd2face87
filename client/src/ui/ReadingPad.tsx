import { texts } from './texts';
import { Pressable, View } from 'react-native';

import type { ReadValue } from '@sphene/core/notation';
import { IconButton } from './ActionButton';
import { Txt } from './Txt';
import { TOUCH } from './palette';
import { usePalette } from './theme';

/** The whole stops that a meter shows of each value, and how a voice says a key. */
const WHOLE: Record<ReadValue, { keys: readonly string[]; say: (key: string) => string }> = {
  aperture: {
    keys: ['1', '1.4', '2', '2.8', '4', '5.6', '8', '11', '16', '22', '32', '45'],
    say: (key) => texts.fNumber(key),
  },
  shutter: {
    keys: ['2', '4', '8', '15', '30', '60', '125', '250', '500', '1000', '2000', '4000'],
    say: (key) => `1/${key}`,
  },
  iso: {
    keys: ['25', '50', '100', '200', '400', '800', '1600', '3200', '6400', '12800', '25600', '51200'],
    say: (key) => texts.iso(key),
  },
};
/** The parts behind them. */
const PARTS = [
  { key: '⅓', say: texts.andOneThird },
  { key: '½', say: texts.andAHalf },
  { key: '⅔', say: texts.andTwoThirds },
  ...[1, 2, 3, 4, 5, 6, 7, 8, 9].map((digit) => ({
    key: `.${digit}`,
    say: texts.andTenths(digit),
  })),
];

/** The whole stop of the pad in what the field says; undefined where it says anything else. */
const wholeOf = (text: string, read: ReadValue): string | undefined =>
  WHOLE[read].keys.findLast(
    (stop) => text === stop || (text.startsWith(stop) && /^( \d|[⅓½⅔])$/.test(text.slice(stop.length))),
  );

/** The keys that say what stands in the field. */
function keysOf(text: string, read: ReadValue): string[] {
  const whole = wholeOf(text, read);
  if (whole === undefined) return [];
  const part = text.slice(whole.length);
  return part === '' ? [whole] : [whole, part.startsWith(' ') ? `.${part.trim()}` : part];
}

/** What the field says once this key is tapped: a whole stop starts anew, a part takes the place of the part before. */
export function afterKey(text: string, key: string, read: ReadValue = 'aperture'): string {
  if (!/^[.⅓½⅔]/.test(key)) return key;
  const whole = wholeOf(text, read) ?? text.trim();
  return key.startsWith('.') ? `${whole} ${key.slice(1)}` : `${whole}${key}`;
}

/** Keys for a meter's values with tenths and thirds: a usual reading is a stop, a part and the button that takes it. */
export function ReadingPad({ text, onText, read }: { text: string; onText: (text: string) => void; read: ReadValue }) {
  const palette = usePalette();
  const said = keysOf(text, read);
  const key = (label: string, name: string, quiet: boolean) => {
    const held = said.includes(label);
    return (
      <Pressable
        key={label}
        role="button"
        aria-label={name}
        onPress={() => onText(afterKey(text, label, read))}
        style={({ pressed }) => ({
          flexBasis: '15%',
          flexGrow: 1,
          minHeight: TOUCH,
          alignItems: 'center',
          justifyContent: 'center',
          borderRadius: 4,
          backgroundColor: pressed ? palette.line : held ? palette.accent : quiet ? 'transparent' : palette.raised,
        })}
      >
        <Txt
          size={label.length > 4 ? 'text' : 'value'}
          bold={held || !quiet}
          tone={held ? 'onAccent' : quiet ? 'quiet' : 'text'}
        >
          {label}
        </Txt>
      </Pressable>
    );
  };
  const { keys, say } = WHOLE[read];
  return (
    <View role="group" aria-label={texts.readingPad} style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        {keys.map((stop) => key(stop, say(stop), false))}
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        {PARTS.map((part) => key(part.key, part.say, true))}
      </View>
    </View>
  );
}

/** Clears the field of the pad. */
export const ClearKey = ({ onPress, disabled }: { onPress: () => void; disabled: boolean }) => (
  <IconButton icon="backspace-outline" name={texts.clearTheReading} onPress={onPress} disabled={disabled} />
);
