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
import { NextBar } from '@/ui/NextBar';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { ScrollView, useWindowDimensions, View } from 'react-native';

import type { Spot } from '@sphene/core/documents';
import type { Setup } from '@sphene/core/setup';
import { NotFoundScreen } from '@/shell/NotFoundScreen';
import { SetupCard } from './SetupCard';
import { formatDay } from '@/shell/formatDay';

/** How wide a setup is shown at most; two stand side by side on a phone. */
const CARD_PX = 236;
const EDGE_PX = 16;
const GAP_PX = 16;
const MOST_PX = 1240;

/** How wide each card is, so that whole cards fill the row. */
function useCardPx(): number {
  const { width } = useWindowDimensions();
  const row = Math.min(width, MOST_PX) - 2 * EDGE_PX;
  const columns = Math.max(2, Math.floor((row + GAP_PX) / (CARD_PX + GAP_PX)));
  return Math.floor((row - (columns - 1) * GAP_PX) / columns);
}

/** Where a setup stands among those of its spot. */
function Order({ setup, index, last }: { setup: Setup; index: number; last: number }) {
  const actions = useActions();
  if (last === 0) return null;
  return (
    <View style={{ flexDirection: 'row' }}>
      <IconButton
        icon="chevron-left"
        name={texts.earlier(setup.title)}
        disabled={index === 0}
        onPress={() => actions.moveSetup(setup, -1)}
      />
      <IconButton
        icon="chevron-right"
        name={texts.later(setup.title)}
        disabled={index === last}
        onPress={() => actions.moveSetup(setup, 1)}
      />
    </View>
  );
}

/** A spot with its setups side by side: pictures, settings and powers of an evening at a glance. */
function SpotCard({ spot }: { spot: Spot }) {
  const actions = useActions();
  const router = useRouter();
  const cardPx = useCardPx();
  const setups = useAppSelector(selectSetups).filter(({ spotId }) => spotId === spot.id);
  const addSetup = () =>
    router.navigate({
      pathname: '/setup/[id]',
      params: { id: actions.addSetup(spot, freshNames(0, setups.length)) },
    });
  return (
    <View role="article" aria-label={spot.title} style={{ gap: 8, maxWidth: '100%' }}>
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <TitleField label={texts.spot} title={spot.title} onRename={(title) => actions.rename(spot, title)} />
        <IconButton icon="trash-can-outline" name={texts.deleteIt(spot.title)} onPress={() => actions.remove(spot)} />
      </View>
      <View style={{ alignItems: 'flex-start' }}>
        <ActionButton
          kind="plain"
          label={spot.place === null ? texts.placeAndLight : texts.lightHere}
          name={texts.placeAndLightOf(spot.title)}
          icon="chevron-right"
          onPress={() => router.navigate({ pathname: '/spot/[id]', params: { id: spot.id } })}
        />
        <ActionButton
          kind="plain"
          label={texts.addASetup}
          name={texts.addASetupAt(spot.title)}
          icon="plus"
          onPress={addSetup}
        />
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: GAP_PX }}>
        {setups.map((setup, index) => (
          <View key={setup.id}>
            <SetupCard setup={setup} widthPx={cardPx} />
            <Order setup={setup} index={index} last={setups.length - 1} />
          </View>
        ))}
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
  const addSpot = () =>
    router.navigate({
      pathname: '/setup/[id]',
      params: { id: actions.addSpot(shoot.id, freshNames(spots.length, 0)) },
    });
  return (
    <Screen
      title={shoot.title}
      place={[formatDay(shoot.date), shoot.place].filter(Boolean).join(' · ')}
      up="/"
      actions={<IconButton icon="trash-can-outline" name={texts.deleteIt(shoot.title)} onPress={remove} />}
    >
      <ScrollView
        contentContainerStyle={{ padding: EDGE_PX, gap: 32, maxWidth: MOST_PX, width: '100%', alignSelf: 'center' }}
      >
        <TitleField label={texts.shoot} title={shoot.title} onRename={(title) => actions.rename(shoot, title)} />
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: 8 }}>
          <ActionButton
            label={texts.planTheDay}
            icon="chevron-right"
            onPress={() => router.navigate({ pathname: '/plan/[id]', params: { id } })}
          />
          <ActionButton
            label={texts.theLog}
            kind="plain"
            icon="chevron-right"
            onPress={() => router.navigate({ pathname: '/log/[id]', params: { id } })}
          />
          <ActionButton
            label={texts.packing}
            kind="plain"
            icon="chevron-right"
            onPress={() => router.navigate({ pathname: '/packing/[id]', params: { id } })}
          />
          <ActionButton
            label={texts.sheets}
            kind="plain"
            icon="chevron-right"
            onPress={() => router.navigate({ pathname: '/handouts/[id]', params: { id } })}
          />
          <ActionButton
            label={texts.review}
            kind="plain"
            icon="chevron-right"
            onPress={() => router.navigate({ pathname: '/review/[id]', params: { id } })}
          />
        </View>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: GAP_PX, rowGap: 32 }}>
          {spots.map((spot) => (
            <SpotCard key={spot.id} spot={spot} />
          ))}
        </View>
        {spots.length === 0 && <Txt>{texts.noSpotsYetAddOne}</Txt>}
        <EditHistory shootId={id} />
      </ScrollView>
      <NextBar text={texts.addASpot} detail={texts.addASpotWhy} doing={texts.begin} onPress={addSpot} />
    </Screen>
  );
}
