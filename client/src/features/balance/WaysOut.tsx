import { View } from 'react-native';
import type { WayOut } from '@sphene/core/balance';

import { ActionButton } from '@/ui/ActionButton';
import { Heading, Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useSetupView } from './setupContext';

/** Every way out of a wish that cannot be met, with its price here and one tap to take it. */
export function WaysOut({ cures }: { cures: WayOut['cures'] }) {
  const { solution, change } = useSetupView();
  const palette = usePalette();
  const ways = solution.waysOut.filter((way) => way.cures === cures);
  if (ways.length === 0) return null;
  return (
    <View style={{ gap: 8 }}>
      <Heading>Ways out</Heading>
      {ways.map((way) => (
        <View key={way.id} role="article" aria-label={way.title} style={{ flexDirection: 'row', alignItems: 'center', gap: 12, padding: 12, backgroundColor: palette.raised, borderLeftWidth: 3, borderLeftColor: way.solves ? palette.accent : palette.line }}>
          <View style={{ flex: 1 }}>
            <Txt bold>{way.title}</Txt>
            <Txt size="label" tone="quiet">{way.price}</Txt>
          </View>
          {way.settings.length > 0 && <ActionButton label="Apply" name={`Apply: ${way.title}`} onPress={() => change(...way.settings)} />}
        </View>
      ))}
    </View>
  );
}
