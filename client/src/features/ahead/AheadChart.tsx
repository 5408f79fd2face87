import { texts } from './texts';
import { Txt } from '@/ui/Txt';
import { REGULAR } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { clockAt } from '@/shell/localDay';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Path, Text as SvgText } from 'react-native-svg';

import type { Forecast, ForecastMinute } from '@sphene/core/forecast';
import type { Setup } from '@sphene/core/setup';

const HEIGHT = 168;
const LEFT = 34;
const RIGHT = 92;
const TOP = 8;
const FOOT = 22;
/** Times stand under the chart so often, by its width. */
const EVERY_MINUTES = { wide: 15, narrow: 30 };
const WIDE_PX = 500;
const MOST_BAND_STOPS = 2;
/** Points are told apart by dashes too. */
const DASHES = [undefined, '7 4', '2 4', '10 3 2 3'];

type Level = ForecastMinute['levels'][number];

/** Beyond this a band says only that nothing is known. */
const wideOf = ({ wideStops }: Level): number => Math.min(MOST_BAND_STOPS, wideStops);
const narrowOf = ({ sdStops }: Level): number => Math.min(MOST_BAND_STOPS, sdStops);

/** Where minutes and levels lie on a chart of a width. */
function scaleOf({ minutes }: Forecast, widthPx: number) {
  const all = minutes.flatMap(({ levels }) =>
    levels.flatMap((one) => [one.ev100 - wideOf(one), one.ev100 + wideOf(one)]),
  );
  const [least, most] = [Math.floor(Math.min(...all)), Math.ceil(Math.max(...all))];
  const lastMinute = Math.max(1, minutes.at(-1)?.minute ?? 1);
  const step = most - least > 6 ? 2 : 1;
  const every = widthPx > WIDE_PX ? EVERY_MINUTES.wide : EVERY_MINUTES.narrow;
  return {
    x: (minute: number) => LEFT + (minute / lastMinute) * (widthPx - LEFT - RIGHT),
    y: (ev: number) => TOP + (1 - (ev - least) / Math.max(1, most - least)) * (HEIGHT - TOP - FOOT),
    rows: Array.from({ length: Math.floor((most - least) / step) + 1 }, (_, row) => least + row * step),
    times: minutes.filter(({ minute }) => minute % every === 0),
  };
}
type Scale = ReturnType<typeof scaleOf>;

/** Lines of whole EV and the times under them. */
function Grid({
  scale: { x, y, rows, times },
  widthPx,
  timeZone,
}: {
  scale: Scale;
  widthPx: number;
  timeZone: string;
}) {
  const palette = usePalette();
  const text = { fontSize: 13, fontFamily: REGULAR, fill: palette.quiet };
  return (
    <>
      {rows.map((ev) => (
        <Line
          key={`line ${ev}`}
          x1={LEFT}
          x2={widthPx - RIGHT}
          y1={y(ev)}
          y2={y(ev)}
          stroke={palette.line}
          strokeOpacity={0.4}
        />
      ))}
      {rows.map((ev) => (
        <SvgText key={ev} x={LEFT - 6} y={y(ev) + 4} textAnchor="end" {...text}>
          {ev}
        </SvgText>
      ))}
      {times.map(({ minute, atMs }) => (
        <SvgText key={atMs} x={x(minute)} y={HEIGHT - 4} textAnchor={minute === 0 ? 'start' : 'middle'} {...text}>
          {clockAt(atMs, timeZone)}
        </SvgText>
      ))}
    </>
  );
}

interface OnePoint {
  forecast: Forecast;
  /** its place among the levels of a minute */
  index: number;
  scale: Scale;
}

/** A point's line through the hour, `M…` or a closed band. */
const pathOf = ({ forecast, index, scale: { x, y } }: OnePoint, of: (level: Level) => number): string[] =>
  forecast.minutes.flatMap(({ minute, levels }) => {
    const level = levels[index];
    return level === undefined ? [] : [`${x(minute).toFixed(1)},${y(of(level)).toFixed(1)}`];
  });
const bandOf = (point: OnePoint, half: (level: Level) => number): string => {
  const over = pathOf(point, (level) => level.ev100 + half(level));
  const under = pathOf(point, (level) => level.ev100 - half(level)).reverse();
  return `M${[...over, ...under].join('L')}Z`;
};

/** One point: the wide band, the narrow one, the line. */
function PointLine(point: OnePoint) {
  const palette = usePalette();
  return (
    <>
      <Path d={bandOf(point, wideOf)} fill={palette.ambient} fillOpacity={0.1} />
      <Path d={bandOf(point, narrowOf)} fill={palette.ambient} fillOpacity={0.22} />
      <Path
        d={`M${pathOf(point, ({ ev100 }) => ev100).join('L')}`}
        stroke={palette.ambient}
        strokeWidth={2.2}
        strokeDasharray={DASHES[point.index % DASHES.length]}
        fill="none"
      />
    </>
  );
}

/** The ambient of each point over the next hour with its bands, in a chart and as its text. */
export function AheadChart({ forecast, setup, timeZone }: { forecast: Forecast; setup: Setup; timeZone: string }) {
  const palette = usePalette();
  const [widthPx, setWidthPx] = useState(320);
  const scale = scaleOf(forecast, widthPx);
  const first = forecast.minutes[0]?.levels ?? [];
  const last = forecast.minutes.at(-1)?.levels ?? [];
  const points = first.map((from, index) => {
    const to = last[index] ?? from;
    const name = setup.points.find(({ id }) => id === from.pointId)?.name ?? '';
    return {
      name,
      to,
      said: texts.chartPoint(name, from.ev100.toFixed(1), to.ev100.toFixed(1), to.sdStops.toFixed(1)),
    };
  });
  const ends = spreadOut(points.map(({ to }) => scale.y(to.ev100)));
  return (
    <View onLayout={({ nativeEvent }) => setWidthPx(Math.max(1, nativeEvent.layout.width))} style={{ gap: 4 }}>
      <View role="img" aria-label={texts.chartOf(points.map(({ said }) => said).join('; '))}>
        <Svg width={widthPx} height={HEIGHT} aria-hidden>
          <Grid scale={scale} widthPx={widthPx} timeZone={timeZone} />
          {points.map(({ name }, index) => (
            <PointLine key={name} forecast={forecast} index={index} scale={scale} />
          ))}
          {points.map(({ name }, index) => (
            <SvgText
              key={name}
              x={widthPx - RIGHT + 8}
              y={(ends[index] ?? 0) + 4}
              fontSize={13}
              fontFamily={REGULAR}
              fill={palette.text}
            >
              {name}
            </SvgText>
          ))}
        </Svg>
      </View>
      <Txt size="label" tone="quiet">
        {texts.narrowBand}
      </Txt>
    </View>
  );
}

const NAME_PX = 16;

/** Names beside the ends of lines, pushed apart so that each can be read. */
function spreadOut(places: readonly number[]): number[] {
  const order = places.map((at, index) => ({ at, index })).sort((a, b) => a.at - b.at);
  const out = [...places];
  let least = -Infinity;
  for (const { at, index } of order) {
    const put = Math.max(at, least);
    out[index] = put;
    least = put + NAME_PX;
  }
  return out;
}
