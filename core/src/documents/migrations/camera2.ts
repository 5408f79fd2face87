import type { Step } from './step';

/** Version 3 of a camera can be retired. */
export const camera2: Step = (old) => ({ ...old, version: 3, retired: false });
