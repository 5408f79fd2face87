import type { Step } from './step';

/** Version 4 knows the cold, the heat and what is left of the charge; until then a battery was full and warm. */
export const flashUnit3: Step = (old) => ({ ...old, version: 4, coldShare: null, hotAfterPops: null, charge: null });
