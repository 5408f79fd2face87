import { texts } from './texts';
import { words } from '@/language/words';
import { DayLine } from '@/ui/DayLine';
import { Heading, Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';

import type { Shoot, Spot } from '@sphene/core/documents';
import { type ShadeEdge, sunInFrame } from '@sphene/core/plan';
import { useSpotDay } from './useSpot';

/** When one shade begins or ends, and how long it is safe before. */
function edgeLine(edge: ShadeEdge, clock: (ms: number) => string): string {
  const safe = edge.safeMs === null ? texts.never : texts.safeUntil(clock(edge.safeMs));
  const seated = edge.seatedMs === null ? [] : [texts.seated(clock(edge.seatedMs))];
  return [texts.edgeAt(clock(edge.atMs), words.shadeEdge(edge)), ...seated, safe].join(', ');
}

/** The day at a spot: when the sun comes and goes for people and for what is behind them, and where it stands to the frame. */
export function SpotDay({ spot, shoot }: { spot: Spot; shoot: Shoot }) {
  const day = useSpotDay(spot, shoot);
  const [chosenMs, setChosenMs] = useState<number | null>(null);
  if (day === null) return <Txt tone="quiet">{texts.noPlaceYet}</Txt>;
  const { sun, edges, clock } = day;
  const atMs = chosenMs ?? (sun.day.fromMs + sun.day.toMs) / 2;
  const at = sun.track.at(atMs);
  const inFrame = spot.looksDeg === null ? null : sunInFrame(at, spot.looksDeg);
  const bars = [
    { name: texts.people, spans: sun.standing },
    ...(sun.background === null ? [] : [{ name: texts.background, spans: sun.background }]),
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
      <View role="list" aria-label={texts.lightCard} style={{ gap: 4 }}>
        {edges.map((edge) => (
          <View role="listitem" key={`${edge.of} ${edge.atMs}`}>
            <Txt>{edgeLine(edge, clock)}.</Txt>
          </View>
        ))}
      </View>
      {edges.length === 0 && <Txt tone="quiet">{texts.noEdges}</Txt>}
    </View>
  );
}
