import type { Step } from './step';

/** Version 3 of a spot may have a forecast of the weather; until then there was none. */
export const spot2: Step = (old) => ({ ...old, version: 3, weather: null });
