import { smallPictures } from '@/workers/pictures';
import { smallOf } from '@/workers/smallPictures';
import { useEffect, useMemo } from 'react';

import type { Kit } from '@sphene/core/gear';
import { pictureOf } from '@sphene/core/picture';
import type { Picture as Developed } from '@sphene/core/renderer';
import type { Setup } from '@sphene/core/setup';
import type { SolutionNumbers } from '@sphene/core/solution';
import { PictureCanvas } from './PictureCanvas';
import { type RoomPx, widthIn } from './SetupPicture';

/** The picture of a setup for a list or a comparison: small and coarse, made once, beside whatever is large. */
export function SmallPicture({
  setup,
  kit,
  numbers,
  roomPx,
  name,
  onDrawn,
}: {
  setup: Setup;
  kit: Kit;
  numbers: SolutionNumbers;
  /** it fills this room, whole */
  roomPx: RoomPx;
  name: string;
  /** after every drawing: what was drawn, to be read at once */
  onDrawn?: (developed: Developed) => void;
}) {
  const picture = useMemo(() => smallOf(pictureOf(setup, kit, numbers)), [setup, kit, numbers]);
  useEffect(() => smallPictures().want(picture), [picture]);
  return (
    <PictureCanvas
      setup={setup}
      kit={kit}
      numbers={numbers}
      picture={picture}
      from={smallPictures()}
      widthPx={widthIn(roomPx, picture)}
      name={name}
      onDrawn={onDrawn}
    />
  );
}
