import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
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

/**
 * A reading of this light that is not what was foretold: causes with their sizes, and the one reading that tells
 * them apart.
 */
export function DisagreementCard({ light }: { light: LightSolution }) {
  const { setup, context } = useSetup();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const palette = usePalette();
  const one = numbers.disagreements.find(({ lightId }) => lightId === light.lightId);
  if (one === undefined) return null;
  const { text, causes, tellApart } = words.disagreement(one, context);
  return (
    <View
      role="group"
      aria-label={texts.itDoesNotAgree}
      style={{ gap: 8, borderLeftWidth: 3, borderLeftColor: palette.danger, paddingLeft: 12 }}
    >
      <Txt bold>{text}</Txt>
      <View role="list" aria-label={one.settled === null ? texts.possibleCauses : texts.whatItWas} style={{ gap: 4 }}>
        {causes.map((cause) => (
          <View key={cause} role="listitem">
            <Txt size="label">{cause}</Txt>
          </View>
        ))}
      </View>
      {tellApart !== null ? (
        <Txt>{tellApart}</Txt>
      ) : (
        <Txt>{one.settled === 'ambient' ? texts.theFlashIsAsIt : texts.theAmbientHeldTheCorrection}</Txt>
      )}
      <View style={{ alignItems: 'flex-start' }}>
        <ActionButton
          label={texts.allRight}
          name={texts.allRightSayNoMore}
          onPress={() => changeOne('confirmed', [...setup.confirmed.slice(-199), `disagrees:${one.readingId}`])}
        />
      </View>
    </View>
  );
}
