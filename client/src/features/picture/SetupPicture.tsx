import { texts } from './texts';
import { useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';

import { PictureCanvas } from './PictureCanvas';
import { usePicture } from './usePicture';

/** The room that a picture may take, px. */
export interface RoomPx {
  width: number;
  height: number;
}

/** A standing picture's sides, where no camera says them. */
export const STANDING = { width: 3, height: 4 };

/** How wide a picture is that fills its room. */
export const widthIn = ({ width, height }: RoomPx, picture: RoomPx): number =>
  Math.floor(Math.min(width, (height * picture.width) / picture.height));

/**
 * The picture of the setup on screen, as large as its room.
 * @param waits there is a first look at it only as yet
 * @param onPress what a tap does; none: it opens the picture with all that can be done with it
 */
export function SetupPicture({
  roomPx,
  waits = false,
  onPress,
  name = texts.openThePicture,
}: {
  roomPx: RoomPx;
  waits?: boolean;
  onPress?: () => void;
  name?: string;
}) {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const palette = usePalette();
  const router = useRouter();
  const picture = usePicture(setup, kit, numbers, !waits);
  const openIt = () => router.navigate({ pathname: '/picture/[id]', params: { id: setup.id } });
  const widthPx = widthIn(roomPx, numbers.camera === null ? STANDING : picture);
  return (
    <Pressable role="button" aria-label={name} onPress={onPress ?? openIt}>
      {numbers.camera === null ? (
        <View
          style={{
            width: widthPx,
            aspectRatio: STANDING.width / STANDING.height,
            backgroundColor: palette.raised,
            alignItems: 'center',
            justifyContent: 'center',
            padding: 12,
          }}
        >
          <Txt size="label" tone="quiet" style={{ textAlign: 'center' }}>
            {texts.meterTheFaceThenThe}
          </Txt>
        </View>
      ) : (
        <PictureCanvas
          setup={setup}
          kit={kit}
          numbers={numbers}
          picture={picture}
          widthPx={widthPx}
          name={texts.pictureTitle}
        />
      )}
    </Pressable>
  );
}
