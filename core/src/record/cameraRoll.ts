import { z } from 'zod';

import { idSchema, isWellFormed } from '../gear';
import { fault } from '../photometry';

/** A camera's clock is off by so much at most, seconds: a wrong day, a wrong zone. */
export const MOST_OFFSET_S = 400 * 24 * 3600;
/** More frames of one camera a day hardly has. */
export const MOST_FRAMES = 8000;

/** A frame as its camera wrote it. */
const rollFrameSchema = z.strictObject({
  name: z.string().trim().min(1).max(40).refine(isWellFormed, fault('text-broken')),
  at: z.iso.datetime({ local: true }).meta({ description: 'by the camera’s own clock, which knows no zone' }),
});
export type RollFrame = z.infer<typeof rollFrameSchema>;

/** The frames that a camera made at a shoot, and how far its clock is off: by that each is put to its setup. */
export const cameraRollSchema = z.strictObject({
  type: z.literal('cameraRoll'),
  version: z.literal(1),
  id: idSchema,
  shootId: idSchema,
  camera: z.string().trim().max(80).refine(isWellFormed, fault('text-broken')).meta({
    description: 'as its files call it; empty: they do not say',
  }),
  offsetS: z
    .number()
    .min(-MOST_OFFSET_S)
    .max(MOST_OFFSET_S)
    .meta({ description: 'its clock minus the true time in the zone of the shoot, seconds' }),
  offsetFrom: z
    .enum(['assumed', 'typed', 'code'])
    .meta({ description: 'code: from a photograph of the page that shows the time' }),
  frames: z.array(rollFrameSchema).max(MOST_FRAMES),
});
export type CameraRoll = z.infer<typeof cameraRollSchema>;
