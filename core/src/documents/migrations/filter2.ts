import type { Step } from './step';

/** Version 3 of a filter can be retired. */
export const filter2: Step = (old) => ({ ...old, version: 3, retired: false });
