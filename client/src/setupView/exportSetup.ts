import { timestamp } from '@/store/ids';
import { selectChanges, selectDocument, selectFrames, selectReadings, selectSceneChanges } from '@/store/selectors';
import type { RootState } from '@/store/store';

import { kitInUse, type SetupFile } from '@sphene/core/formats';
import { selectKit } from './selectSolution';

/**
 * One setup with all that its solution needs, for a file; null where it is not there any more.
 * @param imageOf the picture of a frame; null where it is not to be had
 */
export async function exportSetup(
  state: RootState,
  setupId: string,
  imageOf: (frameId: string) => Promise<string | null>,
): Promise<SetupFile | null> {
  const setup = selectDocument(state, 'setup', setupId);
  const spot = setup && selectDocument(state, 'spot', setup.spotId);
  const shoot = setup && selectDocument(state, 'shoot', setup.shootId);
  if (setup === undefined || spot === undefined || shoot === undefined) return null;
  return {
    format: 'sphene-setup',
    version: 13,
    exportedAt: timestamp(),
    shoot,
    spot,
    setup,
    kit: kitInUse(setup, selectKit(state, setupId)),
    readings: [...selectReadings(state, setupId)],
    sceneChanges: [...selectSceneChanges(state, setupId)],
    frames: await Promise.all(
      selectFrames(state, setupId).map(async (frame) => ({ ...frame, image: await imageOf(frame.id) })),
    ),
    changes: [...selectChanges(state, setupId)],
  };
}
