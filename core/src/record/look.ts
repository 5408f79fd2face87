import { z } from 'zod';

import { idSchema, isWellFormed, SURFACES } from '../gear';
import { fault } from '../photometry';
import {
  colourSchema,
  LIGHT_ROLES,
  lookSchema,
  MOST_LIGHTS,
  MOTIVES,
  POINT_ROLES,
  TARGET_KINDS,
  TARGET_WEIGHTS,
} from '../setup';

const stops = z.number().min(-20).max(20);
const mired = z.number().min(-500).max(500);

/** What a point should come to, by what kind of point it is: where else there is a rim, there is hair for it. */
const lookTargetSchema = z.strictObject({
  role: z.enum(POINT_ROLES),
  kind: z.enum(TARGET_KINDS),
  stops: z.number().min(-6).max(5).meta({ description: 'as in a setup' }),
  weight: z.literal([...TARGET_WEIGHTS]),
});
export type LookTarget = z.infer<typeof lookTargetSchema>;

/** One light as a relation to the face and to the ambient: no gear, no power. */
const lookLightSchema = z.strictObject({
  role: z.enum(LIGHT_ROLES),
  standsFor: z.enum(MOTIVES).nullable(),
  aims: z.enum(POINT_ROLES),
  noseDeg: z.number().min(-180).max(180).meta({
    description:
      'of a light on people from the nose line, else from the line to the camera, in plan; positive to the right of the camera',
  }),
  riseDeg: z.number().min(-90).max(90).meta({ description: 'over what it aims at' }),
  featherDeg: z.number().min(-80).max(80),
  sizeDeg: z.number().min(0).max(180).meta({ description: 'how wide its source looks from there: its softness' }),
  distanceM: z.number().min(0.3).max(30).meta({ description: 'where it stood; leads where its source is a point' }),
  halfBeamDeg: z
    .number()
    .min(0)
    .max(90)
    .nullable()
    .meta({ description: 'of one with a grid or snoot: off its axis where half of its light is left' }),
  gelMired: mired.meta({ description: 'by how much its gels warm it' }),
});
export type LookLight = z.infer<typeof lookLightSchema>;

/** A lamp that does something in the picture, as a relation to face and ambient. */
const lookLampSchema = z.strictObject({
  role: z.enum(LIGHT_ROLES),
  standsFor: z.enum(MOTIVES).nullable(),
  aims: z.enum(POINT_ROLES),
  noseDeg: z.number().min(-180).max(180).meta({ description: 'as of lights' }),
  riseDeg: z.number().min(-90).max(90).meta({ description: 'over what it falls on' }),
  distanceM: z.number().min(0.2).max(30),
  overAmbientStops: stops
    .nullable()
    .meta({ description: 'its light there over the rest of the ambient; null: not known' }),
  ambientMired: mired.nullable().meta({ description: 'how much warmer it is than the ambient on the face' }),
});
export type LookLamp = z.infer<typeof lookLampSchema>;

/** Panels that are brought along; openings belong to the place. */
export const LOOK_PANELS = ['reflector', 'diffuser', 'flag'] as const;

/** A reflector, diffuser or flag, as a relation to the face. */
const lookPanelSchema = z.strictObject({
  kind: z.enum(LOOK_PANELS),
  surface: z.enum(SURFACES).meta({ description: 'of a reflector' }),
  noseDeg: z
    .number()
    .min(-180)
    .max(180)
    .meta({ description: 'from the nose line, in plan; positive to the right of the camera' }),
  riseDeg: z.number().min(-90).max(90),
  sizeDeg: z.number().min(0).max(180).meta({ description: 'how wide it looks from the face' }),
  distanceM: z.number().min(0.2).max(30),
  turnedDeg: z.number().min(-80).max(80),
  takesStops: z.number().min(0.3).max(4).meta({ description: 'of a diffuser' }),
});
export type LookPanel = z.infer<typeof lookPanelSchema>;

/** What is measured of a look, in the order in which it is told; each stops unless said otherwise. */
export const LOOK_FIGURES = [
  'faceStops',
  'holdBackStops',
  'flashShare',
  'backgroundStops',
  'backgroundHoldBackStops',
  'faceRatioStops',
  'keyOverFillStops',
  'rimOverKeyStops',
  'depthM',
  'keyOverAmbientMired',
  'whiteBalanceMired',
] as const;

const lookFiguresSchema = z.strictObject({
  faceStops: stops.nullable().meta({ description: 'where the face lands against mid grey for its tone' }),
  holdBackStops: stops.nullable().meta({ description: 'how far the ambient on the face lies under all of it' }),
  flashShare: z.number().min(0).max(1).nullable().meta({ description: 'part of the light on the face that is flash' }),
  backgroundStops: stops.nullable().meta({ description: 'where the background lands against mid grey' }),
  backgroundHoldBackStops: stops.nullable(),
  faceRatioStops: stops.nullable().meta({ description: 'lit side of the face over its dark side' }),
  keyOverFillStops: stops.nullable(),
  rimOverKeyStops: stops.nullable().meta({ description: 'at the hair, over the key at the face' }),
  depthM: z.number().min(0).max(1000).nullable().meta({ description: 'sharp from nearest to farthest, metres' }),
  keyOverAmbientMired: mired
    .nullable()
    .meta({ description: 'how much warmer the key is than the ambient on the face' }),
  whiteBalanceMired: mired.nullable().meta({ description: 'how much warmer than the ambient it is balanced' }),
});
/** The relations of a picture that can be measured; null: not there, or not known. */
export type LookFigures = z.infer<typeof lookFiguresSchema>;

/** A picture as relations: what is wished for, where its lights stand, and what it measured. */
export const lookPictureSchema = z.strictObject({
  wish: lookSchema
    .omit({ highlightPointId: true, targets: true })
    .extend({ targets: z.array(lookTargetSchema).max(20) }),
  wantedAv: z.number().min(-2).max(12),
  colour: colourSchema.pick({ relation: true, warmerMired: true }),
  keySide: z.enum(['ambient', 'other']).nullable().meta({
    description: 'the key comes from where most of the ambient does, or from the other side; null: nothing told',
  }),
  lights: z.array(lookLightSchema).max(MOST_LIGHTS),
  lamps: z.array(lookLampSchema).max(6),
  panels: z.array(lookPanelSchema).max(8),
  figures: lookFiguresSchema,
});
export type LookPicture = z.infer<typeof lookPictureSchema>;

const words = (most: number) => z.string().trim().max(most).refine(isWellFormed, fault('text-broken'));

/** A look that was kept: what made a picture work, as relations. A small picture of it may lie apart under its id. */
export const keptLookSchema = z.strictObject({
  type: z.literal('look'),
  version: z.literal(2),
  id: idSchema,
  name: words(80).min(1),
  tags: z.array(words(30).min(1)).max(12),
  words: words(2000).meta({ description: 'what it is for, what to mind; empty: nobody said' }),
  keptAt: z.iso.datetime({ offset: true }),
  from: z
    .strictObject({ shootId: idSchema, setupId: idSchema })
    .nullable()
    .meta({ description: 'where it was kept; null: one that ships' }),
  picture: lookPictureSchema,
});
export type KeptLook = z.infer<typeof keptLookSchema>;
