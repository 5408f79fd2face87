import type { Step } from './step';

/** Version 5 of a change lists lights and lamps as they are now, so that older ones can be taken back. */
export const change4: Step = (old, isRaw) => {
  const asNow = (path: unknown, value: unknown) =>
    (path === 'lights' || path === 'lamps') && Array.isArray(value)
      ? value.map((one: unknown) => (isRaw(one) ? { ...one, standsFor: null } : one))
      : value;
  const { settings } = old;
  return {
    ...old,
    version: 5,
    settings: Array.isArray(settings)
      ? settings.map((one: unknown) =>
          isRaw(one) ? { ...one, from: asNow(one['path'], one['from']), to: asNow(one['path'], one['to']) } : one,
        )
      : [],
  };
};
