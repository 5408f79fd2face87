import type { Step } from './step';

/** Version 6 of a reading knows the compensation of a camera's meter, what looked right to the eye, and patchy light. */
export const reading5: Step = (old, isRaw) => {
  const { method } = old;
  const added = isRaw(method)
    ? { reflected: { compensationStops: 0 }, eye: { of: 'place' } }[String(method['kind'])]
    : undefined;
  return { ...old, version: 6, method: isRaw(method) ? { ...method, ...added } : method, patchy: false };
};
