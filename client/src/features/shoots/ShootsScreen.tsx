import { texts } from './texts';
import { useActions } from '@/store/application';
import { selectLastSetup, selectSetups, selectShoots, selectSpots } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { DeletedList } from '@/shell/DeletedList';
import { Screen } from '@/shell/Screen';
import { UpdateOffer } from '@/shell/UpdateOffer';
import { OUR_NAME } from '@/shell/texts';
import { useWork } from '@/shell/work';
import { Heading, Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { NextBar } from '@/ui/NextBar';
import { TOUCH } from '@/ui/palette';
import { useRouter } from 'expo-router';
import { Pressable, ScrollView, View } from 'react-native';

import type { Shoot } from '@sphene/core/documents';
import type { Setup } from '@sphene/core/setup';
import { ImportButton } from './ImportButton';
import { SetupRow } from './SetupRow';
import { dayTitle, formatDay, todayHere } from '@/shell/formatDay';
import { freshNames } from './freshNames';

const EDGE_PX = 16;
/** How wide the picture of the setup that one was at is. */
const FACE_PX = { phone: 148, wide: 260 } as const;

/** One shoot: its day and place, and its setups one tap away. */
function ShootCard({ shoot }: { shoot: Shoot }) {
  const router = useRouter();
  const spots = useAppSelector(selectSpots).filter(({ shootId }) => shootId === shoot.id);
  const setups = useAppSelector(selectSetups).filter(({ shootId }) => shootId === shoot.id);
  return (
    <View role="article" aria-label={shoot.title} style={{ gap: 4 }}>
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

/** Where one was: its picture and what is dialled there, once what works out light is here. */
function GoOn({ last, widthPx }: { last: Setup; widthPx: number }) {
  const router = useRouter();
  const { work } = useWork();
  const spot = useAppSelector(selectSpots).find(({ id }) => id === last.spotId);
  const where = [last.title, spot?.title].filter(Boolean).join(', ');
  return (
    <Pressable
      role="button"
      aria-label={texts.goOnAt(where)}
      onPress={() => router.navigate({ pathname: '/setup/[id]', params: { id: last.id } })}
      style={({ pressed }) => ({ opacity: pressed ? 0.7 : 1, gap: 4, minHeight: TOUCH })}
    >
      <Heading>{texts.goOn}</Heading>
      {work === null ? (
        <Txt>{where}</Txt>
      ) : (
        <work.SetupFace
          setup={last}
          widthPx={widthPx}
          across
          {...(spot === undefined ? null : { spotTitle: spot.title })}
        />
      )}
    </Pressable>
  );
}

/** One tap to a reading: a setup of today, with the kit and the meter's settings of last time. */
function useMeterNow() {
  const actions = useActions();
  const router = useRouter();
  return () => {
    const today = todayHere();
    const id = actions.meterAtOnce(today, dayTitle(today.date), (setups) => freshNames(0, setups));
    router.navigate({ pathname: '/setup/[id]', params: { id } });
  };
}

/** The shoots of this account, the newest day first, their setups one tap away. */
export function ShootsScreen() {
  const router = useRouter();
  const wide = useWide();
  const meterNow = useMeterNow();
  const last = useAppSelector(selectLastSetup);
  const shoots = useAppSelector(selectShoots);
  const ready = useAppSelector((state) => state.documents.ready && state.device.sync !== 'starting');
  return (
    <Screen
      title={OUR_NAME}
      place={texts.flashInBalanceWithThe}
      actions={
        <>
          <IconButton icon="magnify" name={texts.search} onPress={() => router.navigate('/search')} />
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
      <ScrollView
        contentContainerStyle={{ padding: EDGE_PX, gap: 24, maxWidth: 760, width: '100%', alignSelf: 'center' }}
      >
        <UpdateOffer />
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
          <ActionButton label={texts.newShoot} icon="plus" onPress={() => router.navigate('/new-shoot')} />
          <ImportButton />
        </View>
        {ready && last !== undefined && <GoOn last={last} widthPx={wide ? FACE_PX.wide : FACE_PX.phone} />}
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
      {ready && <NextBar text={texts.meterNow} detail={texts.meterNowWhy} doing={texts.begin} onPress={meterNow} />}
    </Screen>
  );
}
