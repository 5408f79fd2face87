import type { Step } from './step';

/** Lamps and panels go along with a look: one that was kept before has none. */
export const look1: Step = (old, isRaw) => ({
  ...old,
  version: 2,
  picture: isRaw(old['picture']) ? { lamps: [], panels: [], ...old['picture'] } : old['picture'],
});
