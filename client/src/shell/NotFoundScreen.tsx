import { texts } from './texts';
import { ActionButton } from '@/ui/ActionButton';
import { Screen } from '@/shell/Screen';
import { Txt } from '@/ui/Txt';
import { useRouter } from 'expo-router';
import { View } from 'react-native';

/** Nothing is at this address: it was deleted, or belongs to another account. */
export function NotFoundScreen() {
  const router = useRouter();
  return (
    <Screen title={texts.notHere} up="/">
      <View style={{ padding: 16, gap: 16 }}>
        <Txt>{texts.thereIsNothingAtThis}</Txt>
        <ActionButton label={texts.toTheShoots} kind="primary" onPress={() => router.navigate('/')} />
      </View>
    </Screen>
  );
}
