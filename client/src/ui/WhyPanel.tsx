import { texts } from './texts';
import { View } from 'react-native';

import { formatStops } from '@sphene/core/notation';
import type { WhyWords } from '@sphene/core/words';
import { Txt } from './Txt';
import { usePalette } from './theme';

/** The reason of a figure: short signed lines in stops that add up to it. */
export function WhyPanel({ why }: { why: WhyWords }) {
  const palette = usePalette();
  const row = (label: string, figure: string, last: boolean) => (
    <View
      key={label}
      role="listitem"
      style={{
        flexDirection: 'row',
        justifyContent: 'space-between',
        gap: 12,
        borderTopWidth: last ? 1 : 0,
        borderTopColor: palette.line,
        paddingTop: last ? 4 : 0,
      }}
    >
      <Txt size="label" bold={last} style={{ flex: 1 }}>
        {label}
      </Txt>
      <Txt size="label" bold={last} style={{ textAlign: 'right' }}>
        {figure}
      </Txt>
    </View>
  );
  return (
    <View
      role="list"
      aria-label={texts.why(why.title)}
      style={{ gap: 4, padding: 12, backgroundColor: palette.raised }}
    >
      {why.lines.map(({ label, stops }) => row(label, formatStops(stops), false))}
      {row(why.totalText, formatStops(why.totalStops), true)}
    </View>
  );
}
