import { z } from 'zod';

import { idSchema, stopFields } from '../gear';
import { READ_VALUES } from '../notation';
import { fault } from '../photometry';
import { stoodLampSchema } from './light';
import { meteringMethodSchema, toneFields, USUAL_METHOD } from './method';
import { sunSchema } from './stage';

export const READING_VERSION = 6;

/** A place in a test frame: what the camera recorded there. */
const frameMethodSchema = z.strictObject({
  kind: z.literal('frame'),
  frameId: idSchema,
  x: z.number().min(0).max(1),
  y: z.number().min(0).max(1),
  placementStops: z
    .number()
    .min(-14)
    .max(8)
    .meta({ description: 'where the place lies in the picture, stops from mid grey' }),
  ...toneFields,
});
export const readingMethodSchema = z.discriminatedUnion('kind', [...meteringMethodSchema.options, frameMethodSchema]);
export type ReadingMethod = z.infer<typeof readingMethodSchema>;

/** What can be taken over or guessed instead of being written down with a reading. */
export const ASSUMED = ['shutter', 'iso', 'aperture', 'direction', 'figure', 'mode'] as const;

/** How things stood when a reading was taken, as far as the light that is there goes; panels keep that themselves. */
export const stoodSchema = z.strictObject({
  turnDeg: z.number().min(-180).max(180).meta({ description: 'the face, turned from the camera' }),
  backgroundM: z.number().min(0.3).max(100).nullable().meta({ description: 'null: not said then' }),
  sun: sunSchema.nullable().meta({ description: 'null: not said then' }),
  lamps: z.array(stoodLampSchema).max(6),
});
export type Stood = z.infer<typeof stoodSchema>;

/** The state of a light when a flash reading was taken: what the reading is a fact about. */
export const firedLightSchema = z.strictObject({
  lightId: idSchema,
  unitId: idSchema,
  modifierId: idSchema.nullable(),
  gridId: idSchema.nullable(),
  gelIds: z.array(idSchema).max(4),
  outlet: z.number().int().min(0).max(7).nullable(),
  zoomMm: z.number().min(14).max(300).nullable(),
  atAim: z.boolean().meta({ description: 'metered where the light aims, so that its distance is known' }),
  distanceM: z.number().min(0.3).max(30),
  placeSaid: z.boolean().meta({ description: 'a person said how far it stood; else that was only assumed' }),
  sideDeg: z
    .number()
    .min(-180)
    .max(180)
    .nullable()
    .meta({ description: 'where it stood, from the line to the camera; null: not written down' }),
  heightM: z.number().min(-2).max(5).nullable().meta({ description: 'over what it aims at; null: not written down' }),
  featherDeg: z.number().min(-80).max(80).meta({ description: 'how far its axis was turned past what it aims at' }),
  asideDeg: z
    .number()
    .min(0)
    .max(180)
    .nullable()
    .meta({ description: 'how far aside of where dome, disc or card faced it stood; null: not written down' }),
  powerStops: z.number().min(-12).max(0),
  highSpeedSyncLossStops: z.number().min(0).max(20),
});
export type FiredLight = z.infer<typeof firedLightSchema>;

/** One reading of a meter, a camera or an eye. A fact: never edited, only struck out or put right by another. */
export const readingSchema = z
  .strictObject({
    type: z.literal('reading'),
    version: z.literal(READING_VERSION),
    id: idSchema,
    setupId: idSchema,
    pointId: z.string().min(1).max(60),
    at: z.iso.datetime({ offset: true }),
    light: z
      .enum(['ambient', 'total', 'flash'])
      .meta({ description: 'ambient alone; total: flash and ambient at the held shutter; flash: flash alone' }),
    text: z.string().min(1).max(60).meta({ description: 'as it was typed' }),
    ...stopFields,
    read: z.enum(READ_VALUES).meta({ description: 'which of the three the meter showed; the other two were held' }),
    method: readingMethodSchema,
    meterMode: z
      .enum(['ambient', 'flash'])
      .nullable()
      .meta({ description: 'the mode that the meter itself reported; null: not known' }),
    meterId: idSchema.nullable().meta({ description: 'the meter of the kit; null: the one that is always used' }),
    cameraId: idSchema.nullable().meta({ description: 'the body, where a camera read it; null: not said' }),
    lensId: idSchema.nullable().meta({ description: 'its lens; null: not said' }),
    assumed: z
      .array(z.enum(ASSUMED))
      .max(ASSUMED.length)
      .meta({ description: 'what was inherited or guessed, to be corrected where it was wrong' }),
    origin: z
      .enum(['typed', 'device', 'simulated', 'frame'])
      .meta({ description: 'simulated: from a stand-in that ships with the product' }),
    patchy: z.boolean().meta({ description: 'taken in patchy light: it may be off by more' }),
    corrects: idSchema.nullable().meta({ description: 'the reading that this one puts right; that one is struck out' }),
    stood: stoodSchema
      .nullable()
      .meta({ description: 'null: not written down; as it stands now, but for lamps that were changed since' }),
    fired: z.array(firedLightSchema).max(6).meta({ description: 'the lights that were fired; none for ambient' }),
    struckAt: z.iso.datetime({ offset: true }).nullable(),
  })
  .refine((reading) => (reading.light === 'ambient') === (reading.fired.length === 0), {
    path: ['fired'],
    message: fault('fired-or-ambient'),
  });
export type Reading = z.infer<typeof readingSchema>;

/** What a reading is when nothing special is said: typed in, ambient, dome to the camera, read as an aperture. */
export const PLAIN_READING = {
  type: 'reading',
  version: READING_VERSION,
  light: 'ambient',
  read: 'aperture',
  method: USUAL_METHOD,
  meterMode: null,
  meterId: null,
  cameraId: null,
  lensId: null,
  assumed: [],
  origin: 'typed',
  patchy: false,
  corrects: null,
  stood: null,
  fired: [],
  struckAt: null,
} satisfies Partial<Reading>;
