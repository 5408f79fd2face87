import { texts } from './texts';
import { words } from '@/language/words';
import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';

import {
  formatAperture,
  formatIso,
  formatShutter,
  type Meaning,
  readMeterText,
  type ReadValue,
} from '@sphene/core/notation';
import { ev100, type ExposureSettings, type Increment, type METER_CONSTANT } from '@sphene/core/photometry';
import { ActionButton } from './ActionButton';
import { ClearKey, ReadingPad } from './ReadingPad';
import { Txt } from './Txt';
import { ApertureDial, IsoDial, ShutterDial } from './dials';
import { SIZE } from './palette';

interface ReadingEntryProps {
  label: string;
  /** what the meter holds; the value that it shows is ignored */
  held: ExposureSettings;
  read: ReadValue;
  onHeld: (held: ExposureSettings) => void;
  meterIncrement: Increment;
  /** the light that the scene's other readings suggest, to rank sloppy figures by */
  expectedEv100: number | null;
  receptor?: keyof typeof METER_CONSTANT;
  saveLabel: string;
  /** held values under the pad, where they are known already and rarely touched */
  heldLast?: boolean;
  onSave: (reading: ExposureSettings & { text: string; read: ReadValue; guessed: boolean }) => void;
}

/** The value of a meaning as its own device prints it, with what was held. */
function sayMeaning({ settings, notation }: Meaning, read: ReadValue, increment: Increment): string {
  const shown = notation === 'shutter' || notation === 'iso' || notation === 'aperture' ? notation : read;
  const value = {
    aperture: formatAperture(settings.av, increment),
    shutter: formatShutter(settings.tv, 'third'),
    iso: formatIso(settings.sv),
  };
  const rest = (['shutter', 'aperture', 'iso'] as const)
    .filter((one) => one !== shown)
    .map((one) => value[one])
    .join(', ');
  return `${value[shown]} at ${rest}: EV ${ev100(settings).toFixed(1)}`;
}

const PLACEHOLDER: Record<ReadValue, string> = { aperture: '5.6 4', shutter: '125', iso: '400' };
const HINT: Record<ReadValue, string> = {
  aperture: texts.fNumberAndTenthsEv,
  shutter: texts.shutterAsOnTheDial,
  iso: texts.isoEvOrLux,
};

/** One meter reading: a field that takes any notation, the pad for the usual ones, what the meter holds beside it. */
// eslint-disable-next-line complexity, max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function ReadingEntry({
  label,
  held,
  read,
  onHeld,
  meterIncrement,
  expectedEv100,
  receptor,
  saveLabel,
  heldLast = false,
  onSave,
}: ReadingEntryProps) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [other, setOther] = useState<Meaning | null>(null);
  const result = readMeterText(text, {
    read,
    held,
    increment: meterIncrement,
    expectedEv100,
    ...(receptor === undefined ? null : { receptor }),
  });
  const meaning = !result.ok ? null : (other ?? result.value.best);
  const type = (next: string) => {
    setText(next);
    setProblem(null);
    setOther(null);
  };
  const save = () => {
    if (!result.ok || meaning === null) return setProblem(result.ok ? null : words.readingFault(result.reason));
    const { notation, settings, assumption } = meaning;
    onSave({
      ...settings,
      text: text.trim(),
      read: notation === 'ev' || notation === 'lux' ? read : notation,
      guessed: assumption !== null && other === null,
    });
    type('');
  };
  const spoken =
    meaning?.notation === 'aperture'
      ? {
          'aria-label':
            `${words.aperture(meaning.settings.av, meterIncrement)} ` +
            `${sayMeaning(meaning, read, meterIncrement).replace(/^\S+ /, '')}`,
        }
      : null;
  const dials = (
    <View style={{ flexDirection: 'row', gap: 12 }}>
      {read !== 'shutter' && (
        <ShutterDial
          label={texts.meterShutter}
          value={held.tv}
          increment="third"
          onChange={(tv) => onHeld({ ...held, tv })}
        />
      )}
      {read !== 'aperture' && (
        <ApertureDial
          label={texts.meterAperture}
          value={held.av}
          increment="third"
          onChange={(av) => onHeld({ ...held, av })}
        />
      )}
      {read !== 'iso' && (
        <IsoDial label={texts.meterIso} value={held.sv} increment="third" onChange={(sv) => onHeld({ ...held, sv })} />
      )}
    </View>
  );
  const question = result.ok && other === null ? result.value.question : null;
  const assumption = meaning?.assumption ?? null;
  const assumed = assumption === null ? '' : ` (${words.assumption(assumption)})`;
  return (
    <View style={{ gap: 8 }}>
      <View>
        <View style={{ flexDirection: 'row', alignItems: 'center' }}>
          <TextInput
            label={label}
            accessibilityLabel={label}
            placeholder={PLACEHOLDER[read]}
            value={text}
            onChangeText={type}
            onSubmitEditing={save}
            mode="outlined"
            error={problem !== null}
            autoCorrect={false}
            autoComplete="off"
            inputMode="text"
            style={{ flex: 1, minWidth: 0, height: 56, fontSize: SIZE.value }}
          />
          <ClearKey onPress={() => type('')} disabled={text === ''} />
        </View>
        {problem === null ? (
          <Txt size="label" tone="quiet" role="status" {...spoken}>
            {meaning === null ? HINT[read] : sayMeaning(meaning, read, meterIncrement) + assumed}
          </Txt>
        ) : (
          <Txt size="label" tone="danger" role="alert">
            {problem}
          </Txt>
        )}
        {question !== null && (
          <View
            role="group"
            aria-label={texts.whichOneWasIt}
            style={{ flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: 8 }}
          >
            <Txt size="label">{result.ok ? words.otherMeaning(result.value) : ''}</Txt>
            <ActionButton label={texts.itWas(question.other.text)} onPress={() => setOther(question.other)} />
          </View>
        )}
      </View>
      {!heldLast && dials}
      <ReadingPad text={text} onText={type} read={read} />
      <ActionButton label={saveLabel} kind="primary" onPress={save} />
      {heldLast && dials}
    </View>
  );
}
