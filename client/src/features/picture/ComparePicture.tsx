import { texts } from './texts';
import { useSetupView } from '@/setupView/setupContext';
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
  const { setup, kit, solution } = useSetupView();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const [width, setWidth] = useState(340);
  const other = useMemo(() => {
    const its = { ...setup, look: version.look, camera: version.camera };
    return { setup: its, solution: solveNumbers(its, kit, facts, new Date(clockMs)).numbers };
  }, [setup, version, kit, facts, clockMs]);
  const half = (width - 8) / 2;
  return (
    <View onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)} style={{ flexDirection: 'row', gap: 8 }}>
      {[
        { name: texts.inForce, setup, solution },
        { name: version.name, ...other },
      ].map((side) => (
        <View key={side.name} style={{ gap: 4, flex: 1 }}>
          <PictureCanvas
            setup={side.setup}
            kit={kit}
            solution={side.solution}
            picture={picture}
            widthPx={half}
            name={texts.picture(side.name.toLowerCase())}
          />
          <Txt bold>{side.name}</Txt>
          <Txt size="label" tone="quiet">
            {side.solution.camera === null
              ? texts.noSettingsYet
              : `${side.solution.camera.text.shutter}, ${side.solution.camera.text.aperture}, ${side.solution.camera.text.iso}`}
          </Txt>
          {side.solution.lights.map(({ lightId, group, powerText }) => (
            <Txt key={lightId} size="label" tone="quiet">{`${group} ${powerText ?? 'off'}`}</Txt>
          ))}
        </View>
      ))}
    </View>
  );
}
