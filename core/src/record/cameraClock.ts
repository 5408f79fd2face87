import { z } from 'zod';

import { idSchema, isWellFormed } from '../gear';
import { fault } from '../photometry';

/** A camera's clock is off by so much at most, seconds: a wrong day, a wrong zone. */
export const MOST_OFFSET_S = 400 * 24 * 3600;

/** How far a camera's clock is off at a shoot, by which its frames are put to setups. One for each shoot and camera. */
export const cameraClockSchema = z.strictObject({
  type: z.literal('cameraClock'),
  version: z.literal(1),
  id: idSchema,
  shootId: idSchema,
  camera: z.string().trim().max(80).refine(isWellFormed, fault('text-broken')).meta({
    description: 'as its files call it; empty: every camera that is not said apart',
  }),
  offsetS: z
    .number()
    .min(-MOST_OFFSET_S)
    .max(MOST_OFFSET_S)
    .meta({ description: 'its clock minus the true time of the shoot’s zone, seconds' }),
  from: z.enum(['typed', 'code']).meta({ description: 'code: from a photograph of the page that shows the time' }),
});
export type CameraClock = z.infer<typeof cameraClockSchema>;
