import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import { type Increment, ev100, formatAperture, formatIso, formatShutter, parseMeterReading, speakAperture } from '@sphene/core/photometry';

import { ActionButton } from './ActionButton';
import { IsoDial, ShutterDial } from './dials';
import { ClearKey, ReadingPad } from './ReadingPad';
import { Txt } from './Txt';
import { SIZE } from './palette';

/** The shutter and ISO that the meter holds, in stops. */
export interface Held {
  tv: number;
  sv: number;
}

interface ReadingEntryProps {
  label: string;
  held: Held;
  onHeld: (held: Held) => void;
  meterIncrement: Increment;
  saveLabel: string;
  /** shutter and ISO under the pad, where they are known already and rarely touched */
  heldLast?: boolean;
  onSave: (reading: Held & { text: string; av: number }) => void;
}

/** One meter reading: a field that takes any notation, the pad for the usual ones, shutter and ISO beside it. */
export function ReadingEntry({ label, held, onHeld, meterIncrement, saveLabel, heldLast = false, onSave }: ReadingEntryProps) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const read = parseMeterReading(text, held, meterIncrement === 'half' ? 'half' : 'third');
  const type = (next: string) => {
    setText(next);
    setProblem(null);
  };
  const save = () => {
    if (!read.ok) return setProblem(read.message);
    onSave({ ...held, text: text.trim(), av: read.value.av });
    type('');
  };
  const rest = read.ok ? ` at ${formatShutter(held.tv, 'third')}, ${formatIso(held.sv)}: EV ${ev100({ ...held, av: read.value.av }).toFixed(1)}` : '';

  const dials = (
    <View style={{ flexDirection: 'row', gap: 12 }}>
      <ShutterDial label="Meter shutter" value={held.tv} increment="third" onChange={(tv) => onHeld({ ...held, tv })} />
      <IsoDial label="Meter ISO" value={held.sv} increment="third" onChange={(sv) => onHeld({ ...held, sv })} />
    </View>
  );

  return (
    <View style={{ gap: 8 }}>
      <View>
        <View style={{ flexDirection: 'row', alignItems: 'center' }}>
          <TextInput label={label} accessibilityLabel={label} placeholder="5.6 4" value={text} onChangeText={type} onSubmitEditing={save} mode="outlined" error={problem !== null}
            autoCorrect={false} autoComplete="off" inputMode="text" style={{ flex: 1, minWidth: 0, height: 56, fontSize: SIZE.value }} />
          <ClearKey onPress={() => type('')} disabled={text === ''} />
        </View>
        {problem === null
          ? <Txt size="label" tone="quiet" role="status" {...(read.ok ? { 'aria-label': speakAperture(read.value.av, meterIncrement) + rest } : null)}>{read.ok ? formatAperture(read.value.av, meterIncrement) + rest : 'f-number and tenths, EV or lux'}</Txt>
          : <Txt size="label" tone="danger" role="alert">{problem}</Txt>}
      </View>
      {!heldLast && dials}
      <ReadingPad text={text} onText={type} />
      <ActionButton label={saveLabel} kind="primary" onPress={save} />
      {heldLast && dials}
    </View>
  );
}
