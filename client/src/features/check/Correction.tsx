import { texts } from './texts';
import { words } from '@/language/words';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import type { LightSolution } from '@sphene/core/lights';
import { formatStopCount } from '@sphene/core/notation';

/** What the last test of a light said and what to dial for it. */
export function Correction({ light }: { light: LightSolution }) {
  const palette = usePalette();
  if (light.problem)
    return (
      <Txt tone="danger" role="alert">
        {words.flashFault(light.problem)}
      </Txt>
    );
  if (light.correction === null || light.meter === null) return null;
  const { correction } = light;
  const settled = Math.abs(correction.changeStops) < 1e-6;
  const change = correction.changeStops < 0 ? texts.flashDown : texts.flashUp;
  return (
    <View
      role="group"
      aria-label={texts.correction}
      style={{ gap: 4, borderLeftWidth: 3, borderLeftColor: palette.flash, paddingLeft: 12 }}
    >
      <Txt tone="quiet">
        {texts.flashAloneGave(
          correction.firedPowerText,
          correction.measuredFlashText,
          light.aimName.toLowerCase(),
          words.stopsBothWays(correction.measuredTotalStops),
        )}
      </Txt>
      <Txt size="figure" bold tone="flash">
        {light.powerText}
      </Txt>
      <Txt bold>
        {settled
          ? texts.leaveItThere
          : change(formatStopCount(correction.changeStops), words.stops(correction.changeStops))}
      </Txt>
      <Txt tone="quiet">{texts.meterShouldThenRead(light.meter.totalText, light.meter.flashText)}</Txt>
    </View>
  );
}
