import { texts } from './texts';
import { MarkedSlider, type SliderMark } from './MarkedSlider';
import type { Palette } from './palette';
import { Txt } from './Txt';
import { usePalette } from './theme';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Polyline, Rect } from 'react-native-svg';

import type { ReachSpan, SunDay, SunLight, SunReach, SunSpan } from '@sphene/core/sky';

const HOUR_MS = 3_600_000;
const CHART_PX = 72;
/** A slider's handle keeps this free at both ends of its track, and its keys stand beside that. */
const INSET_PX = 72;
/** What the chart shows of the sun's height, degrees. */
const SHOWN_DEG = { least: -20, most: 70 };
const BAR_PX = 14;

/** When the sun reaches somebody or something over the day. */
export interface ReachBar {
  name: string;
  spans: readonly ReachSpan[];
}

/** How each light is filled, the day always lightest; blue is the ambient's colour and golden the flash's. */
const inkOf = (palette: Palette): Record<SunLight, { color: string; opacity: number }> => ({
  day: { color: palette.text, opacity: palette.isDark ? 0.4 : 0.06 },
  golden: { color: palette.flash, opacity: 0.55 },
  blue: { color: palette.ambient, opacity: 0.75 },
  'late-blue': { color: palette.ambient, opacity: 0.4 },
  twilight: { color: palette.text, opacity: palette.isDark ? 0.14 : 0.3 },
  night: { color: palette.text, opacity: palette.isDark ? 0.06 : 0.55 },
});

/** The sun's height over the day, over the lights of the day. */
function HeightChart({ day, atMs, widthPx }: { day: SunDay; atMs: number; widthPx: number }) {
  const palette = usePalette();
  const ink = inkOf(palette);
  const x = (ms: number) => ((ms - day.fromMs) / (day.toMs - day.fromMs)) * widthPx;
  const { least, most } = SHOWN_DEG;
  const y = (deg: number) => CHART_PX * (1 - (Math.min(most, Math.max(least, deg)) - least) / (most - least));
  return (
    <Svg width={widthPx} height={CHART_PX} aria-hidden>
      {day.spans.map(({ light, fromMs, toMs }) => (
        <Rect
          key={fromMs}
          x={x(fromMs)}
          y={0}
          width={Math.max(0, x(toMs) - x(fromMs))}
          height={CHART_PX}
          fill={ink[light].color}
          fillOpacity={ink[light].opacity}
        />
      ))}
      <Line x1={0} x2={widthPx} y1={y(0)} y2={y(0)} stroke={palette.text} strokeWidth={1} strokeDasharray="2 4" />
      <Polyline
        points={day.heights
          .map(({ atMs: ms, altitudeDeg }) => `${x(ms).toFixed(1)},${y(altitudeDeg).toFixed(1)}`)
          .join(' ')}
        fill="none"
        stroke={palette.text}
        strokeWidth={2}
      />
      <Line x1={x(atMs)} x2={x(atMs)} y1={0} y2={CHART_PX} stroke={palette.accent} strokeWidth={3} />
    </Svg>
  );
}

/** The lights worth waiting for, in words: `Golden 06:41 to 07:58 and 17:02 to 18:19`; or that there is none that day. */
function windowsSaid({ spans, risesMs, setsMs }: SunDay, clock: (ms: number) => string): string[] {
  const times = (light: SunLight) =>
    spans.filter((span) => span.light === light).map(({ fromMs, toMs }) => texts.fromTo(clock(fromMs), clock(toMs)));
  const line = (name: string, light: SunLight) => {
    const found = times(light);
    return found.length === 0 ? texts.noneThatDay(name) : texts.windowAt(name, found);
  };
  return [
    risesMs.length + setsMs.length === 0
      ? spans.some(({ light }) => light === 'day')
        ? texts.sunNeverSets
        : texts.sunNeverRises
      : texts.sunRisesAndSets(risesMs.map(clock), setsMs.map(clock)),
    line(texts.golden, 'golden'),
    line(texts.blueLight, 'blue'),
  ];
}

