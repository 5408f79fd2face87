import { useIsFocused } from 'expo-router';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import type { Kit, Setup, Solution } from '@sphene/core/balance';
import { type PictureOf, pictureOf } from '@sphene/core/picture';

import { pictureMaker } from '@/workers/pictureMaker';

/** Has the picture of the setup on screen made, coarsely at once and finely when nothing moves. */
export function usePicture(setup: Setup, kit: Kit, solution: Solution): PictureOf {
  const focused = useIsFocused();
  const picture = useMemo(() => pictureOf(setup, kit, solution), [setup, kit, solution]);
  useEffect(() => { if (focused) pictureMaker().show(picture); }, [picture, focused]);
  return picture;
}

/** Counts what has been finished of pictures: only what draws one follows it, so that a layer that arrives does not draw the whole screen. */
export function usePictureVersion(): number {
  const maker = pictureMaker();
  return useSyncExternalStore(maker.subscribe, maker.getVersion);
}
