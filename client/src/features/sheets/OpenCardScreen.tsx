import { texts } from './texts';
import { formatMoment } from '@/shell/formatMoment';
import { ActionButton } from '@/ui/ActionButton';
import { SheetView } from '@/ui/SheetView';
import { Heading, Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useLocalSearchParams } from 'expo-router';
import Head from 'expo-router/head';
import { ScrollView, View } from 'react-native';

import { useOpenCard } from './useOpenCard';

const MOST_PX = 760;

/** One setup's card on somebody else's device: read-only, as it changes, and as it was last where there is no network. */
export function OpenCardScreen() {
  const { key } = useLocalSearchParams<{ key: string }>();
  const palette = usePalette();
  const { card, state, again } = useOpenCard(key);
  const why = {
    opening: texts.openingCard,
    over: texts.cardOver,
    offline: texts.cardOffline,
    unreadable: texts.cardUnreadable,
    live: texts.live,
  }[state];
  return (
    <View role="main" style={{ flex: 1, backgroundColor: palette.ground }}>
      <Head>
        <title>{card?.open.sheet.title ?? texts.card}</title>
      </Head>
      <ScrollView
        tabIndex={0}
        contentContainerStyle={{ padding: 16, gap: 16, maxWidth: MOST_PX, width: '100%', alignSelf: 'center' }}
      >
        {card === null ? (
          <>
            <Heading level={1}>{texts.card}</Heading>
            <Txt role={state === 'opening' ? 'status' : 'alert'}>{why}</Txt>
            {state !== 'opening' && state !== 'over' && (
              <ActionButton kind="primary" label={texts.tryAgain} onPress={again} />
            )}
          </>
        ) : (
          <>
            <View>
              <Heading level={1} size="value">
                {card.open.sheet.title}
              </Heading>
              <Txt size="label" tone="quiet">
                {card.open.sheet.under}
              </Txt>
              <Txt size="label" tone="quiet" role="status">
                {state === 'live' ? texts.live : texts.kept(formatMoment(new Date(card.keptMs).toISOString()))} ·{' '}
                {texts.openUntil(formatMoment(card.open.expiresAt))}
              </Txt>
            </View>
            <SheetView sheet={card.open.sheet} />
          </>
        )}
      </ScrollView>
    </View>
  );
}
