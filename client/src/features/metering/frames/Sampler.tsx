import { texts } from '../texts';
import { usePalette } from '@/ui/theme';
import { useFrameImage } from '@/setupView/useFrameImage';
import { Txt } from '@/ui/Txt';
import { placeInFrame } from '@/workers/frameWorker';
import { useState } from 'react';
import { Image, Pressable, View } from 'react-native';

import type { Frame } from '@sphene/core/documents';
import type { Place } from '@sphene/core/frames';

/** A place in a picture that is metered, in parts of its sides; without its tones while they are read. */
export interface Spot {
  x: number;
  y: number;
  place: Place | null;
}

const KEY_STEP = 0.02;
const KEYS: Record<string, [number, number]> = {
  ArrowLeft: [-KEY_STEP, 0],
  ArrowRight: [KEY_STEP, 0],
  ArrowUp: [0, -KEY_STEP],
  ArrowDown: [0, KEY_STEP],
};
const clamp = (share: number) => Math.min(1, Math.max(0, share));

/** The picture with the place that was tapped; arrow keys move it. */
export function Sampler({ frame, spot, onSpot }: { frame: Frame; spot: Spot | null; onSpot: (spot: Spot) => void }) {
  const palette = usePalette();
  const [width, setWidth] = useState(1);
  const image = useFrameImage(frame.id);
  const height = (width * frame.heightPx) / frame.widthPx;
  const sample = (x: number, y: number) => {
    if (image == null) return;
    onSpot({ x, y, place: null });
    void placeInFrame(image, x, y).then((place) => onSpot({ x, y, place }));
  };
  const keys = {
    onKeyDown: (event: { key: string; preventDefault: () => void }) => {
      const by = KEYS[event.key];
      if (by === undefined) return;
      event.preventDefault();
      sample(clamp((spot?.x ?? 0.5) + by[0]), clamp((spot?.y ?? 0.5) + by[1]));
    },
  };
  if (image == null)
    return (
      <Txt tone="quiet" role="status">
        {image === undefined ? texts.thePictureIsComing : texts.thePictureIsNotHere}
      </Txt>
    );
  return (
    <Pressable
      role="button"
      aria-label={texts.meterAPlaceInArrow(frame.name)}
      {...(keys as object)}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      onPress={({ nativeEvent }) => {
        // in the browser a press is the click itself; one made by a key has no place and meters where the mark is
        const { offsetX, offsetY, detail = 0 } = nativeEvent as unknown as Partial<MouseEvent>;
        if (offsetX !== undefined && offsetY !== undefined && detail > 0)
          sample(clamp(offsetX / width), clamp(offsetY / height));
        else sample(spot?.x ?? 0.5, spot?.y ?? 0.5);
      }}
    >
      <View style={{ pointerEvents: 'none', outlineWidth: 1, outlineStyle: 'solid', outlineColor: palette.line }}>
        <Image
          source={{ uri: image }}
          style={{ width: '100%', aspectRatio: frame.widthPx / frame.heightPx }}
          accessibilityIgnoresInvertColors
        />
        {spot !== null && (
          <View
            style={{
              position: 'absolute',
              left: spot.x * width - 14,
              top: spot.y * height - 14,
              width: 28,
              height: 28,
              borderWidth: 3,
              borderColor: palette.ground,
            }}
          >
            <View style={{ flex: 1, borderWidth: 2, borderColor: palette.accent }} />
          </View>
        )}
      </View>
    </Pressable>
  );
}
