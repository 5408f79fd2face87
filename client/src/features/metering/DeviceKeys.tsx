import { texts } from './texts';
import { useDevices } from '@/setupView/useDevices';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { useRouter } from 'expo-router';
import { View } from 'react-native';

/** Presses a connected meter for the active point; the way to the devices when none is connected. */
export function DeviceKeys({ pointName }: { pointName: string }) {
  const router = useRouter();
  const devices = useDevices();
  const { list, trouble } = useAppSelector((state) => state.devices);
  const meters = list.filter(({ kind, mine }) => kind === 'meter' && mine);
  return (
    <View style={{ gap: 8 }}>
      {trouble !== null && (
        <Txt tone="danger" role="alert">
          {trouble}
        </Txt>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {meters.map(({ id, name }) => (
          <ActionButton
            key={id}
            grow
            label={texts.press(name.toLowerCase())}
            name={texts.pressFor(name.toLowerCase(), pointName.toLowerCase())}
            onPress={() => void devices.command(id, { type: 'press' })}
          />
        ))}
        <ActionButton
          label={texts.devices}
          icon="access-point"
          kind={meters.length === 0 ? 'secondary' : 'plain'}
          onPress={() => router.navigate('/devices')}
        />
      </View>
    </View>
  );
}
