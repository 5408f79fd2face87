import { REGULAR, SIZE } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Polyline, Text as SvgText } from 'react-native-svg';

import type { TasteMonth } from '@sphene/core/review';

const TALL_PX = 120;
const EDGE_PX = 14;
/** Where values are written. */
const SCALE_PX = 72;

/** The months of one figure as a line; a larger dot is of more setups. */
export function DriftChart({
  months,
  say,
  said,
}: {
  months: readonly TasteMonth[];
  say: (value: number) => string;
  said: string;
}) {
  const palette = usePalette();
  const [widthPx, setWidthPx] = useState(0);
  const values = months.map(({ median }) => median);
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const [firstMs, lastMs] = [months[0]?.fromMs ?? 0, months.at(-1)?.fromMs ?? 1];
  const xOf = (ms: number) =>
    SCALE_PX + ((ms - firstMs) / Math.max(1, lastMs - firstMs)) * (widthPx - SCALE_PX - EDGE_PX);
  const yOf = (value: number) =>
    TALL_PX - EDGE_PX - ((value - least) / Math.max(1e-6, most - least)) * (TALL_PX - 2 * EDGE_PX);
  return (
    <View role="img" aria-label={said} onLayout={({ nativeEvent }) => setWidthPx(nativeEvent.layout.width)}>
      {widthPx > 0 && (
        <Svg width={widthPx} height={TALL_PX} aria-hidden>
          {[least, most].map((value, index) => (
            <SvgText
              key={index}
              x={0}
              y={yOf(value) + 4}
              fill={palette.quiet}
              fontFamily={REGULAR}
              fontSize={SIZE.label}
            >
              {say(value)}
            </SvgText>
          ))}
          <Line x1={SCALE_PX} x2={widthPx} y1={yOf(least)} y2={yOf(least)} stroke={palette.control} strokeWidth={1} />
          <Polyline
            points={months.map(({ fromMs, median }) => `${xOf(fromMs).toFixed(1)},${yOf(median).toFixed(1)}`).join(' ')}
            fill="none"
            stroke={palette.flash}
            strokeWidth={2}
          />
          {months.map(({ fromMs, median, count }) => (
            <Circle
              key={fromMs}
              cx={xOf(fromMs)}
              cy={yOf(median)}
              r={3 + Math.min(5, count / 3)}
              fill={palette.flash}
            />
          ))}
        </Svg>
      )}
    </View>
  );
}
