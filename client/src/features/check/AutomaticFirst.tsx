import { texts } from './texts';
import { words } from '@/language/words';
import { useChange } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { PowerDial, StopsDial } from '@/ui/dials';
import { useState } from 'react';
import { View } from 'react-native';

import { automaticStart, type FlashUnit, writePower } from '@sphene/core/flash';
import type { LightSolution } from '@sphene/core/lights';
import { lightPath } from '@sphene/core/setup';

const MOST_COMPENSATION = 5;

/** Automatic flash first: the power that the unit reported for a frame that looked right becomes the manual start. */
export function AutomaticFirst({ light, unit }: { light: LightSolution; unit: FlashUnit }) {
  const { change } = useChange();
  const [reported, setReported] = useState(light.powerStops ?? 0);
  const [compensation, setCompensation] = useState(0);
  const { manualStops, plainStops } = automaticStart(unit.scale, reported, compensation);
  return (
    <View style={{ gap: 12 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <PowerDial
          label={texts.itReported}
          value={reported}
          unit={unit}
          onChange={setReported}
          note={texts.powerOfTheAutomaticFrame}
        />
        <StopsDial
          label={texts.compensationOnIt}
          signed
          value={compensation}
          least={-MOST_COMPENSATION}
          most={MOST_COMPENSATION}
          step={1 / 3}
          onChange={setCompensation}
          note={texts.asDialledForThatFrame}
        />
      </View>
      <Txt size="label" tone="quiet">
        {compensation === 0 && texts.compensationIsInIt}
        {compensation !== 0 &&
          (plainStops === null
            ? texts.compensationIsInItOverFull
            : texts.compensationIsInItElse(writePower(unit.scale, plainStops)))}
      </Txt>
      <ActionButton
        label={texts.startByHandAt(words.light(light), writePower(unit.scale, manualStops))}
        onPress={() =>
          change(
            { path: lightPath(light.index, 'dialledStops'), value: manualStops },
            { path: lightPath(light.index, 'locked'), value: true },
          )
        }
      />
    </View>
  );
}
