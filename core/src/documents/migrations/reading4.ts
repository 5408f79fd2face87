import type { Step } from './step';

/** Version 5 of a reading says how things stood, with what it was taken, and whether its lights' places were said. */
export const reading4: Step = (old, isRaw) => {
  const { fired } = old;
  return {
    meterId: null,
    cameraId: null,
    lensId: null,
    stood: null,
    ...old,
    version: 5,
    fired: Array.isArray(fired) ? fired.map((one: unknown) => (isRaw(one) ? { placeSaid: true, ...one } : one)) : [],
  };
};
