import { texts } from './texts';
import { selectActivePointId } from '@/setupView/selectSolution';
import { useDevices } from '@/setupView/useDevices';
import type { ListedDevice } from '@/store/devicesSlice';
import { selectSetup } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Screen } from '@/shell/Screen';
import { Heading, Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useEffect } from 'react';
import { ScrollView, View } from 'react-native';

import { formatIso, formatShutter, formatStopCount } from '@sphene/core/notation';

/** A connected meter: how it is set, and a key that presses it. */
function MeterKeys({ device }: { device: ListedDevice }) {
  const devices = useDevices();
  const { meter } = device;
  if (meter === null)
    return (
      <Txt role="status" tone="quiet">
        {texts.waitingForTheMeter}
      </Txt>
    );
  return (
    <View style={{ gap: 8 }}>
      <Txt tone="quiet">
        {texts.heldAt(meter.place.toLowerCase(), formatShutter(meter.tv, 'third'), formatIso(meter.sv))}
      </Txt>
      <ChoiceList
        label={texts.head}
        value={meter.head}
        onChoose={(head) => void devices.command(device.id, { type: 'set', head })}
        choices={[
          { value: 'camera', label: texts.domeToCamera },
          { value: 'light', label: texts.domeToLight },
          { value: 'disc', label: texts.discToLight },
        ]}
      />
      <ChoiceList
        label={texts.itShows}
        layout="row"
        value={meter.read}
        onChoose={(read) => void devices.command(device.id, { type: 'set', read })}
        choices={[
          { value: 'aperture', label: texts.aperture },
          { value: 'shutter', label: texts.shutter },
          { value: 'iso', label: 'ISO' },
        ]}
      />
      <ChoiceList
        label={texts.mode}
        layout="row"
        value={meter.mode}
        onChoose={(mode) => void devices.command(device.id, { type: 'set', mode })}
        choices={[
          { value: 'ambient', label: texts.ambient },
          { value: 'flash', label: texts.flash },
        ]}
      />
      <ActionButton
        label={texts.pressFor(meter.place.toLowerCase())}
        kind="primary"
        onPress={() => void devices.command(device.id, { type: 'press' })}
      />
    </View>
  );
}

/** A connected radio: its heads, and in a simulated one what shall go wrong. */
function RadioKeys({ device }: { device: ListedDevice }) {
  const devices = useDevices();
  const { radio, simulated } = device;
  if (radio === null)
    return (
      <Txt role="status" tone="quiet">
        {texts.waitingForTheRadio}
      </Txt>
    );
  return (
    <View style={{ gap: 8 }}>
      <Txt tone="quiet">
        {radio.heads.length === 0
          ? texts.noHeadsArrangedYetFire
          : texts.channel(radio.channel) +
            `${radio.heads.map(({ group, powerStops }) => texts.underFull(group, formatStopCount(powerStops))).join(', ')}.`}
      </Txt>
      {simulated && (
        <ChoiceList
          label={texts.whatGoesWrong}
          value={radio.fault ?? 'none'}
          onChoose={(fault) =>
            void devices.command(device.id, { type: 'fault', fault: fault === 'none' ? null : fault })
          }
          choices={[
            { value: 'none', label: texts.nothing },
            { value: 'contact', label: texts.lostContact },
            { value: 'recycle', label: texts.notRecycled },
            { value: 'channel', label: texts.wrongChannel },
          ]}
        />
      )}
    </View>
  );
}

const KINDS = { meter: texts.handheldMeter, camera: texts.camera, radio: texts.flashRadio } as const;

function DeviceCard({ device }: { device: ListedDevice }) {
  const palette = usePalette();
  const devices = useDevices();
  const { id, name, kind, simulated, mine } = device;
  const elsewhere = !mine && device.connectedBy !== null;
  const label = mine ? texts.disconnect : elsewhere ? texts.takeOver : texts.connect;
  return (
    <View
      role="article"
      aria-label={name}
      style={{
        gap: 8,
        padding: 16,
        backgroundColor: palette.raised,
        borderLeftWidth: 3,
        borderLeftColor: mine ? palette.accent : palette.line,
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Heading size="value">{name}</Heading>
          <Txt tone="quiet">
            {KINDS[kind]}
            {mine ? ', connected' : elsewhere ? texts.inUseByAnotherPage : ''}
          </Txt>
        </View>
        <ActionButton
          label={label}
          name={`${label} ${name}`}
          onPress={() => void (mine ? devices.disconnect(id) : devices.connect(id))}
        />
      </View>
      {simulated && (
        <Txt size="label" bold>
          {texts.simulatedItStandsInAn}
        </Txt>
      )}
      {mine && kind === 'meter' && <MeterKeys device={device} />}
      {mine && kind === 'radio' && <RadioKeys device={device} />}
      {mine && kind === 'camera' && (
        <ActionButton label={texts.releaseAtTheSetupS} kind="primary" onPress={() => void devices.release(id)} />
      )}
    </View>
  );
}

/** What is in reach: meters and cameras, plainly said when they are simulated. */
export function DevicesScreen() {
  const devices = useDevices();
  const { list, looking, trouble } = useAppSelector((state) => state.devices);
  const metering = useAppSelector((state) => state.device.metering);
  const setup = useAppSelector((state) => (metering === null ? undefined : selectSetup(state, metering.setupId)));
  const pointId = useAppSelector((state) => (metering === null ? null : selectActivePointId(state, metering.setupId)));
  useEffect(() => {
    void devices.look();
  }, [devices]);
  const point = setup?.points.find(({ id }) => id === pointId);
  return (
    <Screen
      title={texts.devices}
      place={texts.metersCamerasAndRadiosIn}
      up={setup === undefined ? '/' : `/setup/${setup.id}`}
    >
      <ScrollView contentContainerStyle={{ padding: 16, gap: 16, maxWidth: 760, width: '100%', alignSelf: 'center' }}>
        <Txt>
          {setup === undefined
            ? texts.openASetupReadingsGo
            : texts.readingsGoTo(setup.title, point?.name.toLowerCase() ?? texts.none)}
        </Txt>
        {trouble !== null && (
          <Txt tone="danger" role="alert">
            {trouble}
          </Txt>
        )}
        {list.map((device) => (
          <DeviceCard key={device.id} device={device} />
        ))}
        {list.length === 0 && (
          <Txt tone="quiet" role="status">
            {looking ? texts.lookingForDevices : texts.noDeviceAnswersSwitchOne}
          </Txt>
        )}
        <View style={{ flexDirection: 'row' }}>
          <ActionButton label={texts.lookAgain} disabled={looking} onPress={() => void devices.look()} />
        </View>
      </ScrollView>
    </Screen>
  );
}
