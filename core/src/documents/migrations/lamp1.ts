import type { Step } from './step';

/** Version 2 of a lamp says how it is dimmed; those of before were dimmed to anything. */
export const lamp1: Step = (old) => ({ ...old, version: 2, dimmer: { leastPercent: 1, stepPercent: 1 } });
