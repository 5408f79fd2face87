import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { MarkedSlider } from '@/ui/MarkedSlider';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import { lowestPowerStops, snapPower, writePower } from '@sphene/core/flash';
import type { LightSolution } from '@sphene/core/lights';
import { lightPath, type Setting } from '@sphene/core/setup';

/** One light's power by hand: it is held there while the others follow. */
function PowerSlider({ its }: { its: LightSolution }) {
  const { setup } = useSetup();
  const kit = useKit();
  const { change, draft } = useChange();
  const palette = usePalette();
  const light = setup.lights[its.index];
  const unit = kit.flashUnits.find(({ id }) => id === light?.unitId);
  if (light === undefined || unit === undefined || its.powerStops === null) return null;
  const settings = (stops: number): Setting[] => [
    { path: lightPath(its.index, 'dialledStops'), value: snapPower(unit.scale, stops) },
    { path: lightPath(its.index, 'locked'), value: true },
  ];
  const name = words.light(light);
  const range = { least: lowestPowerStops(unit.scale), most: 0 };
  return (
    <View
      role="group"
      aria-label={texts.powerOf(name)}
      style={{ gap: 4, paddingTop: 8, borderTopWidth: 1, borderTopColor: palette.line }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', minHeight: 48 }}>
        <Txt bold>
          {name} {writePower(unit.scale, its.powerStops)}
        </Txt>
        {light.locked ? (
          <ActionButton
            kind="plain"
            label={texts.letItFollow}
            name={texts.letFollowTheLook(name)}
            onPress={() => change({ path: lightPath(its.index, 'locked'), value: false })}
          />
        ) : (
          <Txt size="label" tone="quiet">
            {texts.followsTheLook}
          </Txt>
        )}
      </View>
      <MarkedSlider
        label={texts.powerOf(name)}
        value={its.powerStops}
        range={range}
        marks={[]}
        said={writePower(unit.scale, its.powerStops)}
        less={texts.lessPower(name)}
        more={texts.morePower(name)}
        track={(handle) => (
          <>
            <View style={{ width: handle, backgroundColor: palette.flash }} />
            <View style={{ flex: 1, backgroundColor: palette.line, opacity: 0.5 }} />
          </>
        )}
        onDraft={(stops) => draft(settings(stops))}
        onChange={(stops) => change(...settings(stops))}
      />
    </View>
  );
}

/** Powers at slider speed: the picture follows the thumb. */
export function PowerSliders() {
  const numbers = useNumbers();
  return (
    <View style={{ gap: 8 }}>
      {numbers.lights.map((its) => (
        <PowerSlider key={its.lightId} its={its} />
      ))}
    </View>
  );
}
