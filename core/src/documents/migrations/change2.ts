import type { Step } from './step';

/** Version 3 of a change lists lights and lamps as they are now, so that older ones can be taken back. */
export const change2: Step = (old, isRaw) => {
  const added: Record<string, object> = { lights: { placeSaid: true }, lamps: { on: true } };
  const asNow = (path: unknown, value: unknown) => {
    const more = added[String(path)];
    return more === undefined || !Array.isArray(value)
      ? value
      : value.map((one: unknown) => (isRaw(one) ? { ...more, ...one } : one));
  };
  const { settings } = old;
  return {
    ...old,
    version: 3,
    settings: Array.isArray(settings)
      ? settings.map((one: unknown) =>
          isRaw(one) ? { ...one, from: asNow(one['path'], one['from']), to: asNow(one['path'], one['to']) } : one,
        )
      : [],
  };
};
