import type { Step } from './step';

/** Version 11 knows lamps that come on at dusk, and what panels stand on; until then none did, and somebody held them. */
export const setup10: Step = (old, isRaw) => {
  const each = (list: unknown, added: object): unknown => {
    if (!Array.isArray(list)) return list;
    return list.map((one: unknown) => (isRaw(one) ? { ...one, ...added } : one));
  };
  const brought = (one: Record<string, unknown>) => ({
    ...one,
    lamps: each(one['lamps'], { fromDusk: false }),
    panels: each(one['panels'], { standId: null }),
  });
  const { variants } = old;
  return {
    ...brought(old),
    version: 11,
    variants: Array.isArray(variants) ? variants.map((one: unknown) => (isRaw(one) ? brought(one) : one)) : variants,
  };
};
