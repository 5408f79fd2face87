import { z } from 'zod';

import { HISTOGRAM_BINS, MAX_FRAME_IMAGE_LETTERS } from '../frames';
import { stopFields } from '../gear';

const channelCounts = z.array(z.number().int().min(0)).length(HISTOGRAM_BINS);
const channelShares = z.tuple([z.number().min(0).max(1), z.number().min(0).max(1), z.number().min(0).max(1)]);

/** A test frame: a small copy of a picture with its settings and what its tones say. A fact: only struck out. */
export const frameSchema = z.strictObject({
  type: z.literal('frame'),
  version: z.literal(1),
  id: z.uuid(),
  setupId: z.uuid(),
  at: z.iso.datetime({ offset: true }),
  name: z.string().trim().min(1).max(200),
  takenAt: z
    .string()
    .max(40)
    .nullable()
    .meta({ description: 'the camera clock as the picture tells it, with no zone of its own; null: not told' }),
  ...stopFields,
  settingsFrom: z.enum(['exif', 'typed', 'simulated']),
  widthPx: z.number().int().min(1).max(60_000),
  heightPx: z.number().int().min(1).max(60_000),
  image: z
    .string()
    .regex(/^data:image\/jpeg;base64,[A-Za-z0-9+/=]+$/)
    .max(MAX_FRAME_IMAGE_LETTERS)
    .meta({ description: 'the downsized copy' }),
  histogram: z.strictObject({ red: channelCounts, green: channelCounts, blue: channelCounts }),
  clipped: z
    .strictObject({ highlights: channelShares, shadows: channelShares })
    .meta({ description: 'share of the picture at each end, red, green, blue' }),
  struckAt: z.iso.datetime({ offset: true }).nullable(),
});
export type Frame = z.infer<typeof frameSchema>;
