import type { Step } from './step';

/** Version 4 of a reading writes down where its lights stood and how far aside they were read; before, nobody knows. */
export const reading3: Step = (old, isRaw) => {
  const { fired } = old;
  const unknown = { sideDeg: null, heightM: null, asideDeg: null };
  return {
    ...old,
    version: 4,
    fired: Array.isArray(fired) ? fired.map((one: unknown) => (isRaw(one) ? { ...unknown, ...one } : one)) : [],
  };
};
