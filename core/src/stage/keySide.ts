import type { Setup } from '../setup';

/**
 * The side that the key should stand on, -1 for the left of the camera and 1 for the right: the one that shows the better side
 * of the face lit, else the one that the ambient comes from, so that no second shadow crosses the first. null: either will do.
 */
export function suggestedKeySide({ stage: { openSide, subject } }: Pick<Setup, 'stage'>): -1 | 1 | null {
  const side = subject.betterSide ?? openSide;
  if (side === 'left') return -1;
  return side === 'right' ? 1 : null;
}
