import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useNumbers } from '@/setupView/setupContext';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { View } from 'react-native';

import { formatStopCount } from '@sphene/core/notation';

/** Dome to the camera against dome to the light, once both were taken at the face: a choice of mood. */
export function DomeChoice() {
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const { dome } = numbers;
  if (dome === null) return null;
  return (
    <View role="group" aria-label={texts.domeOfTheFace} style={{ gap: 4 }}>
      <ChoiceList
        label={texts.theFaceIsSetBy(formatStopCount(dome.differenceStops))}
        layout="row"
        value={dome.by}
        onChoose={(by) => changeOne('look.faceBy', by)}
        choices={[
          { value: 'camera', label: texts.domeToCamera, note: texts.evOpen(dome.cameraEv100.toFixed(1)) },
          { value: 'light', label: texts.domeToLight, note: texts.evMoody(dome.lightEv100.toFixed(1)) },
        ]}
      />
      <Txt size="label" tone="quiet">
        {words.dome(dome)}
      </Txt>
    </View>
  );
}