/** How the sun reaches: full, through leaves, not. */
const REACHED: Record<SunReach, number> = { sun: 1, leaves: 0.5, hidden: 0.18, down: 0 };

/** A strip of the day, full where the sun reaches; the chart's words say the same. */
function ReachStrip({ bar: { name, spans }, day, widthPx }: { bar: ReachBar; day: SunDay; widthPx: number }) {
  const palette = usePalette();
  const x = (ms: number) => ((ms - day.fromMs) / (day.toMs - day.fromMs)) * widthPx;
  return (
    <View style={{ paddingTop: 4 }}>
      <Txt size="label">{name}</Txt>
      <Svg width={widthPx} height={BAR_PX} aria-hidden>
        {spans.map(({ reach, fromMs, toMs }) => (
          <Rect
            key={fromMs}
            x={x(fromMs)}
            y={reach === 'sun' ? 1 : BAR_PX / 2 - 2}
            width={Math.max(0, x(toMs) - x(fromMs))}
            height={reach === 'sun' ? BAR_PX - 2 : 4}
            fill={palette.flash}
            fillOpacity={REACHED[reach]}
          />
        ))}
      </Svg>
    </View>
  );
}

/** The beginnings of the evening's windows, each one tap away. */
const marksOf = ({ spans, setsMs, fromMs }: SunDay, clock: (ms: number) => string): SliderMark[] => {
  const noon = fromMs + 12 * HOUR_MS;
  const evening = (light: SunLight): SunSpan | undefined =>
    spans.find((span) => span.light === light && span.fromMs > noon);
  const places: [string, number | undefined][] = [
    [texts.golden, evening('golden')?.fromMs],
    [texts.sunset, setsMs.find((ms) => ms > noon)],
    [texts.blueLight, evening('blue')?.fromMs],
    [texts.lateBlue, evening('late-blue')?.fromMs],
  ];
  return places.flatMap(([name, ms]): SliderMark[] =>
    ms === undefined
      ? []
      : [{ value: (ms - fromMs) / HOUR_MS, name, note: clock(ms), words: texts.theDayTo(clock(ms)) }],
  );
};

interface DayLineProps {
  day: SunDay;
  /** a moment as the place's clock shows it */
  clock: (ms: number) => string;
  atMs: number;
  bars?: readonly ReachBar[];
  onDraft?: (atMs: number) => void;
  onTime: (atMs: number) => void;
}

/** The day on one line: its windows in words, the sun's height, when it reaches, and the moment that is looked at. */
export function DayLine({ day, clock, atMs, bars = [], onDraft, onTime }: DayLineProps) {
  const [widthPx, setWidthPx] = useState(300);
  const momentAt = (hours: number) => Math.round(day.fromMs + hours * HOUR_MS);
  const now = day.spans.find(({ fromMs, toMs }) => atMs >= fromMs && atMs < toMs)?.light ?? 'night';
  return (
    <View role="group" aria-label={texts.theDay} style={{ gap: 8 }}>
      {windowsSaid(day, clock).map((line) => (
        <Txt key={line} size="label">
          {line}
        </Txt>
      ))}
      <View
        style={{ paddingLeft: INSET_PX }}
        onLayout={({ nativeEvent }) => setWidthPx(Math.max(1, nativeEvent.layout.width - 2 * INSET_PX))}
      >
        <HeightChart day={day} atMs={atMs} widthPx={widthPx} />
        {bars.map((bar) => (
          <ReachStrip key={bar.name} bar={bar} day={day} widthPx={widthPx} />
        ))}
      </View>
      <MarkedSlider
        label={texts.timeOfTheDay}
        value={(atMs - day.fromMs) / HOUR_MS}
        range={{ least: 0, most: (day.toMs - day.fromMs) / HOUR_MS - 0.1 }}
        marks={marksOf(day, clock)}
        said={texts.momentSaid(clock(atMs), texts.sunLights[now])}
        less={texts.earlier}
        more={texts.later}
        track={() => null}
        onDraft={(hours) => onDraft?.(momentAt(hours))}
        onChange={(hours) => onTime(momentAt(hours))}
      />
    </View>
  );
}
