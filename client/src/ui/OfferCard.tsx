import { texts } from './texts';
import { View } from 'react-native';

import { ActionButton } from './ActionButton';
import { Txt } from './Txt';
import { usePalette } from './theme';

/** A change that is offered: what it is, what it does, and one tap that makes it. */
export function OfferCard({ title, lines, onApply }: { title: string; lines: readonly string[]; onApply: () => void }) {
  const palette = usePalette();
  return (
    <View role="article" aria-label={title} style={{ gap: 4, padding: 12, backgroundColor: palette.raised }}>
      <Txt bold>{title}</Txt>
      {lines.map((line) => (
        <Txt key={line} size="label" tone="quiet">
          {line}
        </Txt>
      ))}
      <View style={{ alignItems: 'flex-end' }}>
        <ActionButton label={texts.apply} name={texts.applyIt(title)} onPress={onApply} />
      </View>
    </View>
  );
}
