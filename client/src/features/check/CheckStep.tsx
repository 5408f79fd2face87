import { texts } from './texts';
import { words } from '@/language/words';
import { useEntering } from '@/setupView/entering';
import { Questions } from '@/setupView/Questions';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { useDecimals } from '@/setupView/useMethod';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { ReadingEntry } from '@/ui/ReadingEntry';
import { Txt } from '@/ui/Txt';
import { PowerDial } from '@/ui/dials';
import { View } from 'react-native';

import { powerInScales } from '@sphene/core/flash';
import { meterIncrementOf } from '@sphene/core/metering';
import { formatStopCount } from '@sphene/core/notation';
import { AutomaticFirst } from './AutomaticFirst';
import { Correction } from './Correction';
import { ALL, type FiredAlone, type LightTest, useTest } from './useTest';

/** What was read with every light on, beside what was foretold. */
function Together() {
  const { setup } = useSetup();
  const { together } = useNumbers();
  if (together === null) return null;
  const { pointId, readText, foretoldText, offStops } = together;
  const name = setup.points.find(({ id }) => id === pointId)?.name ?? '';
  const size = formatStopCount(offStops);
  const off = offStops > 0 ? texts.stopsOver(size) : texts.stopsUnder(size);
  return (
    <Txt role="status" bold>
      {texts.allTogetherRead(name, readText, foretoldText, Math.abs(offStops) < 0.05 ? texts.asForetold : off)}
    </Txt>
  );
}

/** A light that was read with others on only, and is not told from them yet. */
function Untold() {
  const { lights, untold } = useNumbers();
  return untold.map(({ lightId, sdStops }) => {
    const its = lights.find((one) => one.lightId === lightId);
    if (its === undefined) return null;
    return <Txt key={lightId}>{texts.notTold(words.light(its), formatStopCount(sdStops), its.aimName)}</Txt>;
  });
}

/** Which light fires, each alone in order, then all. */
function WhatFires({ test }: { test: LightTest }) {
  const { lights, meteringOrder } = useNumbers();
  return (
    <ChoiceList
      label={texts.whatFires}
      notes="each"
      value={test.chosenId}
      onChoose={test.choose}
      choices={[
        ...meteringOrder
          .flatMap((id) => lights.find(({ lightId }) => lightId === id) ?? [])
          .map((its) => ({
            value: its.lightId,
            label: words.light(its),
            note: its.basis === 'reading' ? texts.metered : texts.alone,
          })),
        { value: ALL, label: texts.all, note: texts.together },
      ]}
    />
  );
}

/** One light: its correction, what it was fired at, and what the meter reads of it. */
function OneLight({ alone, test }: { alone: FiredAlone; test: LightTest }) {
  return (
    <>
      <Correction light={alone.solved} />
      <PowerDial
        label={texts.firedAt}
        value={alone.powerStops}
        unit={alone.unit}
        onChange={(stops) => test.dial(alone, stops)}
        note={alone.light.dialledStops === null ? texts.asSuggested : texts.asSetOnTheFlash}
      />
      <ChoiceList
        label={texts.theMeterReads}
        value={test.reads}
        onChoose={test.setReads}
        choices={[
          { value: 'total', label: texts.total, note: texts.flashAndAmbient },
          { value: 'flash', label: texts.flashOnly, note: texts.veryShortShutter },
        ]}
      />
    </>
  );
}

/** Fires by the radio that is connected. */
function FireButton({ test: { alone, radio, fire } }: { test: LightTest }) {
  if (radio === undefined) return null;
  return (
    <ActionButton
      kind="primary"
      icon="access-point"
      label={alone === null ? texts.fireAll : texts.fire(words.light(alone.solved))}
      name={texts.fireBy(alone === null ? texts.allLights : words.light(alone.solved), radio.name.toLowerCase())}
      onPress={fire}
    />
  );
}

/** What a reading of this test is called. */
const readingName = ({ alone, point, reads }: LightTest): string => {
  const light = alone === null ? texts.allTogether : reads === 'total' ? texts.totalInText : texts.flashOnlyInText;
  return texts.pointAndLight(point?.name ?? texts.point, light);
};

/** What the meter shows of this test; it is kept by the bar. */
function FiredReading({ test }: { test: LightTest }) {
  const kit = useKit();
  const { setup } = useSetup();
  const { alone } = test;
  const [power = ''] = alone === null ? [] : powerInScales(alone.unit.scale, alone.powerStops);
  const how = alone === null ? texts.allFired : texts.firedAlone(words.light(alone.solved), power);
  return (
    <ReadingEntry
      label={readingName(test)}
      read="aperture"
      expectedEv100={test.expectedEv100}
      held={test.held}
      onHeld={test.setHeld}
      meterIncrement={meterIncrementOf(setup.meter.meterId, kit)}
      {...useDecimals()}
      saveLabel={texts.saveTheTest}
      onEntering={useEntering('check', how)}
      onSave={test.keep}
    />
  );
}

/** Where the meter was, and in which order lights are metered. */
function WhereAndOrder({ test }: { test: LightTest }) {
  const { setup } = useSetup();
  const { changeOne } = useChange();
  return (
    <>
      <ChoiceList
        label={texts.meteredAt}
        value={test.pointId}
        onChoose={test.setPointId}
        choices={setup.points.map(({ id, name }) => ({ value: id, label: name }))}
      />
      {test.several && (
        <ChoiceList
          label={texts.severalAreTested}
          value={setup.tests}
          onChoose={(tests) => changeOne('tests', tests)}
          choices={[
            { value: 'together', label: texts.allOn, note: texts.whereKnownLeast },
            { value: 'each', label: texts.eachAlone, note: texts.thenAllTogether },
          ]}
        />
      )}
      {test.several && setup.tests === 'each' && (
        <ChoiceList
          label={texts.lightsAreMetered}
          layout="row"
          value={setup.meterOrder}
          onChoose={(order) => changeOne('meterOrder', order)}
          choices={[
            { value: 'role', label: texts.keyLast },
            { value: 'listed', label: texts.asListed },
          ]}
        />
      )}
    </>
  );
}

/** Firing a test, reading the meter, and the correction that follows; each light alone, then all together. */
export function CheckStep() {
  const { questions } = useNumbers();
  const trouble = useAppSelector((state) => state.devices.trouble);
  const test = useTest();
  if (test === null) return <Txt>{texts.meterTheAmbientChooseThe}</Txt>;
  const { alone } = test;
  return (
    <View style={{ gap: 12 }}>
      {questions.some((one) => one.kind === 'surprise') && <Questions />}
      <Together />
      <Untold />
      {test.several && <WhatFires test={test} />}
      <FireButton test={test} />
      {trouble !== null && (
        <Txt tone="danger" role="alert">
          {trouble}
        </Txt>
      )}
      <FiredReading test={test} />
      {alone !== null && <OneLight alone={alone} test={test} />}
      <WhereAndOrder test={test} />
      {alone !== null && (
        <Disclosure title={texts.automaticFlashFirst} summary={texts.takeOverWhatAutomaticFired}>
          <AutomaticFirst key={alone.solved.lightId} light={alone.solved} unit={alone.unit} />
        </Disclosure>
      )}
    </View>
  );
}
