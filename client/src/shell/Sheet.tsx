import { type ReactNode } from 'react';
import { Modal, ScrollView, View } from 'react-native';

import { IconButton } from '../ui/ActionButton';
import { Heading } from '../ui/Txt';
import { usePalette } from '../ui/theme';
import { texts } from './texts';

/** A sheet over the work, opened and closed by the person alone. Escape closes it, and the keys stay within. */
export function Sheet({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) {
  const palette = usePalette();
  return (
    <Modal visible transparent animationType="none" onRequestClose={onClose}>
      <View style={{ flex: 1, justifyContent: 'flex-end', alignItems: 'center', backgroundColor: '#000000aa' }}>
        <View
          role="dialog"
          aria-label={title}
          style={{
            width: '100%',
            maxWidth: 640,
            maxHeight: '85%',
            backgroundColor: palette.ground,
            borderTopWidth: 3,
            borderTopColor: palette.accent,
          }}
        >
          <View style={{ flexDirection: 'row', alignItems: 'center', paddingLeft: 16, minHeight: 56 }}>
            <View style={{ flex: 1 }}>
              <Heading level={2}>{title}</Heading>
            </View>
            <IconButton icon="close" name={texts.close} onPress={onClose} />
          </View>
          <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 0, gap: 24 }}>{children}</ScrollView>
        </View>
      </View>
    </Modal>
  );
}
