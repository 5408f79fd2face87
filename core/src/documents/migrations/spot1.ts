import type { Step } from './step';

/** Version 2 of a spot says where it lies and what it is like; until then it was a name. */
export const spot1: Step = (old) => ({
  ...old,
  version: 2,
  place: null,
  timeZone: null,
  looksDeg: null,
  light: null,
  windowsFaceDeg: null,
  outline: [],
  facts: [],
  note: '',
});
