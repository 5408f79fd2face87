import { texts } from './texts';
import { words } from '@/language/words';
import { useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { Txt } from '@/ui/Txt';
import { View } from 'react-native';

import type { LightSolution } from '@sphene/core/lights';
import { formatDistance, formatStopCount } from '@sphene/core/notation';

/** The settings of the camera as they are printed, each under its name. */
function useSettings() {
  const { camera } = useNumbers();
  if (camera === null) return null;
  const { shutter, aperture, iso } = camera.text;
  return [
    { name: texts.shutter, value: shutter },
    { name: texts.aperture, value: aperture },
    { name: texts.iso, value: iso.replace('ISO ', '') },
  ];
}

const powerOf = ({ powerText }: LightSolution): string => powerText ?? texts.off;

/** A single light: its power, and what the meter should then show. */
function OnePower({ light }: { light: LightSolution }) {
  const { setup } = useSetup();
  const { distanceUnit } = useKit().preferences;
  const its = setup.lights[light.index];
  return (
    <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: 12 }}>
      <View style={{ flex: 1 }}>
        <Txt size="label" tone="quiet" numberOfLines={1}>
          {[words.light(light), its && formatDistance(its.distanceM, distanceUnit)].filter(Boolean).join(', ')}
        </Txt>
        <Txt size="figure" bold tone="flash" numberOfLines={1} adjustsFontSizeToFit>
          {powerOf(light)}
        </Txt>
      </View>
      {light.meter !== null && (
        <View style={{ alignItems: 'flex-end', paddingBottom: 4 }}>
          <Txt size="label" tone="quiet">
            {texts.shouldRead}
          </Txt>
          <Txt size="value" bold>
            {light.meter.totalText}
          </Txt>
          <Txt size="label" tone="quiet">
            {texts.within(formatStopCount(light.uncertaintyStops))}
          </Txt>
        </View>
      )}
    </View>
  );
}

/** What is to be dialled, largest of all: the camera's settings and each light's power. */
export function Dials() {
  const { lights } = useNumbers();
  const settings = useSettings();
  const [only] = lights;
  if (settings === null) return null;
  return (
    <View role="group" aria-label={texts.toBeDialled} style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', flexWrap: 'wrap', columnGap: 16 }}>
        {settings.map(({ name, value }) => (
          <View key={name}>
            <Txt size="label" tone="quiet">
              {name}
            </Txt>
            <Txt size="figure" bold>
              {value}
            </Txt>
          </View>
        ))}
      </View>
      {lights.length === 1 && only !== undefined && <OnePower light={only} />}
      {lights.length > 1 && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 24, rowGap: 4 }}>
          {lights.map((light) => (
            <View key={light.lightId}>
              <Txt size="label" tone="quiet">
                {words.light(light)}
              </Txt>
              <Txt size="value" bold tone="flash">
                {powerOf(light)}
              </Txt>
            </View>
          ))}
        </View>
      )}
    </View>
  );
}

/** The same in one line, in two where powers do not fit beside the settings, where the rest of the screen is wanted for work. */
export function DialsLine() {
  const { lights } = useNumbers();
  const settings = useSettings();
  if (settings === null) return null;
  return (
    <View
      role="group"
      aria-label={texts.toBeDialled}
      style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 16, minHeight: DIALS_LINE_PX }}
    >
      <Txt bold numberOfLines={1} style={{ flexShrink: 0 }}>
        {settings.map(({ value }) => value).join('  ')}
      </Txt>
      <Txt bold tone="flash">
        {lights.map((light) => `${light.group} ${powerOf(light)}`).join('  ')}
      </Txt>
    </View>
  );
}
export const DIALS_LINE_PX = 26;
