import { z } from 'zod';

import { AV_RANGE, SV_RANGE, TV_RANGE } from '../photometry';

const av = z.number().min(AV_RANGE.least).max(AV_RANGE.most);
const tv = z.number().min(TV_RANGE.least).max(TV_RANGE.most);
const sv = z.number().min(SV_RANGE.least).max(SV_RANGE.most);
export const stopFields = { av, tv, sv };

/** A camera body with its lens, in the kit. Limits are in stops: Av, Tv, Sv. */
export const cameraSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  increment: z.enum(['third', 'half']).meta({ description: 'how the dials count' }),
  syncTv: tv.meta({ description: 'fastest shutter that flash works with; 1/200 is 7.667' }),
  slowestTv: tv.meta({ description: 'slowest shutter still sharp in the hand' }),
  fastestTv: tv.meta({ description: 'fastest shutter, for high-speed sync' }),
  baseSv: sv.meta({ description: 'base ISO; ISO 100 is 0' }),
  highestSv: sv.meta({ description: 'highest ISO accepted' }),
  widestAv: av.meta({ description: 'widest aperture of the lens; f/2 is 2' }),
  smallestAv: av.meta({ description: 'smallest aperture of the lens; f/16 is 8' }),
  clipsAboveStops: z.number().min(0.5).max(8).meta({ description: 'highlights clip this far over mid grey' }),
  noiseBelowStops: z.number().min(-14).max(-0.5).meta({ description: 'shadows are lost this far under mid grey' }),
});
export type Camera = z.infer<typeof cameraSchema>;

/** A neutral-density filter in the kit. */
export const filterSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  lossStops: z.number().min(0.1).max(15),
});
export type Filter = z.infer<typeof filterSchema>;
