import type { PictureSource } from '@/workers/pictureMaker';
import { pictureMaker } from '@/workers/pictures';
import { useIsFocused } from 'expo-router';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';

import type { Kit } from '@sphene/core/gear';
import { type PictureOf, pictureOf } from '@sphene/core/picture';
import type { Setup } from '@sphene/core/setup';
import type { SolutionNumbers } from '@sphene/core/solution';

/**
 * Has the picture of the setup on screen made, coarsely at once and finely when nothing moves.
 * @param wanted false: a first look at it is enough as yet
 */
export function usePicture(setup: Setup, kit: Kit, numbers: SolutionNumbers, wanted = true): PictureOf {
  const focused = useIsFocused();
  const picture = useMemo(() => pictureOf(setup, kit, numbers), [setup, kit, numbers]);
  useEffect(() => {
    if (focused) pictureMaker().show(picture, !wanted);
  }, [picture, focused, wanted]);
  return picture;
}

/** A hand that rests for this long is not busy elsewhere on the page. */
const CALM_MS = 2500;

/**
 * True once nobody has touched the page for a moment, and from then on: where the picture is one part of many, more than
 * a first look must not take the device's strength from what is being entered.
 */
export function useCalm(): boolean {
  const [calm, setCalm] = useState(false);
  useEffect(() => {
    if (calm) return;
    let timer = setTimeout(() => setCalm(true), CALM_MS);
    const busy = () => {
      clearTimeout(timer);
      timer = setTimeout(() => setCalm(true), CALM_MS);
    };
    for (const event of ['pointerdown', 'keydown', 'wheel'] as const)
      window.addEventListener(event, busy, { passive: true });
    return () => {
      clearTimeout(timer);
      for (const event of ['pointerdown', 'keydown', 'wheel'] as const) window.removeEventListener(event, busy);
    };
  }, [calm]);
  return calm;
}

/**
 * Counts what has been finished of pictures: only what draws one follows it, so that a layer that arrives does
 * not draw the whole screen.
 */
export function usePictureVersion(source: PictureSource = pictureMaker()): number {
  return useSyncExternalStore(source.subscribe, source.getVersion);
}
