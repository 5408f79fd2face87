import { texts } from './texts';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { TextInput } from 'react-native-paper';

import type { Outcome } from '@sphene/core/photometry';
import { IconButton } from './ActionButton';
import { Txt } from './Txt';
import { SIZE, TOUCH } from './palette';
import { usePalette } from './theme';

/** A key that steps the value. */
interface Step {
  name: string;
  onPress: () => void;
  disabled?: boolean;
}

interface StopDialProps {
  label: string;
  /** the value as the device prints it */
  text: string;
  down: Step;
  up: Step;
  /** reads what was typed; the reason of a failure is a sentence here, shown while the text stays */
  parse: (text: string) => Outcome<number, string>;
  onChange: (value: number) => void;
  /** where the value comes from, or what it does, in a few words */
  note?: string;
  onReset?: (() => void) | undefined;
}

/** What is being typed over the value, and what is wrong with it; null while nothing is typed. */
function useTyped(parse: StopDialProps['parse'], onChange: StopDialProps['onChange']) {
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const stop = () => {
    setTyped(null);
    setProblem(null);
  };
  return {
    typed,
    problem,
    stop,
    start: () => setTyped(''),
    type: (next: string) => {
      setTyped(next);
      setProblem(null);
    },
    finish: () => {
      if (typed === null || typed.trim() === '') return stop();
      const read = parse(typed);
      if (!read.ok) return setProblem(read.reason);
      onChange(read.value);
      stop();
    },
  };
}

/** The value between its two keys; a tap on it types over it, arrow keys step it. */
function Stepped({
  label,
  text,
  down,
  up,
  onType,
}: Pick<StopDialProps, 'label' | 'text' | 'down' | 'up'> & { onType: () => void }) {
  const steps: Partial<Record<string, Step>> = { ArrowUp: up, ArrowRight: up, ArrowDown: down, ArrowLeft: down };
  const keys = {
    onKeyDown: (event: { key: string; preventDefault: () => void }) => {
      const step = steps[event.key];
      if (step === undefined || step.disabled) return;
      event.preventDefault();
      step.onPress();
    },
  };
  return (
    <>
      <IconButton
        icon="minus"
        name={`${label}: ${down.name}`}
        onPress={down.onPress}
        disabled={down.disabled ?? false}
      />
      <Pressable
        role="button"
        aria-label={texts.typeAValue(label, text)}
        onPress={onType}
        {...(keys as object)}
        style={{ flex: 1, minHeight: TOUCH, justifyContent: 'center' }}
      >
        <Txt size={text.length > 5 ? 'text' : 'value'} bold numberOfLines={1} style={{ textAlign: 'center' }}>
          {text}
        </Txt>
      </Pressable>
      <IconButton icon="plus" name={`${label}: ${up.name}`} onPress={up.onPress} disabled={up.disabled ?? false} />
    </>
  );
}

/** Where the value comes from, with the way back to it where it was changed. */
function Note({ label, note, onReset }: { label: string; note: string; onReset: (() => void) | undefined }) {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8, flexWrap: 'wrap' }}>
      <Txt size="label" tone="quiet">
        {note}
      </Txt>
      {onReset && (
        <Pressable
          role="button"
          aria-label={texts.backToTheKitS(label)}
          onPress={onReset}
          style={{ minHeight: 32, justifyContent: 'center' }}
        >
          <Txt size="label" tone="accent" bold>
            {texts.reset}
          </Txt>
        </Pressable>
      )}
    </View>
  );
}

/** A value that is stepped with two large keys, or typed after a tap on it. */
export function StopDial({ label, text, down, up, parse, onChange, note, onReset }: StopDialProps) {
  const palette = usePalette();
  const { typed, problem, start, type, stop, finish } = useTyped(parse, onChange);
  return (
    <View role="group" aria-label={label} style={{ flex: 1, minWidth: 150, gap: 2 }}>
      <Txt size="label" tone="quiet">
        {label}
      </Txt>
      <View
        style={{
          flexDirection: 'row',
          alignItems: 'center',
          backgroundColor: palette.raised,
          borderRadius: 4,
        }}
      >
        {typed === null ? (
          <Stepped label={label} text={text} down={down} up={up} onType={start} />
        ) : (
          <TextInput
            accessibilityLabel={texts.typed(label)}
            placeholder={text}
            value={typed}
            autoFocus
            dense
            mode="flat"
            error={problem !== null}
            underlineColor="transparent"
            onChangeText={type}
            onSubmitEditing={finish}
            onBlur={finish}
            onKeyPress={({ nativeEvent }) => {
              if (nativeEvent.key === 'Escape') stop();
            }}
            style={{ flex: 1, minWidth: 0, height: TOUCH, fontSize: SIZE.value, backgroundColor: 'transparent' }}
          />
        )}
      </View>
      {problem !== null && (
        <Txt size="label" tone="danger" role="alert">
          {problem}
        </Txt>
      )}
      {problem === null && note !== undefined && <Note label={label} note={note} onReset={onReset} />}
    </View>
  );
}
