import { texts } from './texts';
import { words } from '@/language/words';
import { useKit } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { noticed } from '@/store/deviceSlice';
import { useAppDispatch } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { ExposureDials } from '@/ui/ExposureDials';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useState } from 'react';
import { View } from 'react-native';

import { meterIncrementOf, type ReadingStep } from '@sphene/core/metering';
import { formatAperture, formatIso, formatShutter } from '@sphene/core/notation';
import { METHOD_CHOICES, methodKey, type Reading } from '@sphene/core/setup';

const ASSUMED: Record<Reading['assumed'][number], string> = {
  ...texts.values,
  direction: texts.direction,
  figure: texts.theFigure,
  mode: texts.theMode,
};

/** Puts a reading right: what was taken over or mistaken, changed; everything is computed anew. */
function Correction({ reading, onDone }: { reading: Reading; onDone: () => void }) {
  const actions = useActions();
  const dispatch = useAppDispatch();
  const [draft, setDraft] = useState(reading);
  const { method } = draft;
  return (
    <View role="group" aria-label={texts.putTheReadingRight} style={{ gap: 8, paddingVertical: 8 }}>
      <ExposureDials
        names={texts.dials}
        value={draft}
        apertureIncrement="tenth"
        onChange={(settings) => setDraft({ ...draft, ...settings })}
      />
      {method.kind !== 'frame' && (
        <ChoiceList
          label={texts.meteredBy}
          value={methodKey(method)}
          choices={METHOD_CHOICES.map(({ key }) => ({ value: key, label: words.methodChoice(key).name }))}
          onChoose={(key) =>
            setDraft({ ...draft, method: METHOD_CHOICES.find((one) => one.key === key)?.method ?? method })
          }
        />
      )}
      <ChoiceList
        label={texts.theMeterWasIn}
        layout="row"
        value={draft.meterMode ?? 'unsaid'}
        onChoose={(mode) => setDraft({ ...draft, meterMode: mode === 'unsaid' ? null : mode })}
        choices={[
          { value: 'ambient', label: texts.ambient },
          { value: 'flash', label: texts.flash },
          { value: 'unsaid', label: texts.notSaid },
        ]}
      />
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <ActionButton
          label={texts.putRight}
          kind="primary"
          grow
          onPress={() => {
            const { av, tv, sv, meterMode } = draft;
            actions.correctReading(reading.id, { av, tv, sv, method, meterMode, assumed: [] });
            dispatch(noticed({ text: texts.readingPutRightTheOld }));
            onDone();
          }}
        />
        <ActionButton label={texts.leaveIt} onPress={onDone} />
      </View>
    </View>
  );
}

/** One reading of a point: in force or not, again, put right, struck out. */
export function ReadingRow({
  reading,
  inForce,
  age,
  step,
}: {
  reading: Reading;
  inForce: boolean;
  age: number;
  /** against the reading before it; null: there is none */
  step: ReadingStep | null;
}) {
  const kit = useKit();
  const actions = useActions();
  const palette = usePalette();
  const [correcting, setCorrecting] = useState(false);
  const struck = reading.struckAt !== null;
  const text = texts.settings(
    formatAperture(reading.av, meterIncrementOf(reading.meterId, kit)),
    formatShutter(reading.tv, 'third'),
    formatIso(reading.sv),
  );
  const assumed = reading.assumed.map((what) => ASSUMED[what]).join(', ');
  return (
    <View role="listitem" style={{ borderTopWidth: 1, borderTopColor: palette.raised }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
        <View style={{ flex: 1, paddingVertical: 6 }}>
          <Txt
            bold={inForce}
            tone={struck ? 'quiet' : 'text'}
            style={struck ? { textDecorationLine: 'line-through' } : null}
          >
            {text}
            {inForce ? texts.inForce : ''}
          </Txt>
          <Txt size="label" tone="quiet">
            {words.age(age)} · {words.method(reading.method)}
            {reading.origin === 'simulated' ? texts.simulatedMeter : ''}
            {struck ? texts.struckOut : ''}
          </Txt>
          {step !== null && (
            <Txt size="label" bold>
              {words.readingStep(step)}
            </Txt>
          )}
          {assumed !== '' && !struck && (
            <Txt size="label" tone="quiet">
              {texts.takenOver(assumed)}
            </Txt>
          )}
        </View>
        {!struck && (
          <ActionButton
            label={texts.sameAgain}
            name={texts.sameAgainAs(text)}
            kind="plain"
            onPress={() => {
              const { pointId, av, tv, sv, read, method, patchy, text: typed } = reading;
              actions.addReading(reading.setupId, { pointId, av, tv, sv, read, method, patchy, text: typed });
            }}
          />
        )}
        {!struck && (
          <IconButton icon="pencil-outline" name={texts.putRightIt(text)} onPress={() => setCorrecting(!correcting)} />
        )}
        <IconButton
          icon={struck ? 'restore' : 'close'}
          name={struck ? texts.restoreReading(text) : texts.strikeOutReading(text)}
          onPress={() => actions.strike('reading', reading.id, !struck)}
        />
      </View>
      {correcting && <Correction reading={reading} onDone={() => setCorrecting(false)} />}
    </View>
  );
}
