import type { Step } from './step';

/** Version 4 of a change lists lamps and people as they are now, so that older ones can be taken back. */
export const change3: Step = (old, isRaw) => {
  const more = (value: unknown, added: object) => (isRaw(value) ? { ...value, ...added } : value);
  const asNow = (path: unknown, value: unknown) => {
    if (path === 'lamps' && Array.isArray(value)) return value.map((one) => more(one, { role: null }));
    if (path === 'stage.subject') return more(value, { betterSide: null });
    if (path !== 'stage' || !isRaw(value)) return value;
    return { ...value, openSide: null, subject: more(value['subject'], { betterSide: null }) };
  };
  const { settings } = old;
  return {
    ...old,
    version: 4,
    settings: Array.isArray(settings)
      ? settings.map((one: unknown) =>
          isRaw(one) ? { ...one, from: asNow(one['path'], one['from']), to: asNow(one['path'], one['to']) } : one,
        )
      : [],
  };
};
