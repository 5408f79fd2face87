import { texts } from './texts';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Path } from 'react-native-svg';

import type { Frame } from '@sphene/core/documents';

const HEIGHT = 88;
const CHANNELS = [
  { key: 'red', name: texts.red, dash: undefined },
  { key: 'green', name: texts.green, dash: '5 3' },
  { key: 'blue', name: texts.blue, dash: '2 3' },
] as const;

const percent = (share: number) => `${(share * 100).toFixed(share > 0 && share < 0.0995 ? 1 : 0)} %`;

/** The frame's tones by channel, told apart by the line's dashes as well as by colour, and what has clipped. */
export function Histogram({ frame }: { frame: Pick<Frame, 'name' | 'histogram' | 'clipped'> }) {
  const palette = usePalette();
  const [width, setWidth] = useState(320);
  const top = Math.max(1, ...CHANNELS.flatMap(({ key }) => frame.histogram[key].slice(1, -1)));
  const colours = { red: palette.danger, green: palette.accent, blue: palette.ambient };
  const line = (counts: readonly number[]) =>
    counts
      .map((count, bin) => {
        const x = (bin / (counts.length - 1)) * width;
        const y = HEIGHT - 2 - Math.min(1, Math.sqrt(count / top)) * (HEIGHT - 6);
        return `${bin === 0 ? 'M' : 'L'}${x.toFixed(1)},${y.toFixed(1)}`;
      })
      .join(' ');
  const shares = CHANNELS.map(
    ({ name }, index) =>
      texts.inTheHighlights(name.toLowerCase(), percent(frame.clipped.highlights[index] ?? 0)) +
      texts.inTheShadows(percent(frame.clipped.shadows[index] ?? 0)),
  );
  return (
    <View style={{ gap: 4 }} onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}>
      <View role="img" aria-label={texts.histogramOf(frame.name, shares.join('; '))}>
        <Svg width={width} height={HEIGHT} aria-hidden>
          <Line x1={0} x2={width} y1={HEIGHT - 1} y2={HEIGHT - 1} stroke={palette.line} />
          {CHANNELS.map(({ key, dash }) => (
            <Path
              key={key}
              d={line(frame.histogram[key])}
              stroke={colours[key]}
              strokeWidth={1.8}
              strokeDasharray={dash}
              fill="none"
            />
          ))}
        </Svg>
      </View>
      {CHANNELS.map(({ key, name }, index) => {
        const [high, low] = [frame.clipped.highlights[index] ?? 0, frame.clipped.shadows[index] ?? 0];
        return (
          <Txt key={key} size="label" tone={high > 0.01 ? 'danger' : 'quiet'}>
            {texts.clippedIn(name, percent(high), percent(low))}
          </Txt>
        );
      })}
    </View>
  );
}
