import { z } from 'zod';

import { TONE_RANGE, TONES } from '../photometry';

export const toneFields = {
  tone: z.enum(['own', ...TONES.map(({ id }) => id)]),
  toneStops: z
    .number()
    .min(TONE_RANGE.least)
    .max(TONE_RANGE.most)
    .meta({ description: 'where the tone lies when lit correctly, stops from mid grey' }),
};

/** How a reading is taken with a meter or a camera; decides what the number means. */
export const meteringMethodSchema = z.discriminatedUnion('kind', [
  z
    .strictObject({ kind: z.literal('incident'), aim: z.enum(['camera', 'light']) })
    .meta({ description: 'dome at the subject, towards the camera or towards the light' }),
  z.strictObject({ kind: z.literal('disc') }).meta({ description: 'flat disc towards one source: that source alone' }),
  z.strictObject({ kind: z.literal('spot'), ...toneFields }).meta({ description: 'reflected light of one tone' }),
  z
    .strictObject({
      kind: z.literal('reflected'),
      compensationStops: z.number().min(-5).max(5).meta({ description: 'dialled on it; +1 makes the frame brighter' }),
    })
    .meta({ description: "the camera's own meter over the whole frame" }),
  z
    .strictObject({
      kind: z.literal('eye'),
      of: z.enum(['place', 'frame']).meta({ description: 'looked right for this place, or for the whole frame' }),
    })
    .meta({ description: 'settings that looked right on the camera' }),
]);
export type MeteringMethod = z.infer<typeof meteringMethodSchema>;

/** Dome to the camera: the usual way, taken where nothing else was said. */
export const USUAL_METHOD: MeteringMethod = { kind: 'incident', aim: 'camera' };
