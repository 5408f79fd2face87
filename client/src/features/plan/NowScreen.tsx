import { texts } from './texts';
import { words } from '@/language/words';
import { selectNumbers } from '@/setupView/selectSolution';
import { formatDay } from '@/shell/formatDay';
import { NotFoundScreen } from '@/shell/NotFoundScreen';
import { Screen } from '@/shell/Screen';
import { useNextText } from '@/shell/work';
import { useAppSelector } from '@/store/store';
import { NextBar } from '@/ui/NextBar';
import { Heading, Txt } from '@/ui/Txt';
import { ToggleList } from '@/ui/ToggleList';
import { usePalette } from '@/ui/theme';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';

import { type DayPlan, type PlanLine, useDayPlan } from './useDayPlan';
import { useAwake } from './useAwake';

const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;

/** What hands are on at a moment, and what comes after it. */
function whereAt({ lines }: DayPlan, nowMs: number): { on: PlanLine | undefined; next: PlanLine | undefined } {
  const on = lines.find(({ planned }) => nowMs >= planned.busy.fromMs && nowMs < planned.busy.toMs);
  const next = lines.find((line) => line !== on && line.planned.busy.fromMs > nowMs);
  return { on, next };
}

/** Minutes that are left of a setup: its own, or those of its window where that closes first. */
const minutesLeft = ({ planned: { toMs, window } }: PlanLine, nowMs: number): number =>
  Math.max(0, Math.floor((Math.min(toMs, window?.toMs ?? Infinity) - nowMs) / MINUTE_MS));

/** What is on: how long still, and what is set for it. */
function On({ line, day, nowMs }: { line: PlanLine; day: DayPlan; nowMs: number }) {
  const { setup, spot, planned } = line;
  const numbers = useAppSelector((state) => (state.documents.factsReady ? selectNumbers(state, setup.id) : undefined));
  const begins = nowMs < planned.fromMs;
  const minutes = begins ? Math.ceil((planned.fromMs - nowMs) / MINUTE_MS) : minutesLeft(line, nowMs);
  const camera = numbers?.camera ?? null;
  const powers =
    numbers?.lights.flatMap(({ group, powerText }) => (powerText === null ? [] : [`${group} ${powerText}`])) ?? [];
  return (
    <View role="group" aria-label={texts.isOn} style={{ gap: 4 }}>
      <Txt tone="quiet">
        {[spot?.title, texts.fromTo(day.clock(planned.fromMs), day.clock(planned.toMs))].join(' · ')}
      </Txt>
      <Heading size="value">{setup.title}</Heading>
      <Txt size="figure" bold role="status">
        {begins ? texts.beginsIn(String(minutes)) : texts.minutesLeft(String(minutes))}
      </Txt>
      {camera !== null && (
        <Txt size="figure" bold>
          {`${camera.text.shutter} ${camera.text.aperture} ${camera.text.iso.replace('ISO ', '')}`}
        </Txt>
      )}
      {line.weather !== null && <Txt tone="quiet">{words.weather(line.weather)}</Txt>}
      {powers.length > 0 && (
        <Txt size="figure" bold tone="flash">
          {powers.join('  ')}
        </Txt>
      )}
    </View>
  );
}

/** What comes next, and what must not be missed of all that is to come. */
function Coming({ day, next, nowMs }: { day: DayPlan; next: PlanLine | undefined; nowMs: number }) {
  const palette = usePalette();
  const musts = day.lines.filter(({ setup, planned }) => setup.plan?.must === true && planned.toMs > nowMs);
  return (
    <View style={{ gap: 12, borderTopWidth: 1, borderTopColor: palette.control, paddingTop: 12 }}>
      {next !== undefined && (
        <View role="group" aria-label={texts.next}>
          <Txt tone="quiet">{texts.next}</Txt>
          <Heading size="value">{next.setup.title}</Heading>
          <Txt>
            {[
              texts.setUpFrom(day.clock(next.planned.busy.fromMs)),
              texts.fromTo(day.clock(next.planned.fromMs), day.clock(next.planned.toMs)),
              ...(next.planned.startByMs === null ? [] : [texts.startBy(day.clock(next.planned.startByMs))]),
            ].join(' · ')}
          </Txt>
        </View>
      )}
      {musts.length > 0 && (
        <View role="group" aria-label={texts.must}>
          <Txt tone="quiet">{texts.must}</Txt>
          {musts.map(({ setup, planned }) => (
            <Txt key={setup.id} bold>
              {day.clock(planned.fromMs)} {setup.title}
            </Txt>
          ))}
        </View>
      )}
    </View>
  );
}

/** What the bar says to do at the setup that is on. */
function NextThere({ line }: { line: PlanLine }) {
  const router = useRouter();
  const text = useNextText(line.setup.id);
  return (
    <NextBar
      text={text ?? line.setup.title}
      detail={line.setup.title}
      doing={texts.goThere}
      onPress={() => router.navigate({ pathname: '/setup/[id]', params: { id: line.setup.id } })}
    />
  );
}

/** On the day: what is on, how long the light lasts, what to set, what is next, what must not be missed. */
export function NowScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const day = useDayPlan(id);
  const nowMs = useAppSelector((state) => state.device.clockMs);
  const [wanted, setWanted] = useState(true);
  const awake = useAwake(wanted);
  if (day === null) return <NotFoundScreen />;
  const isToday = nowMs >= day.fromMs && nowMs < day.fromMs + DAY_MS;
  const { on, next } = whereAt(day, nowMs);
  const shown = on ?? next;
  return (
    <Screen title={texts.now} place={`${day.shoot.title} · ${day.clock(nowMs)}`} up={`/plan/${day.shoot.id}`}>
      <ScrollView contentContainerStyle={{ padding: 16, gap: 20, maxWidth: 720, width: '100%', alignSelf: 'center' }}>
        {!isToday && <Txt bold>{texts.notToday(formatDay(day.shoot.date))}</Txt>}
        {day.lines.length === 0 && <Txt>{texts.nothingPlanned}</Txt>}
        {isToday && day.lines.length > 0 && shown === undefined && <Txt bold>{texts.allDone}</Txt>}
        {isToday && on === undefined && next !== undefined && (
          <Txt role="status" size="figure" bold>
            {texts.freeFor(String(Math.floor((next.planned.busy.fromMs - nowMs) / MINUTE_MS)))}
          </Txt>
        )}
        {on !== undefined && <On line={on} day={day} nowMs={nowMs} />}
        <Coming day={day} next={isToday ? next : day.lines[0]} nowMs={isToday ? nowMs : day.fromMs} />
        <ToggleList
          label={texts.theScreen}
          choices={[
            { value: 'awake', label: texts.keepAwake, ...(awake === 'refused' ? { note: texts.notHere } : {}) },
          ]}
          values={wanted ? ['awake'] : []}
          onChange={(values) => setWanted(values.length > 0)}
        />
      </ScrollView>
      {isToday && shown !== undefined && <NextThere line={shown} />}
    </Screen>
  );
}
