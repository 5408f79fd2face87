import type { Step } from './step';

/** Version 5 tells a place that was said from one that is assumed, lamps that are on, one meter from another, and how tests are made. */
export const setup4: Step = (old, isRaw) => {
  const each = (list: unknown, added: object) =>
    Array.isArray(list) ? list.map((one: unknown) => (isRaw(one) ? { ...added, ...one } : one)) : [];
  const { meter } = old;
  return {
    ...old,
    version: 5,
    // each light was tested alone until there was another way
    tests: 'each',
    lights: each(old['lights'], { placeSaid: true }),
    lamps: each(old['lamps'], { on: true }),
    meter: isRaw(meter) ? { meterId: null, ...meter } : meter,
  };
};
