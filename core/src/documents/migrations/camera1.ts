import type { Step } from './step';

/** Version 2 has what high-speed sync, extended ISO and depth of field need; all cameras before were full frame. */
export const camera1: Step = (old) => ({
  ...old,
  version: 2,
  highSpeedSync: true,
  extendedLowSv: null,
  extendedHighSv: null,
  sensorDiagonalMm: 43.3,
});
