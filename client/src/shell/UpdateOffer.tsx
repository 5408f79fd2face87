import { useAppSelector } from '@/store/store';
import { useState } from 'react';
import { View } from 'react-native';

import { ActionButton } from '../ui/ActionButton';
import { Txt } from '../ui/Txt';
import { usePalette } from '../ui/theme';
import { texts } from './texts';
import { useTakeUpdate } from './updates';

/** A newer version, offered where nobody is at work: on the list of shoots and in the settings. */
export function UpdateOffer() {
  const palette = usePalette();
  const waits = useAppSelector((state) => state.device.updateWaits);
  const [held, setHeld] = useState(false);
  const take = useTakeUpdate(() => setHeld(true));
  if (!waits) return null;
  return (
    <View
      role="status"
      style={{
        flexDirection: 'row',
        flexWrap: 'wrap',
        alignItems: 'center',
        gap: 12,
        padding: 12,
        backgroundColor: palette.raised,
        borderLeftWidth: 3,
        borderLeftColor: palette.accent,
      }}
    >
      <View style={{ flex: 1, minWidth: 200 }}>
        <Txt>{held ? texts.updateHeld : texts.updateReady}</Txt>
      </View>
      {held ? null : <ActionButton label={texts.takeUpdate} kind="primary" onPress={take} />}
    </View>
  );
}
