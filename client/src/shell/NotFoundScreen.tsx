import { ActionButton } from '@/ui/ActionButton';
import { Screen } from '@/shell/Screen';
import { Txt } from '@/ui/Txt';
import { useRouter } from 'expo-router';
import { View } from 'react-native';

/** Nothing is at this address: it was deleted, or belongs to another account. */
export function NotFoundScreen() {
  const router = useRouter();
  return (
    <Screen title="Not here" up="/">
      <View style={{ padding: 16, gap: 16 }}>
        <Txt>
          There is nothing at this address on this account. It may have been deleted, or not have arrived on this device
          yet.
        </Txt>
        <ActionButton label="To the shoots" kind="primary" onPress={() => router.navigate('/')} />
      </View>
    </Screen>
  );
}
