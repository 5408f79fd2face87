import { texts } from './texts';
import { useChange, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { View } from 'react-native';

import type { TakenOver } from '@sphene/core/setup';

/** Says that a part came from the setup before and that nobody has changed it since; one tap says that it is right. */
export function TakenOverLine({ part }: { part: TakenOver }) {
  const { takenOver } = useSetup().setup;
  const { changeOne } = useChange();
  if (!takenOver.includes(part)) return null;
  return (
    <View role="status" style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
      <Txt size="label" tone="quiet" style={{ flex: 1 }}>
        {texts.takenOver[part]}
      </Txt>
      <ActionButton
        kind="plain"
        label={texts.itIsRightSo}
        name={texts.itIsRightSoName[part]}
        onPress={() =>
          changeOne(
            'takenOver',
            takenOver.filter((one) => one !== part),
          )
        }
      />
    </View>
  );
}
