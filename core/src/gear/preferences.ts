import { z } from 'zod';

import { fault } from '../photometry';

/** The ways in which photographers say the look; each under our own name in `LOOK_WAYS`. */
export const LOOK_WAY_IDS = ['underTotal', 'share', 'underKey', 'fill'] as const;
export type LookWayId = (typeof LOOK_WAY_IDS)[number];

/** The camera's dials that can be kept, in the usual order of preference. */
export const DIALS_KEPT = ['aperture', 'iso', 'shutter'] as const;
export type CameraDial = (typeof DIALS_KEPT)[number];

/** The three dials in the order in which they are kept. */
export const keepOrderSchema = z
  .tuple([z.enum(DIALS_KEPT), z.enum(DIALS_KEPT), z.enum(DIALS_KEPT)])
  .refine((order) => new Set(order).size === 3, fault('keep-each-once'));

/** How far a picture may drift: face and background in stops, flash in its share of the light on the face. */
const boundsSchema = z.strictObject({
  faceStops: z.number().min(0.1).max(1),
  backgroundStops: z.number().min(0.1).max(2),
  share: z.number().min(0.02).max(0.5),
});
export type Bounds = z.infer<typeof boundsSchema>;
/** A third of a stop is seen; a tenth of the light changes how it looks. */
export const USUAL_BOUNDS: Bounds = { faceStops: 1 / 3, backgroundStops: 1 / 3, share: 0.1 };

/** How this person counts and measures; part of the kit because the meter and the tape are. */
export const preferencesSchema = z.strictObject({
  meterIncrement: z.enum(['tenth', 'third', 'half']),
  distanceUnit: z.enum(['m', 'ft']),
  lookWay: z.enum(LOOK_WAY_IDS).meta({ description: 'how this person says the look; comes first everywhere' }),
  keepOrder: keepOrderSchema.meta({ description: 'what a new setup keeps first on the camera' }),
  mainsHz: z.literal([50, 60]).meta({ description: 'mains frequency, for lamps that flicker' }),
  paces: z.boolean().meta({ description: 'distances in paces and hand-breadths too, for a helper without a tape' }),
  forgotten: z
    .record(z.string().max(80), z.iso.datetime({ offset: true }))
    .meta({ description: 'things of the kit whose readings up to a time teach nothing any more' }),
  bounds: boundsSchema.meta({ description: 'how far a picture may drift before this person sets something' }),
  decimalMeans: z.record(z.string().max(80), z.enum(['printed', 'tenths'])).meta({
    description: 'by meter, what 4.5 on it means: f/4.5, or f/4 and five tenths; not in it until it was asked',
  }),
});
/** What a figure such as 4.5 means on a meter in tenths: the printed f/4.5, or f/4 and five tenths of a stop. */
export type DecimalMeans = Preferences['decimalMeans'][string];
/** The meter that is always used, where none of the kit is chosen. */
export const USUAL_METER = 'usual';
export type Preferences = z.infer<typeof preferencesSchema>;
export const DEFAULT_PREFERENCES: Preferences = {
  meterIncrement: 'tenth',
  distanceUnit: 'm',
  lookWay: 'underTotal',
  keepOrder: ['aperture', 'iso', 'shutter'],
  mainsHz: 50,
  paces: false,
  forgotten: {},
  bounds: USUAL_BOUNDS,
  decimalMeans: {},
};
