import { useState } from 'react';
import { View } from 'react-native';
import { highSpeedSyncLossStops } from '@sphene/core/flash';
import { type ExposureSettings, formatStopCount, formatStops, sayStops } from '@sphene/core/photometry';

import { useSetupView } from '@/features/balance/setupContext';
import { useActions } from '@/store/application';
import { ChoiceList } from '@/ui/ChoiceList';
import { ReadingEntry } from '@/ui/ReadingEntry';
import { Txt } from '@/ui/Txt';
import { PowerDial } from '@/ui/dials';
import { usePalette } from '@/ui/theme';

/** What the last test said and what to dial for it. */
function Correction() {
  const { solution } = useSetupView();
  const palette = usePalette();
  const light = solution.lights[0];
  if (light?.problem) return <Txt tone="danger" role="alert">{light.problem}</Txt>;
  if (light?.correction == null || light.meter === null) return null;
  const { correction } = light;
  const settled = Math.abs(correction.changeStops) < 1e-6;
  return (
    <View role="group" aria-label="Correction" style={{ gap: 4, borderLeftWidth: 3, borderLeftColor: palette.flash, paddingLeft: 12 }}>
      <Txt tone="quiet">At {correction.firedPowerText} the flash alone gave {correction.measuredFlashText}: the face {formatStops(correction.measuredTotalStops)} from correct.</Txt>
      <Txt size="figure" bold tone="flash">{light.powerText}</Txt>
      <Txt bold>{settled ? 'Leave it there.' : `Flash ${correction.changeStops < 0 ? 'down' : 'up'} ${formatStopCount(correction.changeStops)}: ${sayStops(correction.changeStops)}.`}</Txt>
      <Txt tone="quiet">Meter should then read {light.meter.totalText} total, {light.meter.flashText} flash only.</Txt>
    </View>
  );
}

/** Firing a test, reading the meter, and the correction that follows. */
export function CheckStep() {
  const { setup, kit, solution, changeOne } = useSetupView();
  const actions = useActions();
  const [mode, setMode] = useState<'total' | 'flash'>('total');
  const [pointId, setPointId] = useState(setup.points.find(({ role }) => role === 'face')?.id ?? '');
  const [ownHeld, setOwnHeld] = useState<Pick<ExposureSettings, 'tv' | 'sv'> | null>(null);
  const light = setup.lights[0];
  const unit = kit.flashUnits.find(({ id }) => id === light?.unitId);
  const { camera } = solution;
  if (light === undefined || unit === undefined || camera === null)
    return <Txt>Meter the ambient, choose the camera and the flash first: then the test is read here.</Txt>;
  const powerStops = light.dialledStops ?? solution.lights[0]?.powerStops ?? 0;
  const fired = {
    lightId: light.id, unitId: light.unitId, modifierId: light.modifierId, distanceM: light.distanceM, powerStops,
    highSpeedSyncLossStops: highSpeedSyncLossStops(unit.highSpeedSyncLossStops ?? 0, camera.beyondSyncStops),
  };
  const point = setup.points.find(({ id }) => id === pointId);
  const expected = solution.points.find((one) => one.pointId === pointId);
  return (
    <View style={{ gap: 12 }}>
      <Correction />
      <PowerDial label="Fired at" value={powerStops} unit={unit} onChange={(value) => changeOne('lights.0.dialledStops', value)} note={light.dialledStops === null ? 'as suggested' : 'as set on the flash'} />
      <ChoiceList label="The meter reads" value={mode} onChoose={setMode} choices={[{ value: 'total', label: 'Total', note: 'flash and ambient' }, { value: 'flash', label: 'Flash only', note: 'very short shutter' }]} />
      <ReadingEntry
        heldLast
        label={`${point?.name ?? 'Point'}, ${mode === 'total' ? 'total' : 'flash only'}`}
        read="aperture"
        expectedEv100={expected?.totalEv100 ?? null}
        held={{ av: camera.av, ...(ownHeld ?? { tv: camera.tv, sv: camera.sv }) }}
        onHeld={setOwnHeld}
        meterIncrement={kit.preferences.meterIncrement}
        saveLabel="Save the test"
        onSave={({ guessed, ...reading }) => {
          actions.addReading(setup.id, { ...reading, pointId, light: mode, assumed: guessed ? ['figure'] : [], fired });
          if (light.dialledStops === null) changeOne('lights.0.dialledStops', powerStops);
        }}
      />
      <ChoiceList label="Metered at" value={pointId} onChoose={setPointId} choices={setup.points.map(({ id, name }) => ({ value: id, label: name }))} />
    </View>
  );
}
