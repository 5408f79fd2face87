import { useState } from 'react';
import { View } from 'react-native';
import { METHOD_CHOICES, type MeteringMethod, methodKey, sayMethod } from '@sphene/core/balance';
import { READ_VALUES, TONES, type ReadValue } from '@sphene/core/photometry';

import { useSetupView } from '@/features/balance/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { ToneDial } from '@/ui/dials';

const SHOWS: Record<ReadValue, string> = { aperture: 'Aperture', shutter: 'Shutter', iso: 'ISO' };

/** The tone under a spot: one of the usual ones, or typed. */
export function ToneChooser({ value, onChange }: { value: { tone: Extract<MeteringMethod, { kind: 'spot' }>['tone']; toneStops: number }; onChange: (value: { tone: Extract<MeteringMethod, { kind: 'spot' }>['tone']; toneStops: number }) => void }) {
  return (
    <View style={{ gap: 8 }}>
      <ChoiceList label="Tone" layout="scroll" value={value.tone} choices={[...TONES.map(({ id, name }) => ({ value: id, label: name })), { value: 'own' as const, label: 'Own tone' }]}
        onChoose={(tone) => onChange({ tone, toneStops: TONES.find(({ id }) => id === tone)?.offsetStops ?? value.toneStops })} />
      <ToneDial label="Lies from mid grey" value={value.toneStops} onChange={(toneStops) => onChange({ tone: TONES.some(({ id, offsetStops }) => id === value.tone && Math.abs(offsetStops - toneStops) < 0.01) ? value.tone : 'own', toneStops })} />
    </View>
  );
}

/** How the meter is pointed and which of its values is read; folded into one line until it is to be changed. */
export function MethodChooser({ onSaid }: { onSaid: (what: 'direction') => void }) {
  const { setup, changeOne } = useSetupView();
  const [open, setOpen] = useState(false);
  const { method, read } = setup.meter;
  const say = (next: MeteringMethod) => {
    onSaid('direction');
    changeOne('meter.method', next);
  };
  const spoken = sayMethod(method);
  return (
    <View role="group" aria-label="How it is metered" style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', gap: 8 }}>
        <Txt size="label" tone="quiet" style={{ flex: 1 }}>{spoken.charAt(0).toUpperCase() + spoken.slice(1)}, reading the {SHOWS[read].replace(/^[AS]/, (letter) => letter.toLowerCase())}</Txt>
        <ActionButton label={open ? 'Done' : 'Change'} name={open ? 'Done with how it is metered' : 'Change how it is metered'} kind="plain" onPress={() => setOpen(!open)} />
      </View>
      {open && (
        <>
          <ChoiceList label="Metered by" value={methodKey(method)} choices={METHOD_CHOICES.map(({ key, name }) => ({ value: key, label: name }))}
            onChoose={(key) => { const choice = METHOD_CHOICES.find((one) => one.key === key); if (choice !== undefined) say(choice.method); }} />
          <Txt size="label" tone="quiet">{METHOD_CHOICES.find(({ key }) => key === methodKey(method))?.advice ?? ''}</Txt>
          {method.kind === 'spot' && <ToneChooser value={method} onChange={(tone) => say({ kind: 'spot', ...tone })} />}
          <ChoiceList label="The meter shows" layout="row" value={read} choices={READ_VALUES.map((value) => ({ value, label: SHOWS[value] }))} onChoose={(value) => changeOne('meter.read', value)} />
        </>
      )}
    </View>
  );
}
