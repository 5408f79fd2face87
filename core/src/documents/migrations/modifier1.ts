import type { Step } from './step';

/** Version 2 can be retired, and knows the cloth and the beam. */
export const modifier1: Step = (old, isRaw) => {
  const point = isRaw(old['shape']) && old['shape']['kind'] === 'point';
  return {
    ...old,
    version: 2,
    retired: false,
    layers: point ? 0 : 1,
    beam: point ? { kind: 'cone', fullDeg: 60 } : { kind: 'diffuse' },
  };
};
