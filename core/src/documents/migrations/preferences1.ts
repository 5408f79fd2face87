import type { Step } from './step';

/** Version 2 knows the way to speak of a look, what to keep first, and the mains. */
export const preferences1: Step = (old) => ({
  ...old,
  version: 2,
  lookWay: 'underTotal',
  keepOrder: ['aperture', 'iso', 'shutter'],
  mainsHz: 50,
});
