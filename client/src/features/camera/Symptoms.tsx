import { texts } from './texts';
import { words } from '@/language/words';
import { useActions } from '@/store/application';
import { selectFacts } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { StopsDial } from '@/ui/dials';
import { usePalette } from '@/ui/theme';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { type Cure, diagnose, screenMisleads, type Symptom, SYMPTOMS, takesOf } from '@sphene/core/advice';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';

const CHOICES = SYMPTOMS.map((value) => ({ value, label: words.symptom(value) }));
const MOST_STOPS = 5;

/** Said where the light around makes a screen a bad judge. */
function TrustHistogram() {
  const misleads = screenMisleads(useNumbers().points);
  return misleads === null ? null : <Txt>{texts.trustTheHistogram[misleads]}</Txt>;
}

interface CureCardProps {
  cure: Cure;
  first: boolean;
  onApply: () => void;
  onDone: (asks: NonNullable<Cure['asks']>) => void;
}

/** One way to move only what looks wrong: what it is, what it takes, and the tap that does or records it. */
function CureCard({ cure, first, onApply, onDone }: CureCardProps) {
  const palette = usePalette();
  const { settings, asks } = cure;
  const { context } = useSetup();
  const { title, how } = words.cure(cure, context);
  return (
    <View
      role="article"
      aria-label={title}
      style={{
        gap: 8,
        padding: 12,
        backgroundColor: palette.raised,
        borderLeftWidth: 3,
        borderLeftColor: first ? palette.accent : palette.line,
      }}
    >
      <Txt bold>{title}</Txt>
      <Txt size="label" bold>
        {texts.takes[takesOf(cure)]}
      </Txt>
      <Txt size="label" tone="quiet">
        {how}
      </Txt>
      {settings.length > 0 && <ActionButton label={texts.apply} name={texts.applyIt(title)} onPress={onApply} />}
      {asks !== null && (
        <ActionButton label={texts.doneMeterAgain} name={texts.doneIt(title)} onPress={() => onDone(asks)} />
      )}
    </View>
  );
}

/** From what looks wrong to the one control that moves only that, the cheapest first. */
export function Symptoms() {
  const { setup, context } = useSetup();
  const kit = useKit();
  const { change } = useChange();
  const actions = useActions();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const [symptom, setSymptom] = useState<Symptom | undefined>();
  const [byStops, setByStops] = useState<number | null>(null);
  const answer = useMemo(
    () => (symptom === undefined ? null : diagnose(symptom, setup, kit, facts, new Date(clockMs), byStops)),
    [symptom, setup, kit, facts, clockMs, byStops],
  );
  return (
    <View style={{ gap: 12 }}>
      <TrustHistogram />
      <ChoiceList
        label={texts.whatLooksWrong}
        value={symptom}
        onChoose={(next) => {
          setSymptom(next);
          setByStops(null);
        }}
        choices={CHOICES}
      />
      {answer !== null && (
        <>
          <Txt role="status">{words.finding(answer.found, context)}</Txt>
          {answer.byStops !== null && (
            <StopsDial
              label={texts.moveItBy}
              value={byStops ?? answer.byStops}
              least={0}
              most={MOST_STOPS}
              step={0.1}
              onChange={setByStops}
              note={byStops === null ? texts.fromTheReadings : texts.asYouSaid}
            />
          )}
          {answer.cures.map((cure, index) => (
            <CureCard
              key={`${cure.kind} ${index}`}
              cure={cure}
              first={index === 0}
              onApply={() => change(...cure.settings)}
              onDone={(asks) => actions.addSceneChange(setup.id, asks)}
            />
          ))}
        </>
      )}
    </View>
  );
}
