import { texts } from './texts';
import { words } from '@/language/words';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';

import {
  formatAperture,
  formatIso,
  formatShutter,
  type Meaning,
  readMeterText,
  type ReadText,
  type ReadValue,
} from '@sphene/core/notation';
import type { DecimalMeans } from '@sphene/core/gear';
import { ev100, type ExposureSettings, type Increment, type METER_CONSTANT } from '@sphene/core/photometry';
import { ActionButton } from './ActionButton';
import { ExposureDials } from './ExposureDials';
import { ClearKey, ReadingPad } from './ReadingPad';
import { Txt } from './Txt';
import { BOLD, FLAT_EDGE, SIZE } from './palette';

/** A reading as it was typed. */
export interface TypedReading extends ExposureSettings {
  text: string;
  read: ReadValue;
  /** what was typed may mean something else, and nobody said which */
  guessed: boolean;
  /** the values that were typed; the meter's own stand for the others */
  named: readonly ReadValue[];
}

/** A reading that stands in the field and is not kept yet. */
export interface Entering {
  /** what keeping it is called */
  label: string;
  save: () => void;
}

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
  /** what 4.5 means on this meter, and where the answer goes that is given once */
  decimalMeans: DecimalMeans | null;
  onDecimalMeans: (means: DecimalMeans) => void;
  saveLabel: string;
  /** told of what is being entered, with what keeps it; null once nothing is: whoever shows the one button of a view has it */
  onEntering: (entering: Entering | null) => void;
  onSave: (reading: TypedReading) => void;
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
  return texts.valueAt(value[shown], rest, ev100(settings).toFixed(1));
}

const PLACEHOLDER: Record<ReadValue, string> = { aperture: '5.6 4', shutter: '125', iso: '400' };
const HINT: Record<ReadValue, string> = {
  aperture: texts.fNumberAndTenthsEv,
  shutter: texts.shutterAsOnTheDial,
  iso: texts.isoEvOrLux,
};

/** What was typed, what it means, and the other meaning that was chosen for it. */
function useEntry(props: ReadingEntryProps) {
  const { read, held, onHeld, meterIncrement, expectedEv100, receptor, decimalMeans, onSave } = props;
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [other, setOther] = useState<Meaning | null>(null);
  const result = readMeterText(text, {
    read,
    held,
    increment: meterIncrement,
    expectedEv100,
    decimalMeans,
    ...(receptor === undefined ? null : { receptor }),
  });
  const meaning = result.ok ? (other ?? result.value.best) : null;
  const type = (next: string) => {
    setText(next);
    setProblem(null);
    setOther(null);
  };
  return {
    text,
    problem,
    meaning,
    /** the text as it was read, while its other meaning is open still */
    doubtful: result.ok && other === null && result.value.question !== null ? result.value : null,
    type,
    choose: setOther,
    /** a part of what was understood is put right by hand */
    correct: (settings: ExposureSettings) => {
      if (meaning !== null) setOther({ ...meaning, settings, text: formatAperture(settings.av, meterIncrement) });
    },
    save: () => {
      if (!result.ok || meaning === null) return setProblem(result.ok ? null : words.readingFault(result.reason));
      const { notation, settings, assumption, named } = meaning;
      const value = notation === 'ev' || notation === 'lux' ? read : notation;
      // a line that names what the meter holds sets it, for the readings after it too
      if (named !== undefined) onHeld(settings);
      onSave({
        ...settings,
        text: text.trim(),
        read: value,
        guessed: assumption !== null && other === null,
        named: named ?? [value],
      });
      type('');
    },
  };
}

