import { z } from 'zod';

import { idSchema, isWellFormed, stopFields } from '../gear';
import { READ_VALUES } from '../notation';
import { fault } from '../photometry';
import { cameraWishSchema } from './cameraWish';
import { lightSchema, MOST_LIGHTS, placedLampSchema } from './light';
import { colourSchema, lookSchema } from './look';
import { panelSchema } from './panel';
import { pointSchema } from './point';
import { stageSchema } from './stage';

/** The setup document's version; raised with a migration when its shape changes. */
export const SETUP_VERSION = 11;

/** Parts that a fresh setup takes over from the one before it. */
export const TAKEN_OVER = ['camera', 'lights'] as const;
export type TakenOver = (typeof TAKEN_OVER)[number];

const lights = z.array(lightSchema).max(MOST_LIGHTS);
const lamps = z.array(placedLampSchema).max(6);
const panels = z
  .array(panelSchema)
  .max(8)
  .meta({ description: 'reflectors, diffusers and flags, and the openings that light comes in through' });
const backgroundM = z
  .number()
  .min(0.3)
  .max(100)
  .nullable()
  .meta({ description: 'from the subject to the background; null: not said' });
const backdrop = z
  .strictObject({ widthM: z.number().min(0.3).max(30), tallM: z.number().min(0.3).max(30) })
  .nullable()
  .meta({ description: 'a cloth or wall of stated size behind the subject; null: it reaches as far as is seen' });

/** What a person may set in another way and compare: look, camera, lights, lamps, panels, stage and colours. */
const compared = {
  look: lookSchema,
  camera: cameraWishSchema,
  lights,
  lamps,
  panels,
  stage: stageSchema,
  backgroundM,
  backdrop,
  colour: colourSchema,
};

/** Another way of making the picture, set aside. */
export const variantSchema = z.strictObject({
  id: idSchema,
  name: z.string().trim().min(1).max(40),
  from: idSchema.nullable().meta({ description: 'the variant that it was made from; null: the first' }),
  ...compared,
});
export type Variant = z.infer<typeof variantSchema>;
/** More than these are not compared. */
export const MOST_VARIANTS = 8;

/** A frame's number as the camera counts it. */
const frameNumber = z.string().trim().max(20).refine(isWellFormed, fault('text-broken'));

const span = z.number().min(0).max(20);

const minutes = z.number().int().min(0).max(600);
const sunHeightDeg = z.number().min(-18).max(90);

/** When a setup is to be made: while the sun stands between two heights, or while it reaches the sitter, or does not. */
const planWindowSchema = z.discriminatedUnion('by', [
  z.strictObject({
    by: z.literal('heights'),
    fromDeg: sunHeightDeg.meta({ description: 'height of the sun at which it begins' }),
    toDeg: sunHeightDeg.meta({ description: 'and ends: under `fromDeg` in the evening, over it in the morning' }),
  }),
  z.strictObject({ by: z.literal('sun'), reaches: z.boolean() }),
]);
export type PlanWindow = z.infer<typeof planWindowSchema>;

/** A setup's place in the plan of the day. */
const planSchema = z.strictObject({
  startsAt: z.iso
    .datetime({ offset: true })
    .nullable()
    .meta({ description: 'first frame; null: as its window wants it' }),
  setUpMin: minutes,
  shootMin: minutes,
  packMin: minutes,
  moveMin: minutes.meta({ description: 'to the next spot' }),
  value: z.number().int().min(1).max(5).meta({ description: 'how much it is wanted' }),
  must: z.boolean().meta({ description: 'must not be missed' }),
  window: planWindowSchema.nullable().meta({ description: 'null: at any time' }),
});
export type SetupPlan = z.infer<typeof planSchema>;

/** Who stands where, what look is wanted, what gear is used. Everything that `solve` needs besides kit and readings. */
export const setupSchema = z.strictObject({
  type: z.literal('setup'),
  version: z.literal(SETUP_VERSION),
  id: idSchema,
  shootId: idSchema,
  spotId: idSchema,
  title: z.string().trim().min(1).max(120).refine(isWellFormed, fault('text-broken')),
  points: z.array(pointSchema).min(1).max(20),
  meter: z
    .strictObject({
      meterId: idSchema.nullable().meta({ description: 'which of the kit; null: the one that is always used' }),
      ...stopFields,
      read: z.enum(READ_VALUES),
    })
    .meta({ description: 'how the meter was last used: what it held, which value it showed' }),
  ...compared,
  meterOrder: z
    .enum(['role', 'listed'])
    .meta({ description: 'lights are metered background, fill, key; or as they are listed' }),
  tests: z
    .enum(['together', 'each'])
    .meta({ description: 'several lights are tested all on, at the point known least; or each alone' }),
  reserveStops: z.number().min(0).max(3).meta({ description: 'power kept free over what is used' }),
  people: z
    .strictObject({ nearerM: span, fartherM: span, leftM: span, rightM: span, withinStops: z.number().min(0.1).max(2) })
    .nullable()
    .meta({
      description:
        'how far the outermost people stand from the face, and how even the light on them should be; null: one person',
    }),
  pace: z
    .strictObject({ framesPerMinute: z.number().min(0.1).max(600), frames: z.number().int().min(1).max(5000) })
    .nullable()
    .meta({ description: 'how fast and how many frames are planned; null: not said' }),
  gustMps: z
    .number()
    .min(0)
    .max(40)
    .nullable()
    .meta({ description: 'gusts, metres a second; null: no wind or not said' }),
  takenOver: z
    .array(z.enum(TAKEN_OVER))
    .max(TAKEN_OVER.length)
    .meta({ description: 'parts that came from the setup before and that nobody has changed since' }),
  note: z.string().max(4000).refine(isWellFormed, fault('text-broken')).meta({ description: 'in words' }),
  frames: z
    .strictObject({ from: frameNumber, to: frameNumber })
    .meta({ description: 'first and last frame made with it, as the camera numbers them; empty: not said' }),
  plan: planSchema.nullable().meta({ description: 'null: it is in no plan' }),
  listed: z.number().int().min(0).max(10_000).meta({ description: 'its place in the list of its spot' }),
  confirmed: z
    .array(z.string().max(120))
    .max(200)
    .meta({ description: 'questions about readings that the photographer has answered with: it is right' }),
  variants: z
    .array(variantSchema)
    .max(MOST_VARIANTS)
    .meta({ description: 'other ways that were set aside; the one in force is the setup itself' }),
  variantOf: idSchema.nullable().meta({ description: 'the variant that the setup in force was made from; null: none' }),
});
export type Setup = z.infer<typeof setupSchema>;
