import type { Step } from './step';

/** Version 2 knows flash duration and recycling. */
export const flashUnit1: Step = (old) => ({ ...old, version: 2, t01FullS: null, recycleFullS: null });