/** What was understood, with what was assumed; before anything is typed, what may be. */
function Understood({ meaning, read, increment }: { meaning: Meaning | null; read: ReadValue; increment: Increment }) {
  if (meaning === null)
    return (
      <Txt size="label" tone="quiet" role="status">
        {HINT[read]}
      </Txt>
    );
  const said = sayMeaning(meaning, read, increment);
  const { notation, settings, assumption } = meaning;
  // a voice says a raised figure as tenths
  const spoken =
    notation === 'aperture'
      ? { 'aria-label': `${words.aperture(settings.av, increment)} ${said.replace(/^\S+ /, '')}` }
      : null;
  return (
    <Txt size="label" tone="quiet" role="status" {...spoken}>
      {assumption === null ? said : `${said} (${words.assumption(assumption)})`}
    </Txt>
  );
}

interface OtherMeaningProps {
  doubtful: ReadText;
  onChoose: (meaning: Meaning) => void;
  onDecimalMeans: (means: DecimalMeans) => void;
}

/** The other meaning of a doubtful text, one tap away; what a meter's decimals mean is answered once for that meter. */
function OtherMeaning({ doubtful, onChoose, onDecimalMeans }: OtherMeaningProps) {
  const { best, question } = doubtful;
  if (question === null) return null;
  const { other, remembers } = question;
  return (
    <View
      role="group"
      aria-label={texts.whichOneWasIt}
      style={{ flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: 8 }}
    >
      <Txt size="label">{words.otherMeaning(doubtful)}</Txt>
      {remembers !== null && (
        <ActionButton
          label={texts.itWas(best.text)}
          onPress={() => {
            onDecimalMeans(remembers.best);
            onChoose(best);
          }}
        />
      )}
      <ActionButton
        label={texts.itWas(other.text)}
        onPress={() => {
          if (remembers !== null) onDecimalMeans(remembers.other);
          onChoose(other);
        }}
      />
      {remembers !== null && (
        <Txt size="label" tone="quiet">
          {texts.rememberedForThisMeter}
        </Txt>
      )}
    </View>
  );
}

/** Tells of what is being entered. */
function useTold(entering: boolean, save: () => void, { saveLabel, onEntering }: ReadingEntryProps) {
  const latest = useRef(save);
  useEffect(() => {
    latest.current = save;
  });
  useEffect(() => {
    if (!entering) return;
    onEntering({ label: saveLabel, save: () => latest.current() });
    return () => onEntering(null);
  }, [entering, saveLabel, onEntering]);
}

/** One meter reading: a field that takes any notation, the pad for the usual ones, under it what the meter holds. */
export function ReadingEntry(props: ReadingEntryProps) {
  const { label, held, read, onHeld, meterIncrement } = props;
  const { text, problem, meaning, doubtful, type, choose, correct, save } = useEntry(props);
  const whole = meaning?.named !== undefined;
  useTold(text.trim() !== '', save, props);
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
            mode="flat"
            underlineColor="transparent"
            error={problem !== null}
            autoCorrect={false}
            autoComplete="off"
            inputMode="text"
            style={{
              flex: 1,
              minWidth: 0,
              height: 64,
              fontSize: text === '' ? SIZE.value : SIZE.figure,
              fontFamily: BOLD,
              marginLeft: -FLAT_EDGE,
              backgroundColor: 'transparent',
            }}
            contentStyle={{ fontFamily: BOLD }}
          />
          <ClearKey onPress={() => type('')} disabled={text === ''} />
        </View>
        {problem === null ? (
          <Understood meaning={meaning} read={read} increment={meterIncrement} />
        ) : (
          <Txt size="label" tone="danger" role="alert">
            {problem}
          </Txt>
        )}
        {doubtful !== null && (
          <OtherMeaning doubtful={doubtful} onChoose={choose} onDecimalMeans={props.onDecimalMeans} />
        )}
        {whole && (
          <ExposureDials
            names={texts.understood}
            value={meaning.settings}
            apertureIncrement={meterIncrement}
            onChange={correct}
          />
        )}
      </View>
      <ReadingPad text={text} onText={type} read={read} />
      {!whole && <ExposureDials names={texts.meterDials} value={held} without={read} onChange={onHeld} />}
    </View>
  );
}
