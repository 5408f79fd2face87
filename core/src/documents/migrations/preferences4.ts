import type { Step } from './step';

/** Version 5 has bounds of its own for what drifts; until then they were the same for everybody. */
export const preferences4: Step = (old) => ({
  ...old,
  version: 5,
  bounds: { faceStops: 1 / 3, backgroundStops: 1 / 3, share: 0.1 },
});
