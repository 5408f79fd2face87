import { z } from 'zod';

import { HISTOGRAM_BINS, MAX_FRAME_IMAGE_LETTERS } from '../frames';
import { idSchema, stopFields } from '../gear';

const channelCounts = z.array(z.number().int().min(0)).length(HISTOGRAM_BINS);
const channelShares = z.tuple([z.number().min(0).max(1), z.number().min(0).max(1), z.number().min(0).max(1)]);

/** The downsized copy of a picture. It lies apart from the frame's facts, under the frame's id, so that it can go. */
export const frameImageSchema = z
  .string()
  .regex(/^data:image\/jpeg;base64,[A-Za-z0-9+/=]+$/)
  .max(MAX_FRAME_IMAGE_LETTERS);

/** A test frame: a picture's settings and what its tones say. A fact: only struck out. */
export const frameSchema = z.strictObject({
  type: z.literal('frame'),
  version: z.literal(3),
  id: idSchema,
  setupId: idSchema,
  at: z.iso.datetime({ offset: true }),
  name: z.string().trim().min(1).max(200),
  takenAt: z
    .string()
    .max(40)
    .nullable()
    .meta({ description: 'the camera clock as the picture tells it, with no zone of its own; null: not told' }),
  ...stopFields,
  settingsFrom: z.enum(['exif', 'typed', 'simulated']),
  byItself: z
    .strictObject({
      exposure: z.enum(['manual', 'automatic']).nullable(),
      compensationStops: z.number().min(-10).max(10).nullable(),
      whiteBalance: z.enum(['manual', 'automatic']).nullable(),
      flashFired: z.boolean().nullable(),
    })
    .meta({ description: 'what the camera did by itself, as the picture tells it; null: not told' }),
  widthPx: z.number().int().min(1).max(60_000),
  heightPx: z.number().int().min(1).max(60_000),
  histogram: z.strictObject({ red: channelCounts, green: channelCounts, blue: channelCounts }),
  clipped: z
    .strictObject({ highlights: channelShares, shadows: channelShares })
    .meta({ description: 'share of the picture at each end, red, green, blue' }),
  struckAt: z.iso.datetime({ offset: true }).nullable(),
});
export type Frame = z.infer<typeof frameSchema>;
