import type { Step } from './step';

/** Version 2 of a lens can be retired. */
export const lens1: Step = (old) => ({ ...old, version: 2, retired: false });
