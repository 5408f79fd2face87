import type { Step } from './step';

/** Version 7 of a change names variants. What lay round a version of before is not known any more: that it was set aside remains. */
export const change6: Step = (old, isRaw) => {
  const { settings } = old;
  const all: unknown[] = Array.isArray(settings) ? settings : [];
  return {
    ...old,
    version: 7,
    settings: all.map((one: unknown) =>
      isRaw(one) && one['path'] === 'versions' ? { path: 'variants', from: [], to: [] } : one,
    ),
  };
};
