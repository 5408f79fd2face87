import type { Step } from './step';

/** Version 2 tells kinds of filter apart; before, all were of neutral density. */
export const filter1: Step = (old) => ({ ...old, version: 2, kind: 'nd' });
