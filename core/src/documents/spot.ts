import { z } from 'zod';

import { idSchema, isWellFormed } from '../gear';
import { fault } from '../photometry';
import { zoneSchema } from './shoot';
import { weatherAt, type WeatherNow, weatherSchema } from './weather';

/** What a spot is like, as far as people and gear may come to harm there; each has a short caution. */
export const SPOT_FACTS = [
  'road',
  'public-way',
  'water',
  'slope',
  'soft-ground',
  'wet',
  'mains',
  'insects',
  'heat',
  'cold',
  'light-sensitive',
  'infant',
  'unattended-stand',
] as const;
export type SpotFact = (typeof SPOT_FACTS)[number];

/** What light there is: under the open sky, in the shade of something, in a room. */
export const SPOT_LIGHTS = ['open', 'shade', 'indoors'] as const;
export type SpotLight = (typeof SPOT_LIGHTS)[number];

const bearingDeg = z.number().min(0).max(360);

/** Something that hides the sun, from a bearing clockwise to another: as it is seen, or by its height and how far it is. */
export const obstacleSchema = z.strictObject({
  fromDeg: bearingDeg,
  toDeg: bearingDeg,
  size: z.discriminatedUnion('by', [
    z.strictObject({ by: z.literal('angle'), riseDeg: z.number().min(0).max(89) }),
    z.strictObject({
      by: z.literal('height'),
      heightM: z.number().min(0.1).max(2000),
      awayM: z.number().min(0.5).max(20_000),
    }),
  ]),
  leaves: z.boolean().meta({ description: 'light comes through: when the sun is hidden is not to be relied on' }),
});
export type Obstacle = z.infer<typeof obstacleSchema>;
/** More than these nobody draws. */
export const MOST_OBSTACLES = 40;

export const placeSchema = z.strictObject({
  latitudeDeg: z.number().min(-90).max(90),
  longitudeDeg: z.number().min(-180).max(180),
});
export type SpotPlace = z.infer<typeof placeSchema>;

/** A spot within a shoot: one place in the light. */
export const spotSchema = z.strictObject({
  type: z.literal('spot'),
  version: z.literal(3),
  id: idSchema,
  shootId: idSchema,
  title: z
    .string()
    .trim()
    .min(1, fault('spot-name-missing'))
    .max(120, fault('spot-name-long'))
    .refine(isWellFormed, fault('text-broken')),
  place: placeSchema.nullable().meta({ description: 'where it lies; null: nobody said' }),
  timeZone: zoneSchema.nullable().meta({ description: 'the zone of that place; null: that of the shoot' }),
  looksDeg: bearingDeg
    .nullable()
    .meta({ description: 'where the camera looks, degrees from north through east; null: not said' }),
  light: z.enum(SPOT_LIGHTS).nullable().meta({ description: 'null: not said' }),
  windowsFaceDeg: bearingDeg
    .nullable()
    .meta({ description: 'indoors: the bearing that its windows face; null: not said' }),
  outline: z.array(obstacleSchema).max(MOST_OBSTACLES).meta({ description: 'what stands round it' }),
  facts: z.array(z.enum(SPOT_FACTS)).max(SPOT_FACTS.length),
  note: z.string().max(4000).refine(isWellFormed, fault('text-broken')),
  weather: weatherSchema.nullable().meta({ description: 'as it was foretold for the place; null: nobody asked' }),
});
export type Spot = z.infer<typeof spotSchema>;

/** What is known of a spot that was only named. */
export const PLAIN_SPOT = {
  type: 'spot',
  version: 3,
  place: null,
  timeZone: null,
  looksDeg: null,
  light: null,
  windowsFaceDeg: null,
  outline: [],
  facts: [],
  note: '',
  weather: null,
} satisfies Partial<Spot>;

/** What a spot is like at a moment, as far as gear and people may come to harm there. */
export interface Surroundings {
  facts: readonly SpotFact[];
  weather: WeatherNow | null;
}

/** Nothing is known of the spot. */
export const NOTHING_AROUND: Surroundings = { facts: [], weather: null };

/** A spot at a moment. */
export const surroundingsAt = ({ facts, weather }: Pick<Spot, 'facts' | 'weather'>, ms: number): Surroundings => ({
  facts,
  weather: weatherAt(weather, ms),
});
