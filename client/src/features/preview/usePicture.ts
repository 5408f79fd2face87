import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { useIsFocused } from 'expo-router';
import type { Kit, Setup, Solution } from '@sphene/core/balance';
import { type PictureOf, pictureOf } from '@sphene/core/picture';

import { type MakingState, pictureMaker } from '@/workers/pictureMaker';

/** The picture of a setup as it is being made: its scene and layers, how far they are, and what to do about it. */
export interface Picture {
  picture: PictureOf;
  /** counts what was finished: what is drawn depends on it */
  version: number;
  state: MakingState;
}

/** Has the picture of the setup on screen made, coarsely at once and finely when nothing moves. */
export function usePicture(setup: Setup, kit: Kit, solution: Solution): Picture {
  const maker = pictureMaker();
  const focused = useIsFocused();
  const picture = useMemo(() => pictureOf(setup, kit, solution), [setup, kit, solution]);
  const version = useSyncExternalStore(maker.subscribe, maker.getVersion);
  useEffect(() => { if (focused) maker.show(picture); }, [maker, picture, focused]);
  return { picture, version, state: maker.getState() };
}
