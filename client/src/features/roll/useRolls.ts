import { msOfLocal } from '@/shell/localDay';
import { byId, ofType, selectDocument } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { useMemo } from 'react';

import { type Deed, setupAtWork } from '@sphene/core/explain';
import type { CameraRoll } from '@sphene/core/record';

/** A frame with when it was made, and in which setup. */
export interface PlacedFrame {
  name: string;
  atMs: number;
  /** null: nothing was written down around it */
  setupId: string | null;
}

/** A camera's frames, each put to its setup. */
export interface PlacedRoll {
  roll: CameraRoll;
  frames: PlacedFrame[];
}

/** The cameras of a shoot with their frames, in order of time. */
export function useRolls(shootId: string): PlacedRoll[] {
  const documents = useAppSelector(byId);
  const timeZone = useAppSelector((state) => selectDocument(state, 'shoot', shootId)?.timeZone ?? 'UTC');
  return useMemo(() => {
    const rolls = ofType(documents, 'cameraRoll').filter((roll) => roll.shootId === shootId);
    if (rolls.length === 0) return [];
    const setups = new Set(
      ofType(documents, 'setup')
        .filter((setup) => setup.shootId === shootId)
        .map(({ id }) => id),
    );
    const deeds = ofType(documents, 'reading', 'sceneChange', 'frame', 'change')
      .filter((one) => setups.has(one.setupId) && !('struckAt' in one && one.struckAt !== null))
      .map((one): Deed => ({ setupId: one.setupId, atMs: Date.parse(one.at) }))
      .sort((a, b) => a.atMs - b.atMs);
    return rolls.map((roll): PlacedRoll => ({
      roll,
      frames: roll.frames
        .flatMap(({ name, at }): PlacedFrame[] => {
          const ms = msOfLocal(at, timeZone);
          if (ms === null) return [];
          const atMs = ms - 1000 * roll.offsetS;
          return [{ name, atMs, setupId: setupAtWork(deeds, atMs) }];
        })
        .sort((a, b) => a.atMs - b.atMs),
    }));
  }, [documents, shootId, timeZone]);
}
