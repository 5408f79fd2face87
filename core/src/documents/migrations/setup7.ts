import type { Step } from './step';

/**
 * Version 8 knows what is dialled on the camera, how each point is metered, what was taken over from the setup before, notes
 * and frame numbers, and a setup's place in the list.
 */
export const setup7: Step = (old, isRaw) => {
  const each = (list: unknown, added: object) =>
    Array.isArray(list) ? list.map((one: unknown) => (isRaw(one) ? { ...one, ...added } : one)) : list;
  const told = (camera: unknown) => (isRaw(camera) ? { ...camera, stands: null } : camera);
  const { meter, versions } = old;
  const { method: _method, ...held } = isRaw(meter) ? meter : {};
  return {
    ...old,
    version: 8,
    meter: isRaw(meter) ? held : meter,
    points: each(old['points'], { method: null, patchy: false, leftOut: false }),
    camera: told(old['camera']),
    takenOver: [],
    note: '',
    frames: { from: '', to: '' },
    listed: 0,
    versions: Array.isArray(versions)
      ? versions.map((one: unknown) => (isRaw(one) ? { ...one, camera: told(one['camera']) } : one))
      : versions,
  };
};
