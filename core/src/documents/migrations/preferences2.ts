import type { Step } from './step';

/** Version 3 knows paces, and what is not to be learned any more. */
export const preferences2: Step = (old) => ({ ...old, version: 3, paces: false, forgotten: {} });
