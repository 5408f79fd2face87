import { texts } from './texts';
import { Screen } from '@/shell/Screen';
import { byId, selectDocument, selectSetups } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { Heading, Txt } from '@/ui/Txt';
import { useRouter } from 'expo-router';
import { useDeferredValue, useMemo, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { find, type Found, FOUND_KINDS } from './find';

const MOST_PX = 760;
const MOST_LETTERS = 80;

/** Where something that was found is opened; a look is kept beside any setup, so the newest is as good as another. */
function useOpen() {
  const router = useRouter();
  const setups = useAppSelector(selectSetups);
  return ({ kind, id, shootId, setupId }: Found) => {
    const newest = setups.at(-1)?.id;
    if (kind === 'kit') router.navigate('/kit');
    else if (kind === 'spot') router.navigate({ pathname: '/spot/[id]', params: { id } });
    else if ((kind === 'note' || (kind === 'frame' && setupId === null)) && shootId !== null)
      router.navigate({ pathname: '/log/[id]', params: { id: shootId } });
    else if (setupId !== null) router.navigate({ pathname: '/setup/[id]', params: { id: setupId } });
    else if (kind === 'look' && newest !== undefined)
      router.navigate({ pathname: '/setup/[id]', params: { id: newest } });
    else if (shootId !== null) router.navigate({ pathname: '/shoot/[id]', params: { id: shootId } });
  };
}

/** One thing that was found: its name, what it was found by, and the shoot that it belongs to. */
function Row({ found, onOpen }: { found: Found; onOpen: () => void }) {
  const palette = usePalette();
  const shoot = useAppSelector((state) => selectDocument(state, 'shoot', found.shootId ?? ''));
  const under = [found.by, found.kind === 'shoot' ? '' : (shoot?.title ?? '')].filter((part) => part !== '');
  return (
    <View role="listitem">
      <Pressable
        role="link"
        aria-label={texts.open(found.title)}
        onPress={onOpen}
        style={{
          minHeight: TOUCH,
          justifyContent: 'center',
          paddingVertical: 6,
          borderTopWidth: 1,
          borderTopColor: palette.raised,
        }}
      >
        <Txt bold numberOfLines={2}>
          {found.title}
        </Txt>
        {under.length > 0 && (
          <Txt size="label" tone="quiet" numberOfLines={2}>
            {under.join(' · ')}
          </Txt>
        )}
      </Pressable>
    </View>
  );
}

/** Search over everything on this device, as one types. */
export function SearchScreen() {
  const documents = useAppSelector(byId);
  const [typed, setTyped] = useState('');
  const asked = useDeferredValue(typed);
  const found = useMemo(() => find(Object.values(documents), asked), [documents, asked]);
  const open = useOpen();
  return (
    <Screen title={texts.search} place={texts.where} up="back">
      <ScrollView
        contentContainerStyle={{ padding: 16, gap: 16, maxWidth: MOST_PX, width: '100%', alignSelf: 'center' }}
        keyboardShouldPersistTaps="handled"
      >
        <TextInput
          label={texts.label}
          accessibilityLabel={texts.label}
          mode="outlined"
          autoFocus
          maxLength={MOST_LETTERS}
          value={typed}
          onChangeText={setTyped}
        />
        <Txt role="status" tone="quiet">
          {asked.trim() === ''
            ? texts.begin
            : found.length === 0
              ? texts.nothing(asked.trim())
              : texts.count(found.length)}
        </Txt>
        {FOUND_KINDS.map((kind) => {
          const its = found.filter((one) => one.kind === kind);
          return its.length === 0 ? null : (
            <View key={kind} role="group" aria-label={texts.kinds[kind]}>
              <Heading>{texts.kinds[kind]}</Heading>
              <View role="list">
                {its.map((one) => (
                  <Row key={one.id} found={one} onOpen={() => open(one)} />
                ))}
              </View>
            </View>
          );
        })}
      </ScrollView>
    </Screen>
  );
}
