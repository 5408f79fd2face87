import { texts } from './texts';
import { words } from '@/language/words';
import { Questions } from '@/setupView/Questions';
import { useAdvice, useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { useDevices } from '@/setupView/useDevices';
import { useActions } from '@/store/application';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { ReadingEntry } from '@/ui/ReadingEntry';
import { Txt } from '@/ui/Txt';
import { PowerDial } from '@/ui/dials';
import { useState } from 'react';
import { View } from 'react-native';

import { firedAs, type LightSolution } from '@sphene/core/lights';
import { formatStopCount } from '@sphene/core/notation';
import type { ExposureSettings } from '@sphene/core/photometry';
import { type FiredLight, lightPath } from '@sphene/core/setup';
import { AutomaticFirst } from './AutomaticFirst';
import { Correction, DisagreementCard } from './Correction';

const ALL = 'all';

/** What was read with every light on, beside what was foretold. */
function Together() {
  const { setup } = useSetup();
  const { together } = useNumbers();
  if (together === null) return null;
  const { pointId, readText, foretoldText, offStops } = together;
  return (
    <Txt role="status" bold>
      {setup.points.find(({ id }) => id === pointId)?.name}, all together: read {readText}, foretold {foretoldText}:{' '}
      {Math.abs(offStops) < 0.05
        ? texts.asForetold
        : `${formatStopCount(offStops)} stops ${offStops > 0 ? 'over' : 'under'}`}
      .
    </Txt>
  );
}

/** The light that is fired next: the one that the next action names, else the first that was not metered alone. */
function nextToFire(lights: readonly LightSolution[], order: readonly string[], allNext: boolean): string {
  if (allNext) return ALL;
  const inOrder = order.flatMap((id) => lights.find(({ lightId }) => lightId === id) ?? []);
  return (
    (inOrder.find(({ basis, powerStops }) => basis !== 'reading' && powerStops !== null) ?? inOrder.at(-1))?.lightId ??
    ALL
  );
}

/** Firing a test, reading the meter, and the correction that follows; each light alone, then all together. */
// eslint-disable-next-line complexity, max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function CheckStep() {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const advice = useAdvice();
  const actions = useActions();
  const devices = useDevices();
  const radio = useAppSelector((state) => state.devices.list.find(({ kind, mine }) => kind === 'radio' && mine));
  const trouble = useAppSelector((state) => state.devices.trouble);
  const [mode, setMode] = useState<'total' | 'flash'>('total');
  const [ownPointId, setPointId] = useState<string | null>(null);
  const [ownLightId, setLightId] = useState<string | null>(null);
  const [ownHeld, setOwnHeld] = useState<Pick<ExposureSettings, 'tv' | 'sv'> | null>(null);
  const { camera, lights } = numbers;
  const several = lights.length > 1;
  const chosenId =
    ownLightId !== null && (ownLightId === ALL || lights.some(({ lightId }) => lightId === ownLightId))
      ? ownLightId
      : several
        ? nextToFire(
            lights,
            numbers.meteringOrder,
            advice.nextAction.kind === 'fire-all' || advice.nextAction.kind === 'shoot',
          )
        : (lights[0]?.lightId ?? ALL);
  const one = lights.find(({ lightId }) => lightId === chosenId);
  const light = one === undefined ? undefined : setup.lights[one.index];
  const unit = kit.flashUnits.find(({ id }) => id === light?.unitId);
  const facePoint = setup.points.find(({ role }) => role === 'face')?.id ?? '';
  const pointId = ownPointId ?? light?.aimPointId ?? facePoint;
  if (camera === null || lights.length === 0 || (chosenId !== ALL && (light === undefined || unit === undefined)))
    return <Txt>{texts.meterTheAmbientChooseThe}</Txt>;

  const powerOf = (its: LightSolution) => setup.lights[its.index]?.dialledStops ?? its.powerStops ?? 0;
  const fired = lights
    .filter((its) => chosenId === ALL || its.lightId === chosenId)
    .flatMap((its): FiredLight[] => {
      const stands = setup.lights[its.index];
      return stands === undefined || (chosenId === ALL && its.powerStops === null)
        ? []
        : [firedAs(stands, powerOf(its), pointId, its.syncLossStops)];
    });
  const point = setup.points.find(({ id }) => id === pointId);
  const at = numbers.points.find((its) => its.pointId === pointId);
  // alone, a light gives its own total; all together, the point's
  const expectedEv100 =
    one === undefined || one.meter === null || pointId !== one.aimPointId
      ? (at?.totalEv100 ?? null)
      : one.meter.totalAv + camera.tv - camera.sv;
  const fire = () => {
    if (radio === undefined) return;
    if (one !== undefined && light?.dialledStops === null)
      changeOne(lightPath(one.index, 'dialledStops'), powerOf(one));
    void devices.fire(radio.id, setup.id, pointId, fired);
    setLightId(null);
  };
  const choose = (id: string) => {
    setLightId(id);
    setPointId(null);
  };
  return (
    <View style={{ gap: 12 }}>
      {numbers.questions.some(({ kind }) => kind === 'outlier') && <Questions />}
      <Together />
      {several && (
        <ChoiceList
          label={texts.whatFires}
          value={chosenId}
          onChoose={choose}
          choices={[
            ...numbers.meteringOrder
              .flatMap((id) => lights.find(({ lightId }) => lightId === id) ?? [])
              .map((its) => ({
                value: its.lightId,
                label: words.light(its),
                note: its.basis === 'reading' ? 'metered' : 'alone',
              })),
            { value: ALL, label: texts.all, note: 'together' },
          ]}
        />
      )}
      {one !== undefined && <Correction light={one} />}
      {one !== undefined && <DisagreementCard light={one} />}
      {one !== undefined && light !== undefined && unit !== undefined && (
        <PowerDial
          label={texts.firedAt}
          value={powerOf(one)}
          unit={unit}
          onChange={(value) => changeOne(lightPath(one.index, 'dialledStops'), value)}
          note={light.dialledStops === null ? texts.asSuggested : texts.asSetOnTheFlash}
        />
      )}
      {chosenId !== ALL && (
        <ChoiceList
          label={texts.theMeterReads}
          value={mode}
          onChoose={setMode}
          choices={[
            { value: 'total', label: texts.total, note: texts.flashAndAmbient },
            { value: 'flash', label: texts.flashOnly, note: texts.veryShortShutter },
          ]}
        />
      )}
      {radio !== undefined && (
        <ActionButton
          kind="primary"
          icon="access-point"
          label={`Fire ${chosenId === ALL ? 'all' : one === undefined ? '' : words.light(one)}`}
          name={`Fire ${chosenId === ALL ? texts.allLights : one === undefined ? '' : words.light(one)} by ${radio.name.toLowerCase()}`}
          onPress={fire}
        />
      )}
      {trouble !== null && (
        <Txt tone="danger" role="alert">
          {trouble}
        </Txt>
      )}
      <ReadingEntry
        heldLast
        label={`${point?.name ?? 'Point'}, ${chosenId === ALL ? texts.allTogether : mode === 'total' ? 'total' : texts.flashOnly2}`}
        read="aperture"
        expectedEv100={expectedEv100}
        held={{ av: camera.av, ...(ownHeld ?? { tv: camera.tv, sv: camera.sv }) }}
        onHeld={setOwnHeld}
        meterIncrement={kit.preferences.meterIncrement}
        saveLabel={texts.saveTheTest}
        onSave={({ guessed, ...reading }) => {
          actions.addReading(setup.id, {
            ...reading,
            pointId,
            light: chosenId === ALL ? 'total' : mode,
            assumed: guessed ? ['figure'] : [],
            fired,
          });
          if (one !== undefined && light?.dialledStops === null)
            changeOne(lightPath(one.index, 'dialledStops'), powerOf(one));
          setLightId(null);
        }}
      />
      <ChoiceList
        label={texts.meteredAt}
        value={pointId}
        onChoose={setPointId}
        choices={setup.points.map(({ id, name }) => ({ value: id, label: name }))}
      />
      {several && (
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
      {one !== undefined && unit !== undefined && (
        <Disclosure title={texts.automaticFlashFirst} summary={texts.takeOverWhatAutomaticFired}>
          <AutomaticFirst key={one.lightId} light={one} unit={unit} />
        </Disclosure>
      )}
    </View>
  );
}
