import type { Step } from './step';

/** Version 6 of a change lists points, cameras and versions as they are now, and how a meter is pointed no more. */
export const change5: Step = (old, isRaw) => {
  const more = (value: unknown, added: object) => (isRaw(value) ? { ...value, ...added } : value);
  const asNow = (path: unknown, value: unknown) => {
    if (path === 'camera') return more(value, { stands: null });
    if (!Array.isArray(value)) return value;
    const list: unknown[] = value;
    if (path === 'points') return list.map((one) => more(one, { method: null, patchy: false, leftOut: false }));
    if (path !== 'versions') return list;
    return list.map((one) => (isRaw(one) ? { ...one, camera: more(one['camera'], { stands: null }) } : one));
  };
  const { settings } = old;
  const all: unknown[] = Array.isArray(settings) ? settings : [];
  const kept = all.filter((one) => !isRaw(one) || one['path'] !== 'meter.method');
  // a change is never empty: what said nothing but how a meter was pointed says nothing any more
  const left = kept.length > 0 ? kept : [{ path: 'takenOver', from: [], to: [] }];
  return {
    ...old,
    version: 6,
    settings: left.map((one: unknown) =>
      isRaw(one) ? { ...one, from: asNow(one['path'], one['from']), to: asNow(one['path'], one['to']) } : one,
    ),
  };
};
