import { texts } from './texts';
import { Txt } from '@/ui/Txt';
import { View } from 'react-native';

import type { RippleWords } from '@sphene/core/words';

/** What a change moves along with it, what hands must do then, and which readings it makes old. */
export function RippleList({ ripple: { moves, follow, stale } }: { ripple: RippleWords }) {
  return (
    <View role="list" aria-label={texts.whatItMoves} style={{ gap: 4 }}>
      {moves.length === 0 && follow.length === 0 && (
        <View role="listitem">
          <Txt size="label" tone="quiet">
            {texts.nothingElseMoves}
          </Txt>
        </View>
      )}
      {moves.map(({ what, from, to, words }) => (
        <View key={what} role="listitem" style={{ flexDirection: 'row', gap: 8 }}>
          <Txt size="label" tone="quiet" style={{ width: 90 }}>
            {what}
          </Txt>
          <Txt size="label" style={{ flex: 1 }}>
            {from} → {to}
            {words === null ? '' : `, ${words}`}
          </Txt>
        </View>
      ))}
      {follow.map((text) => (
        <View key={text} role="listitem">
          <Txt size="label" bold>
            {text}
          </Txt>
        </View>
      ))}
      {stale.map((text) => (
        <View key={text} role="listitem">
          <Txt size="label" tone="danger">
            {text}
          </Txt>
        </View>
      ))}
    </View>
  );
}
