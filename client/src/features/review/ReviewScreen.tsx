import { texts } from './texts';
import { words } from '@/language/words';
import { selectKit } from '@/setupView/selectSolution';
import { NotFoundScreen } from '@/shell/NotFoundScreen';
import { Screen } from '@/shell/Screen';
import { byId, selectChanges, selectDocument, selectFacts, selectFrames, selectSetups } from '@/store/selectors';
import { type RootState, type Store, useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Heading, Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo } from 'react';
import { ScrollView, View } from 'react-native';
import { useStore } from 'react-redux';

import type { Kit } from '@sphene/core/gear';
import { type RecordedSetup, type Review, type ReviewedSetup, reviewShoot, type Suggestion } from '@sphene/core/review';
import type { Setup } from '@sphene/core/setup';

const MOST_PX = 760;

/** Everything on record of a shoot's setups. */
const recordedOf = (state: RootState, shootId: string): RecordedSetup[] =>
  selectSetups(state)
    .filter((setup) => setup.shootId === shootId)
    .map(({ id }) => {
      const setup = selectDocument(state, 'setup', id);
      if (setup === undefined) throw new Error('a listed setup is there');
      return {
        setup,
        kit: selectKit(state, id),
        facts: selectFacts(state, id),
        changes: selectChanges(state, id),
        framesAt: selectFrames(state, id)
          .filter(({ struckAt }) => struckAt === null)
          .map(({ at }) => at),
      };
    });

/** A suggestion in words: what it is about is called as it is elsewhere. */
function sayOf(one: Suggestion, setups: readonly Setup[], kit: Kit) {
  const setup = 'setupId' in one ? setups.find(({ id }) => id === one.setupId) : undefined;
  const light = one.kind === 'say-place' ? setup?.lights.find(({ id }) => id === one.lightId) : undefined;
  const gear =
    one.kind === 'correct-plate'
      ? [...kit.flashUnits, ...kit.modifiers].find(({ id }) => id === one.strayed.id)?.name
      : undefined;
  const way = one.kind === 'have-ready' && setup !== undefined ? words.way(one.way, { setup, kit }).title : '';
  const thing = gear ?? (light === undefined ? '' : words.lightInText(light));
  return words.review.suggestion(one, { setup: setup?.title ?? '', thing, way });
}

function Suggestions({ review, setups, kit }: { review: Review; setups: readonly Setup[]; kit: Kit }) {
  const palette = usePalette();
  return (
    <View style={{ gap: 12 }}>
      <Heading size="value">{texts.suggestions}</Heading>
      {review.suggestions.length === 0 && <Txt>{texts.noSuggestions}</Txt>}
      <View role="list" style={{ gap: 12 }}>
        {review.suggestions.map((one, index) => {
          const { title, evidence } = sayOf(one, setups, kit);
          return (
            <View
              key={one.kind}
              role="listitem"
              style={{ flexDirection: 'row', gap: 16, backgroundColor: palette.raised, padding: 16 }}
            >
              <Txt size="value" bold tone="accent">
                {index + 1}
              </Txt>
              <View style={{ flex: 1 }}>
                <Txt bold>{title}</Txt>
                <Txt>{evidence}</Txt>
              </View>
            </View>
          );
        })}
      </View>
    </View>
  );
}

