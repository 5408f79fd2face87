import type { OpenSide, Setup } from '../setup';

/**
 * The side that the key should stand on, -1 for the left of the camera and 1 for the right: the one that shows the better side
 * of the face lit, else the one that the ambient comes from, so that no second shadow crosses the first. null: either will do.
 * @param openSide where the ambient comes from, said or told by readings; null: nothing tells
 */
export function suggestedKeySide(
  { stage: { subject } }: Pick<Setup, 'stage'>,
  openSide: OpenSide | null,
): -1 | 1 | null {
  const side = subject.betterSide ?? openSide;
  if (side === 'left') return -1;
  return side === 'right' ? 1 : null;
}
