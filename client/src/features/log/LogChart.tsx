import { texts } from './texts';
import { words } from '@/language/words';
import { clockAt } from '@/shell/localDay';
import { byId, ofType, selectDocument } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { REGULAR } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { Txt } from '@/ui/Txt';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Polyline, Rect, Text as SvgText } from 'react-native-svg';

import { recordLines, type RecordLines, type RecordSeries } from '@sphene/core/explain';
import { formatAperture, formatIso, formatShutter } from '@sphene/core/notation';
import type { Setup } from '@sphene/core/setup';

const HEIGHT = 150;
const [LEFT, RIGHT, TOP, FOOT] = [44, 12, 10, 22];
const DOT_PX = 4;
/** Kinds of points are told apart by dashes too. */
const DASHES = [undefined, '7 4', '2 4', '10 3 2 3'];
/** And by marks, where one reading makes no line. */
const MARKS = ['●', '○', '◆', '◇', '▲', '△'] as const;
const markOf = (index: number): string => MARKS[index % MARKS.length] ?? '●';

type Row = RecordSeries['rows'][number];
type Used = RecordLines['settings'];

interface ChartProps {
  title: string;
  series: readonly RecordSeries[];
  used: Used;
  color: string;
  axis: (value: number) => string;
  fromMs: number;
  toMs: number;
  zone: string;
}

/** A line of a whole value with its figure. */
function Rung({ text, y, widthPx }: { text: string; y: number; widthPx: number }) {
  const palette = usePalette();
  return (
    <>
      <Line x1={LEFT} x2={widthPx - RIGHT} y1={y} y2={y} stroke={palette.line} strokeOpacity={0.4} />
      <SvgText x={LEFT - 6} y={y + 4} textAnchor="end" fontSize={13} fontFamily={REGULAR} fill={palette.quiet}>
        {text}
      </SvgText>
    </>
  );
}

/** Rows of one setup after the other: between two places there is no line. */
function bySetup(rows: readonly Row[]): [string, Row[]][] {
  const found = new Map<string, Row[]>();
  for (const row of rows) found.set(row.setupId, [...(found.get(row.setupId) ?? []), row]);
  return [...found];
}

/** Values over time: a line for each kind of point and setup, squares for the settings that were used. */
function Lines({ title, series, used, color, axis, fromMs, toMs, zone }: ChartProps) {
  const palette = usePalette();
  const [widthPx, setWidthPx] = useState(340);
  const all: { value: number }[] = [...series.flatMap(({ rows }) => rows), ...used];
  const [least, most] = [
    Math.floor(Math.min(...all.map(({ value }) => value))),
    Math.ceil(Math.max(...all.map(({ value }) => value)) + 0.01),
  ];
  const x = (ms: number) => LEFT + ((ms - fromMs) / Math.max(1, toMs - fromMs)) * (widthPx - LEFT - RIGHT);
  const y = (value: number) => TOP + (1 - (value - least) / Math.max(1, most - least)) * (HEIGHT - TOP - FOOT);
  const step = Math.max(1, Math.ceil((most - least) / 5));
  const marks = Array.from({ length: Math.floor((most - least) / step) + 1 }, (_, index) => least + index * step);
  const text = { fontSize: 13, fontFamily: REGULAR, fill: palette.quiet };
  return (
    <View
      role="img"
      aria-label={title}
      onLayout={({ nativeEvent }) => setWidthPx(Math.max(200, nativeEvent.layout.width))}
    >
      <Txt bold>{title}</Txt>
      <Svg width={widthPx} height={HEIGHT} aria-hidden>
        {marks.map((value) => (
          <Rung key={value} text={axis(value)} y={y(value)} widthPx={widthPx} />
        ))}
        {used.map(({ id, atMs, value }) => (
          <Rect
            key={id}
            x={x(atMs) - DOT_PX}
            y={y(value) - DOT_PX}
            width={2 * DOT_PX}
            height={2 * DOT_PX}
            fill="none"
            stroke={palette.text}
            strokeWidth={2}
          />
        ))}
        {series.flatMap(({ role, rows }, index) =>
          bySetup(rows).map(([setupId, its]) => (
            <Polyline
              key={`${role} ${setupId}`}
              points={its.map((row) => `${x(row.atMs).toFixed(1)},${y(row.value).toFixed(1)}`).join(' ')}
              fill="none"
              stroke={color}
              strokeWidth={2}
              strokeDasharray={DASHES[index % DASHES.length]}
            />
          )),
        )}
        {series.flatMap(({ rows }, index) =>
          rows.map((row) => (
            <SvgText key={row.id} x={x(row.atMs)} y={y(row.value) + 5} textAnchor="middle" fontSize={14} fill={color}>
              {markOf(index)}
            </SvgText>
          )),
        )}
        <SvgText x={LEFT} y={HEIGHT - 4} {...text}>
          {clockAt(fromMs, zone)}
        </SvgText>
        <SvgText x={widthPx - RIGHT} y={HEIGHT - 4} textAnchor="end" {...text}>
          {clockAt(toMs, zone)}
        </SvgText>
      </Svg>
      {series.map(({ role, rows }, index) => (
        <Txt key={role} size="label">
          {texts.chartRow(
            `${markOf(index)} ${words.pointRole(role).name}`,
            axis(rows[0]?.value ?? 0),
            axis(rows.at(-1)?.value ?? 0),
            rows.length,
          )}
        </Txt>
      ))}
    </View>
  );
}

/** The settings of test frames in words, under the chart in which they are squares. */
function Settings({ used, zone }: { used: Used; zone: string }) {
  if (used.length === 0) return null;
  return (
    <View>
      <Txt bold>{texts.settingsUsed}</Txt>
      {used.map(({ id, atMs, av, tv, sv }) => (
        <Txt key={id} size="label">
          {`□ ${clockAt(atMs, zone)}  ${texts.settings(formatAperture(av, 'third'), formatShutter(tv, 'third'), formatIso(sv))}`}
        </Txt>
      ))}
    </View>
  );
}

/** Ambient and flash over time with the settings of test frames, as charts and in words. */
export function LogChart({ setups }: { setups: readonly Setup[] }) {
  const palette = usePalette();
  const documents = useAppSelector(byId);
  const zone = useAppSelector((state) => selectDocument(state, 'shoot', setups[0]?.shootId ?? '')?.timeZone ?? 'UTC');
  const lines = useMemo(
    () => recordLines(setups, ofType(documents, 'reading'), ofType(documents, 'frame')),
    [documents, setups],
  );
  const rows: readonly Pick<Row, 'atMs'>[] = [
    ...[...lines.ambient, ...lines.flash].flatMap((series) => series.rows),
    ...lines.settings,
  ];
  if (rows.length === 0) return <Txt tone="quiet">{texts.chartEmpty}</Txt>;
  const times = rows.map(({ atMs }) => atMs);
  const span = { fromMs: Math.min(...times), toMs: Math.max(...times), zone };
  return (
    <View style={{ gap: 12 }}>
      {lines.ambient.length + lines.settings.length > 0 && (
        <Lines
          title={texts.ambientChart}
          series={lines.ambient}
          used={lines.settings}
          color={palette.ambient}
          axis={(ev) => ev.toFixed(1).replace('-', '−')}
          {...span}
        />
      )}
      {lines.flash.length > 0 && (
        <Lines
          title={texts.flashChart}
          series={lines.flash}
          used={[]}
          color={palette.flash}
          axis={(av) => formatAperture(av, 'third')}
          {...span}
        />
      )}
      <Settings used={lines.settings} zone={zone} />
    </View>
  );
}
