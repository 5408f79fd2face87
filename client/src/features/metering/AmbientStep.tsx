import { texts } from './texts';
import { useActivePoint, useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { useEntering } from '@/setupView/entering';
import { useDecimals, useMethod } from '@/setupView/useMethod';
import { words } from '@/language/words';
import { useActions } from '@/store/application';
import { ReadingEntry } from '@/ui/ReadingEntry';
import { useState } from 'react';
import { View } from 'react-native';

import { meterIncrementOf } from '@sphene/core/metering';
import type { Reading } from '@sphene/core/setup';
import { NextHour } from '@/features/ahead/NextHour';
import { Questions } from '../../setupView/Questions';
import { CloudPair } from './CloudPair';
import { ContrastMatrix } from './ContrastMatrix';
import { DeviceKeys } from './DeviceKeys';
import { DomeChoice } from './DomeChoice';
import { LooksRight } from './LooksRight';
import { SameAsFace } from './SameAsFace';
import { MethodChooser, MethodLine } from './MethodChooser';
import { PointBar } from './PointBar';
import { PointDetails } from './PointDetails';
import { SceneChanges } from './SceneChanges';
import { TestFrames } from './frames/TestFrames';

type Assumed = Reading['assumed'][number];
const INHERITED: readonly Assumed[] = ['shutter', 'iso', 'aperture', 'direction', 'mode'];

/** Metering what is there: which point, how, and what the meter shows; then what the readings say together. */
export function AmbientStep() {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { change, activatePoint } = useChange();
  const activePointId = useActivePoint();
  const actions = useActions();
  /** what was set by hand since the last reading; the rest is taken over from it */
  const [said, setSaid] = useState<readonly Assumed[]>([]);
  const [choosing, setChoosing] = useState(false);
  const point = setup.points.find(({ id }) => id === activePointId);
  const { meter } = setup;
  const { method } = useMethod(activePointId);
  const decimals = useDecimals();
  const onEntering = useEntering('ambient', words.method(method));
  const name = point?.name ?? 'Point';
  const expected =
    numbers.points.find(({ pointId }) => pointId === activePointId)?.ambientEv100 ??
    numbers.points.find(({ ambientEv100 }) => ambientEv100 !== null)?.ambientEv100 ??
    null;
  return (
    <View style={{ gap: 8 }}>
      <Questions />
      <PointBar beside={<MethodLine open={choosing} onOpen={setChoosing} />} />
      {choosing && <MethodChooser onSaid={(what) => setSaid([...said, what])} />}
      <ReadingEntry
        label={texts.ambientOf(name)}
        held={meter}
        read={meter.read}
        receptor={method.kind === 'disc' ? 'disc' : 'dome'}
        onHeld={({ av, tv, sv }) => {
          setSaid([
            ...said,
            ...(tv === meter.tv ? [] : ['shutter' as const]),
            ...(sv === meter.sv ? [] : ['iso' as const]),
            ...(av === meter.av ? [] : ['aperture' as const]),
          ]);
          change({ path: 'meter.av', value: av }, { path: 'meter.tv', value: tv }, { path: 'meter.sv', value: sv });
        }}
        meterIncrement={meterIncrementOf(meter.meterId, kit)}
        {...decimals}
        expectedEv100={expected}
        saveLabel={texts.saveFor(name.toLowerCase())}
        onEntering={onEntering}
        onSave={({ guessed, named, ...reading }) => {
          const held = INHERITED.filter((what) => !said.includes(what) && !named.some((one) => one === what));
          actions.addReading(setup.id, {
            ...reading,
            pointId: activePointId,
            method,
            patchy: point?.patchy ?? false,
            assumed: guessed ? [...held, 'figure'] : held,
          });
          setSaid([]);
          activatePoint(null);
        }}
      />
      <SameAsFace />
      <LooksRight />
      <DeviceKeys pointName={name} />
      <DomeChoice />
      <SceneChanges />
      <CloudPair />
      {point !== undefined && <PointDetails key={point.id} point={point} />}
      <ContrastMatrix />
      <NextHour />
      <TestFrames />
    </View>
  );
}
