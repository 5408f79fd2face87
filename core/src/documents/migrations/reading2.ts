import type { Step } from './step';

/** Version 3 of a reading names every light that fired; before, it was one, metered at the face where it aimed. */
export const reading2: Step = (old, isRaw) => {
  const { fired } = old;
  const plain = { gridId: null, gelIds: [], outlet: null, zoomMm: null, featherDeg: 0 };
  return {
    ...old,
    version: 3,
    fired: isRaw(fired) ? [{ ...plain, atAim: old['pointId'] === 'face', ...fired }] : [],
  };
};
