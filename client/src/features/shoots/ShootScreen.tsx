import { texts } from './texts';
import { freshNames } from './freshNames';
import { useActions } from '@/store/application';
import { selectDocument, selectSetups, selectSpots } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { EditHistory } from '@/shell/EditHistory';
import { Screen } from '@/shell/Screen';
import { TitleField } from '@/shell/TitleField';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { ScrollView, View } from 'react-native';

import type { Spot } from '@sphene/core/documents';
import { NotFoundScreen } from '@/shell/NotFoundScreen';
import { SetupRow } from './SetupRow';
import { formatDay } from './formatDay';

function SpotCard({ spot }: { spot: Spot }) {
  const palette = usePalette();
  const actions = useActions();
  const router = useRouter();
  const setups = useAppSelector(selectSetups).filter(({ spotId }) => spotId === spot.id);
  return (
    <View role="article" aria-label={spot.title} style={{ gap: 8, padding: 16, backgroundColor: palette.raised }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <TitleField label={texts.spot} title={spot.title} onRename={(title) => actions.rename(spot, title)} />
        <IconButton icon="trash-can-outline" name={texts.deleteIt(spot.title)} onPress={() => actions.remove(spot)} />
      </View>
      {setups.map((setup, index) => (
        <View key={setup.id} style={{ flexDirection: 'row', alignItems: 'center' }}>
          <View style={{ flex: 1 }}>
            <SetupRow setup={setup} />
          </View>
          {setups.length > 1 && (
            <>
              <IconButton
                icon="chevron-up"
                name={texts.earlier(setup.title)}
                disabled={index === 0}
                onPress={() => actions.moveSetup(setup, -1)}
              />
              <IconButton
                icon="chevron-down"
                name={texts.later(setup.title)}
                disabled={index === setups.length - 1}
                onPress={() => actions.moveSetup(setup, 1)}
              />
            </>
          )}
        </View>
      ))}
      <View style={{ alignItems: 'flex-start' }}>
        <ActionButton
          label={texts.addASetup}
          name={texts.addASetupAt(spot.title)}
          icon="plus"
          kind="plain"
          onPress={() =>
            router.navigate({
              pathname: '/setup/[id]',
              params: { id: actions.addSetup(spot, freshNames(0, setups.length)) },
            })
          }
        />
      </View>
    </View>
  );
}

/** One shoot: its spots in the light, each with its setups. */
export function ShootScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const router = useRouter();
  const actions = useActions();
  const shoot = useAppSelector((state) => selectDocument(state, 'shoot', id));
  const spots = useAppSelector(selectSpots).filter(({ shootId }) => shootId === id);
  if (shoot === undefined) return <NotFoundScreen />;
  const remove = () => {
    router.navigate('/');
    actions.remove(shoot);
  };
  return (
    <Screen
      title={shoot.title}
      place={[formatDay(shoot.date), shoot.place].filter(Boolean).join(' · ')}
      up="/"
      actions={<IconButton icon="trash-can-outline" name={texts.deleteIt(shoot.title)} onPress={remove} />}
    >
      <ScrollView contentContainerStyle={{ padding: 16, gap: 16, maxWidth: 760, width: '100%', alignSelf: 'center' }}>
        <TitleField label={texts.shoot} title={shoot.title} onRename={(title) => actions.rename(shoot, title)} />
        {spots.map((spot) => (
          <SpotCard key={spot.id} spot={spot} />
        ))}
        {spots.length === 0 && <Txt>{texts.noSpotsYetAddOne}</Txt>}
        <ActionButton
          label={texts.addASpot}
          icon="plus"
          kind="primary"
          onPress={() =>
            router.navigate({
              pathname: '/setup/[id]',
              params: { id: actions.addSpot(shoot.id, freshNames(spots.length, 0)) },
            })
          }
        />
        <EditHistory shootId={id} />
      </ScrollView>
    </Screen>
  );
}
