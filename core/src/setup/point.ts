import { z } from 'zod';

import { TONE_RANGE } from '../photometry';

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
  name: string;
  /** how far what is there lies from mid grey when lit correctly, stops */
  toneStops: number;
  /** what to do at it, in one line */
  advice: string;
  /** moves with the people, turns with the head */
  on: 'face' | 'people' | 'place';
}

/** Each kind of point under our own name, with the tone that it usually has. */
export const ROLE_FACTS: Record<PointRole, RoleFacts> = {
  face: { name: 'Face', toneStops: 0, advice: 'Flash off, dome to the camera.', on: 'face' },
  shadow: {
    name: 'Shadow side',
    toneStops: 0,
    advice: 'Dome at the dark cheek, shaded from the lit side.',
    on: 'face',
  },
  background: {
    name: 'Background',
    toneStops: 0,
    advice: 'Flash off, dome in the light that falls there.',
    on: 'place',
  },
  sky: { name: 'Sky', toneStops: 0, advice: 'Spot on the part that should keep its colour.', on: 'place' },
  highlight: {
    name: 'Hair light',
    toneStops: 0,
    advice: 'Dome where the rim of light falls, towards the light.',
    on: 'face',
  },
  white: { name: 'White cloth', toneStops: 7 / 3, advice: 'Dome at the brightest fold, or spot on it.', on: 'people' },
  dark: { name: 'Dark cloth', toneStops: -2.5, advice: 'Dome at the suit, or spot on it.', on: 'people' },
  grey: { name: 'Grey card', toneStops: 0, advice: 'Spot on the card, held where the face is.', on: 'people' },
  own: { name: 'Own point', toneStops: 0, advice: 'Dome in the light that falls there.', on: 'place' },
};

export const pointSchema = z.strictObject({
  id: z.string().min(1).max(60),
  role: z.enum(POINT_ROLES),
  name: z.string().trim().min(1, 'Give the point a name, such as Veil.').max(60, 'Keep the name under 60 letters.'),
  toneStops: z
    .number()
    .min(TONE_RANGE.least)
    .max(TONE_RANGE.most)
    .meta({ description: 'how far what is there lies from mid grey when lit correctly' }),
  standsIn: z
    .enum(['sun', 'shade', 'indoors'])
    .nullable()
    .meta({ description: 'the light that falls there, as the photographer says' }),
});
/** A place in the scene that is metered. */
export type MeteringPoint = z.infer<typeof pointSchema>;
