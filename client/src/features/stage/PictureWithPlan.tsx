import { texts } from './texts';
import { PictureProgress } from '@/features/picture/PictureProgress';
import { type RoomPx, SetupPicture, STANDING, widthIn } from '@/features/picture/SetupPicture';
import { useCalm } from '@/features/picture/usePicture';
import { useDragged, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { View } from 'react-native';

import { pictureOf } from '@sphene/core/picture';
import { PlanInset } from './PlanInset';

const INSET_PX = 132;
const GAP_PX = 12;
const PROGRESS_PX = 48;

/** The picture with the plan beside it, or laid into its corner where the picture takes the whole width. */
export function PictureWithPlan({ roomPx, onPlan }: { roomPx: RoomPx; onPlan: () => void }) {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const calm = useCalm();
  // while something is under the thumb the picture follows it at once; before that it waits until hands rest
  const held = useDragged();
  const pictureWidth = widthIn(roomPx, numbers.camera === null ? STANDING : pictureOf(setup, kit, numbers));
  const beside = roomPx.width - pictureWidth - GAP_PX;
  if (beside < INSET_PX)
    return (
      <View>
        <SetupPicture roomPx={{ ...roomPx, height: roomPx.height - PROGRESS_PX }} waits={!calm && !held} />
        <View style={{ position: 'absolute', right: 8, top: 8 }}>
          <PlanInset widthPx={INSET_PX} heightPx={INSET_PX} name={texts.goToTheStage} onPress={onPlan} />
        </View>
        <PictureProgress />
      </View>
    );
  return (
    <View style={{ flexDirection: 'row', gap: GAP_PX }}>
      <SetupPicture roomPx={roomPx} waits={!calm && !held} />
      <View>
        <PlanInset widthPx={beside} heightPx={roomPx.height - PROGRESS_PX} name={texts.goToTheStage} onPress={onPlan} />
        <PictureProgress />
      </View>
    </View>
  );
}
