import { z } from 'zod';

import { isWellFormed } from '../gear';
import { fault, TONE_RANGE } from '../photometry';
import { meteringMethodSchema } from './method';

/** What a metering point can be, in the order in which people meter. */
export const POINT_ROLES = [
  'face',
  'shadow',
  'background',
  'sky',
  'highlight',
  'white',
  'dark',
  'grey',
  'own',
] as const;
export type PointRole = (typeof POINT_ROLES)[number];

interface RoleFacts {
  /** how far what is there lies from mid grey when lit correctly, stops */
  toneStops: number;
  /** moves with the people, turns with the head */
  on: 'face' | 'people' | 'place';
}

/** Each kind of point with the tone that it usually has. */
export const ROLE_FACTS: Record<PointRole, RoleFacts> = {
  face: { toneStops: 0, on: 'face' },
  shadow: {
    toneStops: 0,
    on: 'face',
  },
  background: {
    toneStops: 0,
    on: 'place',
  },
  sky: { toneStops: 0, on: 'place' },
  highlight: {
    toneStops: 0,
    on: 'face',
  },
  white: { toneStops: 7 / 3, on: 'people' },
  dark: { toneStops: -2.5, on: 'people' },
  grey: { toneStops: 0, on: 'people' },
  own: { toneStops: 0, on: 'place' },
};

export const pointSchema = z.strictObject({
  id: z.string().min(1).max(60),
  role: z.enum(POINT_ROLES),
  name: z
    .string()
    .trim()
    .min(1, fault('point-name-missing'))
    .max(60, fault('point-name-long'))
    .refine(isWellFormed, fault('text-broken')),
  toneStops: z
    .number()
    .min(TONE_RANGE.least)
    .max(TONE_RANGE.most)
    .meta({ description: 'how far what is there lies from mid grey when lit correctly' }),
  standsIn: z
    .enum(['sun', 'shade', 'indoors'])
    .nullable()
    .meta({ description: 'the light that falls there, as the photographer says' }),
  method: meteringMethodSchema.nullable().meta({
    description:
      'how it is metered next, where that was chosen; null: as it was metered last, else as its kind usually is',
  }),
  patchy: z.boolean().meta({ description: 'the light there is patchy: a reading of it may be off by more' }),
  leftOut: z.boolean().meta({ description: 'not metered on purpose: it is not asked for' }),
});
/** A place in the scene that is metered. */
export type MeteringPoint = z.infer<typeof pointSchema>;
