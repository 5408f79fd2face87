import type { Step } from './step';

/** Version 4 knows what a decimal on each meter means. */
export const preferences3: Step = (old) => ({ ...old, version: 4, decimalMeans: {} });
