import type { Step } from './step';

/** Version 7 knows what a motivated light stands for, and how large a backdrop is. */
export const setup6: Step = (old, isRaw) => {
  const withMotive = (list: unknown) =>
    Array.isArray(list) ? list.map((one: unknown) => (isRaw(one) ? { ...one, standsFor: null } : one)) : list;
  return { ...old, version: 7, lights: withMotive(old['lights']), lamps: withMotive(old['lamps']), backdrop: null };
};
