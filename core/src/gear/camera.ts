import { z } from 'zod';

import { AV_RANGE, SV_RANGE, TV_RANGE } from '../notation';
import { fault } from '../photometry';

const av = z.number().min(AV_RANGE.least).max(AV_RANGE.most);
const tv = z.number().min(TV_RANGE.least).max(TV_RANGE.most);
const sv = z.number().min(SV_RANGE.least).max(SV_RANGE.most);
export const stopFields = { av, tv, sv };

/** The diagonal of the 36 × 24 mm frame, which focal lengths are compared by. */
export const FULL_FRAME_DIAGONAL_MM = 43.3;

/** A camera body, in the kit. Limits are in stops: Av, Tv, Sv. */
export const cameraSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  increment: z.enum(['third', 'half']).meta({ description: 'how the dials count' }),
  syncTv: tv.meta({ description: 'fastest shutter that flash works with; 1/200 is 7.667' }),
  highSpeedSync: z.boolean().meta({ description: 'whether the body can do high-speed sync' }),
  slowestTv: tv.meta({ description: 'slowest shutter still sharp in the hand, where no lens is named' }),
  fastestTv: tv.meta({ description: 'fastest shutter, for high-speed sync' }),
  baseSv: sv.meta({ description: 'base ISO; ISO 100 is 0' }),
  highestSv: sv.meta({ description: 'highest ISO accepted' }),
  extendedLowSv: sv
    .nullable()
    .meta({ description: 'lowest extended ISO: base ISO pulled, clips earlier by the difference; null: none' }),
  extendedHighSv: sv.nullable().meta({ description: 'highest extended ISO; null: the highest accepted is the end' }),
  widestAv: av.meta({ description: 'widest aperture, where no lens is named; f/2 is 2' }),
  smallestAv: av.meta({ description: 'smallest aperture, where no lens is named; f/16 is 8' }),
  sensorDiagonalMm: z.number().min(4).max(120),
  clipsAboveStops: z.number().min(0.5).max(8).meta({ description: 'highlights clip this far over mid grey' }),
  noiseBelowStops: z.number().min(-14).max(-0.5).meta({ description: 'shadows are lost this far under mid grey' }),
});
export type Camera = z.infer<typeof cameraSchema>;

/** A lens in the kit. */
export const lensSchema = z
  .strictObject({
    name: z.string().trim().min(1).max(80),
    shortestMm: z.number().min(4).max(2000),
    longestMm: z.number().min(4).max(2000),
    widestAv: av,
    smallestAv: av,
    stabilisedStops: z
      .number()
      .min(0)
      .max(8)
      .meta({ description: 'how many stops slower a still hand may go for the stabiliser, body and lens together' }),
  })
  .refine(({ shortestMm, longestMm }) => shortestMm <= longestMm, {
    path: ['longestMm'],
    message: fault('longest-under-shortest'),
  });
export type Lens = z.infer<typeof lensSchema>;

/** A filter for the lens, in the kit: neutral density, or a polariser. */
export const filterSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  kind: z.enum(['nd', 'polariser']),
  lossStops: z.number().min(0.1).max(15),
});
export type Filter = z.infer<typeof filterSchema>;