/** What one setup took, each figure under what it is. */
function rowsOf(one: ReviewedSetup, setup: Setup, kit: Kit): { label: string; value: string }[] {
  const { minutes, plannedMin, pops, staleTests, tests, waysUsed, questioned } = one;
  const fired = pops.flatMap(({ lightId, count }) => {
    const light = setup.lights.find(({ id }) => id === lightId);
    return light === undefined ? [] : [texts.popsOf(words.light(light), count)];
  });
  const ways = waysUsed.map(({ way }) => words.way(way, { setup, kit }).title);
  const asked = questioned.confirmed + questioned.open;
  return [
    ...(minutes === null
      ? []
      : [
          {
            label: texts.time,
            value: plannedMin === null ? texts.minutes(minutes) : texts.ofPlanned(minutes, plannedMin),
          },
        ]),
    ...(fired.length === 0 ? [] : [{ label: texts.pops, value: fired.join(', ') }]),
    ...(tests === 0 ? [] : [{ label: texts.remeters, value: texts.ofTests(staleTests, tests) }]),
    ...(ways.length === 0 ? [] : [{ label: texts.waysOut, value: [...new Set(ways)].join(', ') }]),
    ...(asked === 0 ? [] : [{ label: texts.questioned, value: texts.asked(questioned.confirmed, questioned.open) }]),
  ];
}

function ReviewedCard({ one, setup, kit }: { one: ReviewedSetup; setup: Setup; kit: Kit }) {
  const palette = usePalette();
  const router = useRouter();
  const rows = rowsOf(one, setup, kit);
  return (
    <View style={{ gap: 4, borderTopWidth: 1, borderTopColor: palette.line, paddingTop: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
        <Heading level={3}>{setup.title}</Heading>
        <ActionButton
          kind="plain"
          icon="chevron-right"
          label={texts.openIt}
          name={texts.open(setup.title)}
          onPress={() => router.navigate({ pathname: '/setup/[id]', params: { id: setup.id } })}
        />
      </View>
      {rows.length === 0 && <Txt tone="quiet">{texts.none}</Txt>}
      {rows.map(({ label, value }) => (
        <Txt key={label}>
          <Txt tone="quiet">{label} </Txt>
          {value}
        </Txt>
      ))}
    </View>
  );
}

/** How a shoot went, and three things for the next one. */
export function ReviewScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const store = useStore() as Store;
  const shoot = useAppSelector((state) => selectDocument(state, 'shoot', id));
  const isReady = useAppSelector((state) => state.documents.factsReady);
  const documents = useAppSelector(byId);
  const kit = useAppSelector((state) => selectKit(state));
  const told = useMemo(() => {
    if (!isReady || documents[id] === undefined) return null;
    const recorded = recordedOf(store.getState(), id);
    return { review: reviewShoot(recorded, kit), setups: recorded.map(({ setup }) => setup) };
  }, [store, id, kit, isReady, documents]);
  if (shoot === undefined) return <NotFoundScreen />;
  const begun = told?.review.setups.filter(({ minutes }) => minutes !== null) ?? [];
  return (
    <Screen title={texts.review} place={shoot.title} up={`/shoot/${id}`}>
      <ScrollView
        contentContainerStyle={{ padding: 16, gap: 32, maxWidth: MOST_PX, width: '100%', alignSelf: 'center' }}
      >
        {told !== null && begun.length === 0 && <Txt>{texts.nothing}</Txt>}
        {told !== null && begun.length > 0 && (
          <>
            <Suggestions review={told.review} setups={told.setups} kit={kit} />
            <View style={{ gap: 4 }}>
              <Heading size="value">{texts.gear}</Heading>
              {told.review.strayed.length === 0 && <Txt>{texts.gearAsSaid}</Txt>}
              {told.review.strayed.map(({ id: thingId, stops, sdStops, readings }) => {
                const thing = [...kit.flashUnits, ...kit.modifiers].find((one) => one.id === thingId);
                return <Txt key={thingId}>{words.review.strayed(thing?.name ?? '', stops, sdStops, readings)}</Txt>;
              })}
            </View>
            <View style={{ gap: 12 }}>
              <Heading size="value">{texts.setups}</Heading>
              {begun.map((one) => {
                const setup = told.setups.find((its) => its.id === one.setupId);
                return setup === undefined ? null : <ReviewedCard key={setup.id} one={one} setup={setup} kit={kit} />;
              })}
            </View>
          </>
        )}
      </ScrollView>
    </Screen>
  );
}
