import type { Step } from './step';

/** Version 6 knows what a lamp is meant to do, the side that the ambient comes from, and the better side of a face. */
export const setup5: Step = (old, isRaw) => {
  const { lamps, stage } = old;
  const subject = isRaw(stage) ? stage['subject'] : null;
  return {
    ...old,
    version: 6,
    lamps: Array.isArray(lamps) ? lamps.map((one: unknown) => (isRaw(one) ? { ...one, role: null } : one)) : lamps,
    stage: isRaw(stage)
      ? { ...stage, openSide: null, subject: isRaw(subject) ? { ...subject, betterSide: null } : subject }
      : stage,
  };
};
