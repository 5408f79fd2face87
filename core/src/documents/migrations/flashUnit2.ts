import type { Step } from './step';

/** Version 3 can be retired, and knows the charge and the outlets; a guide number says at which zoom it holds. */
export const flashUnit2: Step = (old, isRaw) => {
  const { output } = old;
  return {
    ...old,
    version: 3,
    retired: false,
    popsFull: null,
    outlets: [],
    output: isRaw(output) && output['by'] === 'guideNumber' ? { ...output, zoomMm: null } : output,
  };
};
