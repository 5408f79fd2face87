import { FreeSpace } from '@/shell/FreeSpace';
import { useKeeper } from '@/store/application';
import { useAppSelector } from '@/store/store';
import { Heading, Txt } from '@/ui/Txt';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { deviceNameSchema } from '@sphene/core/documents';
import { texts } from './texts';

/** What this device is called where changes are told by who made them. */
function DeviceName() {
  const keeper = useKeeper();
  const device = useAppSelector((state) => state.device.device);
  const [typed, setTyped] = useState<string | null>(null);
  const wrong = typed !== null && !deviceNameSchema.safeParse(typed).success;
  const finish = () => {
    if (typed === null || wrong) return;
    void keeper.nameDevice(typed.trim());
    setTyped(null);
  };
  return (
    <View>
      <TextInput
        label={texts.nameOfThisDevice}
        accessibilityLabel={texts.nameOfThisDevice}
        mode="outlined"
        value={typed ?? device?.name ?? ''}
        onChangeText={setTyped}
        onBlur={finish}
        onSubmitEditing={finish}
        error={wrong}
      />
      <Txt size="label" tone={wrong ? 'danger' : 'quiet'} {...(wrong ? { role: 'alert' as const } : {})}>
        {wrong ? texts.giveTheDeviceAName : texts.whereTheDeviceIsNamed}
      </Txt>
    </View>
  );
}

/** How full the browser lets this device's storage be, and whether it may clear it by itself. */
function useRoom(): { usedMb: number; roomMb: number; persists: boolean } | null {
  const [room, setRoom] = useState<{ usedMb: number; roomMb: number; persists: boolean } | null>(null);
  useEffect(() => {
    const look = async () => {
      const { usage = 0, quota = 0 } = await navigator.storage.estimate();
      setRoom({ usedMb: usage / 1e6, roomMb: quota / 1e6, persists: await navigator.storage.persisted() });
    };
    // a browser that does not tell is not asked again
    void look().catch(() => undefined);
  }, []);
  return room;
}

/** This device: its name, and the room that is left on it. */
export function DevicePart() {
  const room = useRoom();
  return (
    <View role="group" aria-label={texts.thisDevice} style={{ gap: 12 }}>
      <Heading>{texts.thisDevice}</Heading>
      <DeviceName />
      {room !== null && (
        <Txt>
          {texts.roomOnThisDevice(room.usedMb.toFixed(1), room.roomMb.toFixed(0))}{' '}
          {room.persists ? texts.keptForGood : texts.mayBeCleared}
        </Txt>
      )}
      <FreeSpace />
    </View>
  );
}
