import type { Step } from './step';

/** Version 2 of a change says at which device it was made; before, nobody knew. */
export const change1: Step = (old) => ({ ...old, version: 2, by: null });
