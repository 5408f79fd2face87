import type { Step } from './step';

/** Version 2 of a stand knows booms and wheels; those of before had neither. */
export const stand1: Step = (old) => ({ ...old, version: 2, boomM: null, wheels: false });
