import { texts } from './texts';
import { words } from '@/language/words';
import { useActivePoint, useChange, useKit, useSetup } from '@/setupView/setupContext';
import { useMethod } from '@/setupView/useMethod';
import { ChoiceList } from '@/ui/ChoiceList';
import PathIcon from '@/ui/PathIcon';
import { Txt } from '@/ui/Txt';
import { StopsDial, ToneDial } from '@/ui/dials';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { Pressable, View } from 'react-native';

import { offered } from '@sphene/core/gear';
import { READ_VALUES, type ReadValue } from '@sphene/core/notation';
import { TONES } from '@sphene/core/photometry';
import { type MeteringMethod, METHOD_CHOICES, methodKey } from '@sphene/core/setup';

const SHOWS: Record<ReadValue, string> = texts.values;

/** The tone under a spot: one of the usual ones, or typed. */
export function ToneChooser({
  value,
  onChange,
}: {
  value: { tone: Extract<MeteringMethod, { kind: 'spot' }>['tone']; toneStops: number };
  onChange: (value: { tone: Extract<MeteringMethod, { kind: 'spot' }>['tone']; toneStops: number }) => void;
}) {
  return (
    <View style={{ gap: 8 }}>
      <ChoiceList
        label={texts.tone}
        layout="scroll"
        value={value.tone}
        choices={[
          ...TONES.map(({ id }) => ({ value: id, label: words.tone(id) })),
          { value: 'own' as const, label: texts.ownTone },
        ]}
        onChoose={(tone) =>
          onChange({ tone, toneStops: TONES.find(({ id }) => id === tone)?.offsetStops ?? value.toneStops })
        }
      />
      <ToneDial
        label={texts.liesFromMidGrey}
        value={value.toneStops}
        onChange={(toneStops) =>
          onChange({
            tone: TONES.some(({ id, offsetStops }) => id === value.tone && Math.abs(offsetStops - toneStops) < 0.01)
              ? value.tone
              : 'own',
            toneStops,
          })
        }
      />
    </View>
  );
}

/** The line that says how it is metered; a tap opens the choices. */
export function MethodLine({ open, onOpen }: { open: boolean; onOpen: (open: boolean) => void }) {
  const { setup } = useSetup();
  const palette = usePalette();
  const { read } = setup.meter;
  const { method } = useMethod(useActivePoint());
  const spoken = words.method(method);
  return (
    <Pressable
      role="button"
      aria-expanded={open}
      aria-label={(open ? texts.doneWithMethod : texts.changeMethod)(spoken, SHOWS[read])}
      onPress={() => onOpen(!open)}
      style={({ pressed }) => ({
        minHeight: TOUCH,
        flexDirection: 'row',
        alignItems: 'center',
        justifyContent: 'flex-end',
        gap: 4,
        opacity: pressed ? 0.7 : 1,
      })}
    >
      <View style={{ flexShrink: 1 }}>
        <Txt size="label" bold style={{ textAlign: 'right' }}>
          {spoken.charAt(0).toUpperCase() + spoken.slice(1)}
        </Txt>
        <Txt size="label" tone="quiet" style={{ textAlign: 'right' }}>
          {texts.reads(SHOWS[read])}
        </Txt>
      </View>
      <PathIcon name={open ? 'check' : 'menu-down'} color={palette.text} />
    </Pressable>
  );
}

/** Which meter of the kit it is, where it has any. */
function WhichMeter() {
  const { setup } = useSetup();
  const kit = useKit();
  const { changeOne } = useChange();
  const { meterId } = setup.meter;
  const meters = offered(kit.meters, meterId);
  if (meters.length === 0) return null;
  return (
    <ChoiceList
      label={texts.whichMeter}
      layout="scroll"
      value={meterId ?? NO_METER}
      choices={[
        { value: NO_METER, label: texts.theUsualMeter },
        ...meters.map(({ id, name }) => ({ value: id, label: name })),
      ]}
      onChoose={(id) => changeOne('meter.meterId', id === NO_METER ? null : id)}
    />
  );
}
const NO_METER = 'usual';

/** How the meter is pointed and which of its values is read. */
export function MethodChooser({ onSaid }: { onSaid: (what: 'direction') => void }) {
  const { setup } = useSetup();
  const { changeOne } = useChange();
  const { read } = setup.meter;
  const pointId = useActivePoint();
  const { method, choose } = useMethod(pointId);
  const isSky = setup.points.find(({ id }) => id === pointId)?.role === 'sky';
  const say = (next: MeteringMethod) => {
    onSaid('direction');
    choose(next);
  };
  return (
    <View role="group" aria-label={texts.howItIsMetered} style={{ gap: 8 }}>
      <ChoiceList
        label={texts.meteredBy}
        value={methodKey(method)}
        choices={METHOD_CHOICES.map(({ key }) => ({ value: key, label: words.methodChoice(key).name }))}
        onChoose={(key) => {
          const choice = METHOD_CHOICES.find((one) => one.key === key);
          if (choice !== undefined) say(choice.method);
        }}
      />
      <Txt size="label" tone="quiet">
        {words.methodChoice(methodKey(method)).advice}
      </Txt>
      <WhichMeter />
      {method.kind === 'spot' && isSky && <Txt>{texts.skyAsItReads}</Txt>}
      {method.kind === 'spot' && !isSky && (
        <ToneChooser value={method} onChange={(tone) => say({ kind: 'spot', ...tone })} />
      )}
      {method.kind === 'reflected' && (
        <StopsDial
          label={texts.compensation}
          signed
          value={method.compensationStops}
          least={-5}
          most={5}
          step={1 / 3}
          onChange={(compensationStops) => say({ kind: 'reflected', compensationStops })}
          note={texts.compensationIsTakenBack}
        />
      )}
      {method.kind === 'eye' && (
        <ChoiceList
          label={texts.looksRight}
          layout="row"
          value={method.of}
          choices={[
            { value: 'place', label: texts.forThisPlace },
            { value: 'frame', label: texts.forTheWholeFrame },
          ]}
          onChoose={(of) => say({ kind: 'eye', of })}
        />
      )}
      <ChoiceList
        label={texts.theMeterShows}
        layout="row"
        value={read}
        choices={READ_VALUES.map((value) => ({
          value,
          label: SHOWS[value].replace(/^[as]/, (letter) => letter.toUpperCase()),
        }))}
        onChoose={(value) => changeOne('meter.read', value)}
      />
    </View>
  );
}
