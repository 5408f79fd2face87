import { texts } from './texts';
import { formatDay } from '@/shell/formatDay';
import { NotFoundScreen } from '@/shell/NotFoundScreen';
import { Screen } from '@/shell/Screen';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { DayLine } from '@/ui/DayLine';
import { Heading, Txt } from '@/ui/Txt';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';

import { PLAIN_PLAN } from '@sphene/core/setup';
import { FilesPart } from './FilesPart';
import { LatePart } from './LatePart';
import { PlanCard } from './PlanCard';
import { type DayPlan, useDayPlan } from './useDayPlan';

const MOST_PX = 720;

/** The sun of the day at the first spot that has a place: one town has one sun. */
function TheSun({ day }: { day: DayPlan }) {
  const [chosenMs, setChosenMs] = useState<number | null>(null);
  const spot = day.spots.find(({ id }) => day.sunOf.has(id));
  const sun = spot === undefined ? undefined : day.sunOf.get(spot.id);
  if (spot === undefined || sun === undefined) return <Txt tone="quiet">{texts.noPlaces}</Txt>;
  const bars = day.spots.flatMap(({ id, title, light }) => {
    const there = day.sunOf.get(id);
    return there === undefined || light === 'indoors' ? [] : [{ name: title, spans: there.standing }];
  });
  const first = day.lines[0]?.planned.fromMs;
  const atMs = chosenMs ?? first ?? (sun.day.fromMs + sun.day.toMs) / 2;
  return <DayLine day={sun.day} clock={day.clock} atMs={atMs} bars={bars} onDraft={setChosenMs} onTime={setChosenMs} />;
}

/** Setups that are in no plan, one tap from it. */
function NotPlanned({ day }: { day: DayPlan }) {
  if (day.others.length === 0) return null;
  return (
    <View role="group" aria-label={texts.notPlanned} style={{ gap: 8 }}>
      <Heading>{texts.notPlanned}</Heading>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {day.others.map((setup) => (
          <ActionButton
            key={setup.id}
            icon="plus"
            label={setup.title}
            name={texts.intoPlan(setup.title)}
            onPress={() => day.change(setup, PLAIN_PLAN)}
          />
        ))}
      </View>
    </View>
  );
}

/** The plan of a shoot's day: setups at their times against the sun, what fits, and what to leave out when late. */
export function PlanScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const router = useRouter();
  const day = useDayPlan(id);
  if (day === null) return <NotFoundScreen />;
  const date = formatDay(day.shoot.date);
  const isEmpty = day.lines.length + day.others.length === 0;
  return (
    <Screen
      title={texts.planOfTheDay}
      place={[day.shoot.title, date].join(' · ')}
      up={`/shoot/${day.shoot.id}`}
      actions={<IconButton icon="undo" name={texts.undo} disabled={day.undo === null} onPress={() => day.undo?.()} />}
    >
      <ScrollView
        contentContainerStyle={{ padding: 16, gap: 24, maxWidth: MOST_PX, width: '100%', alignSelf: 'center' }}
        keyboardShouldPersistTaps="handled"
      >
        <TheSun day={day} />
        {day.lines.length > 0 && (
          <View style={{ alignItems: 'flex-start' }}>
            <ActionButton
              label={texts.openNow}
              icon="chevron-right"
              onPress={() => router.navigate({ pathname: '/now/[id]', params: { id } })}
            />
          </View>
        )}
        {isEmpty && <Txt>{texts.noSetups}</Txt>}
        {!isEmpty && day.lines.length === 0 && <Txt>{texts.nothingPlanned}</Txt>}
        {day.lines.map((line) => (
          <PlanCard key={line.setup.id} line={line} day={day} />
        ))}
        <NotPlanned day={day} />
        {day.lines.length > 0 && <LatePart day={day} />}
        <FilesPart day={day} date={date} />
      </ScrollView>
    </Screen>
  );
}
