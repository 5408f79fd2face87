import type { Step } from './step';

/** Version 3 of a lamp says what it takes and what its battery holds; until then that was not known. */
export const lamp2: Step = (old) => ({ ...old, version: 3, watts: null, batteryWh: null, coldShare: null });
