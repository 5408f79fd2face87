import { texts } from './texts';
import { words } from '@/language/words';
import { selectGear, selectSetups } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { DayLine } from '@/ui/DayLine';
import { useVisits } from '@/setupView/useVisits';
import { Heading, Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';

import { type Shoot, type Spot, weatherAt } from '@sphene/core/documents';
import { foretoldSetup } from '@sphene/core/forecast';
import { type ShadeEdge, sunInFrame } from '@sphene/core/plan';
import type { MoonDay } from '@sphene/core/sky';
import { useSpotDay } from './useSpot';

const MINUTE_MS = 60_000;

/** When one shade begins or ends, and how long it is safe before. */
function edgeLine(edge: ShadeEdge, clock: (ms: number) => string, inRoom: boolean): string {
  if (inRoom) return texts.edgeAt(clock(edge.atMs), edge.comes ? texts.sunComesIn : texts.sunGoesOut);
  const safe = edge.safeMs === null ? texts.never : texts.safeUntil(clock(edge.safeMs));
  const seated = edge.seatedMs === null ? [] : [texts.seated(clock(edge.seatedMs))];
  return [texts.edgeAt(clock(edge.atMs), words.shadeEdge(edge)), ...seated, safe].join(', ');
}

/** What each setup here would want at a moment, on the light that is foretold for it. */
function SetupsThen({ spot, atMs }: { spot: Spot; atMs: number }) {
  const kit = useAppSelector(selectGear);
  const setups = useAppSelector(selectSetups).filter(({ spotId }) => spotId === spot.id);
  // a slider that is dragged asks many times: by the minute is enough
  const minuteMs = Math.round(atMs / MINUTE_MS) * MINUTE_MS;
  const visits = useVisits(spot.id);
  const lines = setups.flatMap((setup) => {
    const foretold = foretoldSetup(setup, kit, spot, new Date(minuteMs), visits);
    return foretold === null ? [] : [{ setup, text: words.foretoldSetup(foretold) }];
  });
  return lines.map(({ setup, text }) => (
    <Txt key={setup.id} size="label">
      <Txt size="label" bold>
        {setup.title}.
      </Txt>{' '}
      {text}.
    </Txt>
  ));
}

/** The moon of the day in a line. */
function moonLine({ risesMs, setsMs, litShare }: MoonDay, clock: (ms: number) => string): string {
  const times = [...risesMs.map((ms) => texts.moonUp(clock(ms))), ...setsMs.map((ms) => texts.moonDown(clock(ms)))];
  return texts.moon(times.join(', '), String(Math.round(litShare * 100)));
}

/** The day at a spot: when the sun comes and goes for people and for what is behind them, and where it stands to the frame. */
export function SpotDay({ spot, shoot }: { spot: Spot; shoot: Shoot }) {
  const day = useSpotDay(spot, shoot);
  const [chosenMs, setChosenMs] = useState<number | null>(null);
  if (day === null) return <Txt tone="quiet">{texts.noPlaceYet}</Txt>;
  const { sun, moon, edges: allEdges, clock } = day;
  const inRoom = spot.light === 'indoors';
  const isDark = inRoom && spot.windowsFaceDeg === null;
  const edges = isDark ? [] : allEdges.filter(({ of }) => !inRoom || of === 'people');
  const atMs = chosenMs ?? (sun.day.fromMs + sun.day.toMs) / 2;
  const at = sun.track.at(atMs);
  const weather = weatherAt(spot.weather, atMs);
  const inFrame = spot.looksDeg === null ? null : sunInFrame(at, spot.looksDeg);
  const bars = isDark
    ? []
    : [
        { name: inRoom ? texts.windows : texts.people, spans: sun.standing },
        ...(sun.background === null || inRoom ? [] : [{ name: texts.background, spans: sun.background }]),
      ];
  return (
    <View style={{ gap: 8 }}>
      <Heading size="value">{texts.theDayHere}</Heading>
      <DayLine day={sun.day} clock={clock} atMs={atMs} bars={bars} onDraft={setChosenMs} onTime={setChosenMs} />
      <Txt role="status">
        {at.altitudeDeg < 0
          ? texts.sunDown
          : `${clock(atMs)}: ${texts.sunHeight(at.altitudeDeg.toFixed(0))}${inFrame === null ? '' : ` ${words.sunInFrame(inFrame)}`}`}
      </Txt>
      {weather !== null && <Txt>{words.weather(weather)}.</Txt>}
      <SetupsThen spot={spot} atMs={atMs} />
      <Txt size="label" tone="quiet">
        {moonLine(moon, clock)}
      </Txt>
      <View role="list" aria-label={texts.lightCard} style={{ gap: 4 }}>
        {edges.map((edge) => (
          <View role="listitem" key={`${edge.of} ${edge.atMs}`}>
            <Txt>{edgeLine(edge, clock, inRoom)}.</Txt>
          </View>
        ))}
      </View>
      {edges.length === 0 && <Txt tone="quiet">{isDark ? texts.sayWindows : texts.noEdges}</Txt>}
    </View>
  );
}
