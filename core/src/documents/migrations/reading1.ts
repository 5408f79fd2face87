import type { Step } from './step';

/** Version 2 knows how a reading was taken; before, all had the dome to the camera and were read as an aperture. */
export const reading1: Step = (old) => ({
  ...old,
  version: 2,
  read: 'aperture',
  method: { kind: 'incident', aim: 'camera' },
  meterMode: null,
  assumed: [],
  origin: 'typed',
  corrects: null,
});
