import type { Step } from './step';

/** Version 8 of a change lists lamps that come on at dusk, and what panels stand on, as setups do now. */
export const change7: Step = (old, isRaw) => {
  const each = (list: unknown, added: object): unknown => {
    if (!Array.isArray(list)) return list;
    return list.map((one: unknown) => (isRaw(one) ? { ...one, ...added } : one));
  };
  const lamps = (list: unknown) => each(list, { fromDusk: false });
  const panels = (list: unknown) => each(list, { standId: null });
  const asNow = (path: unknown, value: unknown): unknown => {
    if (path === 'lamps') return lamps(value);
    if (path === 'panels') return panels(value);
    if (path !== 'variants' || !Array.isArray(value)) return value;
    const all: unknown[] = value;
    return all.map((one) => (isRaw(one) ? { ...one, lamps: lamps(one['lamps']), panels: panels(one['panels']) } : one));
  };
  const { settings } = old;
  return {
    ...old,
    version: 8,
    settings: Array.isArray(settings)
      ? settings.map((one: unknown) =>
          isRaw(one) ? { ...one, from: asNow(one['path'], one['from']), to: asNow(one['path'], one['to']) } : one,
        )
      : settings,
  };
};
