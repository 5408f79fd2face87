import { texts } from './texts';
import { useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { selectFacts } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { Txt } from '@/ui/Txt';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { asVariant } from '@sphene/core/explain';
import type { Variant } from '@sphene/core/setup';
import { solveNumbers } from '@sphene/core/solution';
import { SmallPicture } from './SmallPicture';

/** The picture in force beside a variant that was set aside. */
export function ComparePicture({ variant }: { variant: Variant }) {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const [width, setWidth] = useState(340);
  const other = useMemo(() => {
    const its = asVariant(setup, variant);
    return { setup: its, numbers: solveNumbers(its, kit, facts, new Date(clockMs)).numbers };
  }, [setup, variant, kit, facts, clockMs]);
  const half = (width - 8) / 2;
  return (
    <View onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)} style={{ flexDirection: 'row', gap: 8 }}>
      {[
        { name: texts.inForce, setup, numbers },
        { name: variant.name, ...other },
      ].map((side) => (
        <View key={side.name} style={{ gap: 4, flex: 1 }}>
          <SmallPicture
            setup={side.setup}
            kit={kit}
            numbers={side.numbers}
            roomPx={{ width: half, height: half * 1.5 }}
            name={texts.picture(side.name.toLowerCase())}
          />
          <Txt bold>{side.name}</Txt>
          <Txt size="label" tone="quiet">
            {side.numbers.camera === null
              ? texts.noSettingsYet
              : `${side.numbers.camera.text.shutter}, ${side.numbers.camera.text.aperture}, ${side.numbers.camera.text.iso}`}
          </Txt>
          {side.numbers.lights.map(({ lightId, group, powerText }) => (
            <Txt key={lightId} size="label" tone="quiet">{`${group} ${powerText ?? 'off'}`}</Txt>
          ))}
        </View>
      ))}
    </View>
  );
}
