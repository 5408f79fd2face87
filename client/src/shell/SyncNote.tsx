import { useAppSelector } from '@/store/store';
import { View } from 'react-native';

import PathIcon from '../ui/PathIcon';
import { Txt } from '../ui/Txt';
import type { IconName } from '../ui/iconPaths';
import { usePalette } from '../ui/theme';
import { useWide } from '../ui/useWide';

/** Whether everything is kept on the server, or what waits on this device. Never in the way. */
export function SyncNote() {
  const palette = usePalette();
  const wide = useWide();
  const { sync, waiting } = useAppSelector((state) => state.device);
  const kept = `${waiting} on this device`;
  const [icon, text, name]: [IconName, string, string] =
    sync === 'offline'
      ? [
          'cloud-off-outline',
          waiting === 0 ? 'Offline' : kept,
          'The server is out of reach. ' +
            `${waiting === 0 ? 'Everything is kept.' : `${waiting} changes wait on this device and go when it is back.`}`,
        ]
      : sync === 'refused'
        ? [
            'alert-outline',
            waiting === 0 ? 'Not synced' : kept,
            'The server did not take the last changes. They are kept on this device; export the setup to be safe.',
          ]
        : waiting > 0 || sync === 'syncing' || sync === 'starting'
          ? ['cloud-sync-outline', 'Saving', 'Saving']
          : ['cloud-check-outline', 'Saved', 'Everything is saved'];
  const trouble = sync === 'offline' || sync === 'refused';
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
