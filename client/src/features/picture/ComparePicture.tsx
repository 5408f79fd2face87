import { texts } from './texts';
import { useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { selectFacts } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { Txt } from '@/ui/Txt';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { PictureOf } from '@sphene/core/picture';
import type { Version } from '@sphene/core/setup';
import { solveNumbers } from '@sphene/core/solution';
import { PictureCanvas } from './PictureCanvas';

/** The picture in force beside a look and camera that were set aside: the same layers, other weights. */
export function ComparePicture({ picture, version }: { picture: PictureOf; version: Version }) {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const [width, setWidth] = useState(340);
  const other = useMemo(() => {
    const its = { ...setup, look: version.look, camera: version.camera };
    return { setup: its, numbers: solveNumbers(its, kit, facts, new Date(clockMs)).numbers };
  }, [setup, version, kit, facts, clockMs]);
  const half = (width - 8) / 2;
  return (
    <View onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)} style={{ flexDirection: 'row', gap: 8 }}>
      {[
        { name: texts.inForce, setup, numbers },
        { name: version.name, ...other },
      ].map((side) => (
        <View key={side.name} style={{ gap: 4, flex: 1 }}>
          <PictureCanvas
            setup={side.setup}
            kit={kit}
            numbers={side.numbers}
            picture={picture}
            widthPx={half}
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
