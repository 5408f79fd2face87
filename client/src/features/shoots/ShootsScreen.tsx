import { texts } from './texts';
import { useActions } from '@/store/application';
import { selectLastSetup, selectSetups, selectShoots, selectSpots } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { DeletedList } from '@/shell/DeletedList';
import { Screen } from '@/shell/Screen';
import { UpdateOffer } from '@/shell/UpdateOffer';
import { OUR_NAME } from '@/shell/texts';
import { Heading, Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useRouter } from 'expo-router';
import { ScrollView, View } from 'react-native';

import type { Shoot } from '@sphene/core/documents';
import { ImportButton } from './ImportButton';
import { SetupRow } from './SetupRow';
import { dayTitle, formatDay, todayHere } from './formatDay';
import { freshNames } from './freshNames';

function ShootCard({ shoot }: { shoot: Shoot }) {
  const palette = usePalette();
  const router = useRouter();
  const spots = useAppSelector(selectSpots).filter(({ shootId }) => shootId === shoot.id);
  const setups = useAppSelector(selectSetups).filter(({ shootId }) => shootId === shoot.id);
  return (
    <View
      role="article"
      aria-label={shoot.title}
      style={{
        gap: 8,
        padding: 16,
        backgroundColor: palette.raised,
        borderLeftWidth: 3,
        borderLeftColor: palette.accent,
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Heading size="value">{shoot.title}</Heading>
          <Txt tone="quiet">{[formatDay(shoot.date), shoot.place].filter(Boolean).join(' · ')}</Txt>
        </View>
        <IconButton
          icon="chevron-right"
          name={texts.open(shoot.title)}
          onPress={() => router.navigate({ pathname: '/shoot/[id]', params: { id: shoot.id } })}
        />
      </View>
      {spots.map((spot) =>
        setups
          .filter(({ spotId }) => spotId === spot.id)
          .map((setup) => <SetupRow key={setup.id} setup={setup} spotTitle={spot.title} />),
      )}
      {spots.length === 0 && <Txt tone="quiet">{texts.noSpotsYetOpenThe}</Txt>}
    </View>
  );
}

/** One tap to a reading, and the way back to where one was. */
function StartAtOnce() {
  const actions = useActions();
  const router = useRouter();
  const last = useAppSelector(selectLastSetup);
  const spot = useAppSelector(selectSpots).find(({ id }) => id === last?.spotId);
  const meter = () => {
    const today = todayHere();
    const id = actions.meterAtOnce(today, dayTitle(today.date), (setups) => freshNames(0, setups));
    router.navigate({ pathname: '/setup/[id]', params: { id } });
  };
  return (
    <View style={{ gap: 12 }}>
      <ActionButton label={texts.meterNow} kind="primary" onPress={meter} />
      <Txt size="label" tone="quiet">
        {texts.meterNowWhy}
      </Txt>
      {last !== undefined && (
        <ActionButton
          label={texts.goOnAt([last.title, spot?.title].filter(Boolean).join(', '))}
          onPress={() => router.navigate({ pathname: '/setup/[id]', params: { id: last.id } })}
        />
      )}
    </View>
  );
}

/** The shoots of this account, the newest day first, their setups one tap away. */
export function ShootsScreen() {
  const router = useRouter();
  const shoots = useAppSelector(selectShoots);
  const ready = useAppSelector((state) => state.documents.ready && state.device.sync !== 'starting');
  return (
    <Screen
      title={OUR_NAME}
      place={texts.flashInBalanceWithThe}
      actions={
        <>
          <IconButton
            icon="calculator-variant-outline"
            name={texts.stopArithmetic}
            onPress={() => router.navigate('/stops')}
          />
          <IconButton icon="lightbulb-outline" name={texts.kit} onPress={() => router.navigate('/kit')} />
          <IconButton icon="cog-outline" name={texts.settings} onPress={() => router.navigate('/settings')} />
        </>
      }
    >
      <ScrollView contentContainerStyle={{ padding: 16, gap: 16, maxWidth: 760, width: '100%', alignSelf: 'center' }}>
        <UpdateOffer />
        {ready && <StartAtOnce />}
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
          <ActionButton label={texts.newShoot} icon="plus" onPress={() => router.navigate('/new-shoot')} />
          <ImportButton />
        </View>
        {shoots.map((shoot) => (
          <ShootCard key={shoot.id} shoot={shoot} />
        ))}
        {shoots.length === 0 &&
          (ready ? (
            <Txt>{texts.noShootsYetMakeOne}</Txt>
          ) : (
            <Txt tone="quiet" role="status">
              {texts.lookingForYourShoots}
            </Txt>
          ))}
        <DeletedList />
      </ScrollView>
    </Screen>
  );
}
