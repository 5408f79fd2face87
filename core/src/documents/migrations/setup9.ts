import type { Step } from './step';

/** Version 10 has its place in the plan of the day; until then nothing was planned. */
export const setup9: Step = (old) => ({ ...old, version: 10, plan: null });
