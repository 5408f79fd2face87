import type { Step } from './step';

/** Version 9 sets everything aside that may be another: a version of before stood among the lights and the stage of its setup. */
export const setup8: Step = (old, isRaw) => {
  const { versions, ...rest } = old;
  const { lights, lamps, panels, stage, backgroundM, backdrop, colour } = old;
  const around = { lights, lamps, panels, stage, backgroundM, backdrop, colour };
  return {
    ...rest,
    version: 9,
    variants: Array.isArray(versions)
      ? versions.map((one: unknown) => (isRaw(one) ? { ...one, from: null, ...around } : one))
      : versions,
    variantOf: null,
  };
};
