import { texts } from './texts';
import { useAppSelector } from '@/store/store';
import { View } from 'react-native';

import PathIcon from '../ui/PathIcon';
import { Txt } from '../ui/Txt';
import type { IconName } from '../ui/iconPaths';
import { usePalette } from '../ui/theme';
import { useWide } from '../ui/useWide';

/** Where the server can be reached, and all the same takes nothing. */
const TROUBLES = {
  trouble: texts.theServerHasTrouble,
  full: texts.thisDeviceIsFull,
  'older-server': texts.theServerIsOlder,
  'newer-server': texts.theServerIsNewer,
};
type Trouble = keyof typeof TROUBLES;

/** Whether everything is kept on the server, or what waits on this device. Never in the way. */
export function SyncNote() {
  const palette = usePalette();
  const wide = useWide();
  const { sync, waiting } = useAppSelector((state) => state.device);
  const kept = texts.onThisDevice(waiting);
  const [icon, text, name]: [IconName, string, string] =
    sync === 'offline'
      ? [
          'cloud-off-outline',
          waiting === 0 ? texts.offline : kept,
          texts.theServerIsOutOf + `${waiting === 0 ? texts.everythingIsKept : texts.changesWaitOnThisDevice(waiting)}`,
        ]
      : sync in TROUBLES
        ? ['alert-outline', waiting === 0 ? texts.notSynced : kept, TROUBLES[sync as Trouble]]
        : waiting > 0 || sync === 'syncing' || sync === 'starting'
          ? ['cloud-sync-outline', texts.saving, texts.saving]
          : ['cloud-check-outline', texts.saved, texts.everythingIsSaved];
  const trouble = sync === 'offline' || sync in TROUBLES;
  return (
    <View
      role="status"
      aria-label={name}
      style={{ flexDirection: 'row', alignItems: 'center', gap: 4, paddingHorizontal: 4 }}
    >
      <PathIcon name={icon} size={18} color={trouble ? palette.danger : palette.quiet} />
      {(wide || trouble) && (
        <Txt size="label" tone={trouble ? 'danger' : 'quiet'}>
          {text}
        </Txt>
      )}
    </View>
  );
}
