import { z } from 'zod';

import { GREEN_RANGE, KELVIN_RANGE, NAMED_SOURCES } from '../colour';
import { READ_VALUES, TONE_RANGE } from '../photometry';
import { stopFields } from './camera';
import { EXPOSE_BY, MOTIONS, SUPPORTS, keepOrderSchema } from './choices';
import { placedLampSchema } from './lamp';
import { LIGHT_ROLES, MOST_LIGHTS, RADIO_GROUPS } from './lightRoles';
import { panelSchema } from './panel';
import { POINT_ROLES } from './pointRoles';
import { meteringMethodSchema } from './reading';
import { stageSchema } from './stagePlan';

/** The setup document's version; raised with a migration when its shape changes. */
export const SETUP_VERSION = 4;

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

/** The range of the hold-back control, in stops. */
export const HOLD_BACK_RANGE = { least: 0.1, most: 5 } as const;

export const lightSchema = z.strictObject({
  id: z.uuid(),
  role: z.enum(LIGHT_ROLES),
  unitId: z.uuid(),
  outlet: z
    .number()
    .int()
    .min(0)
    .max(7)
    .nullable()
    .meta({ description: 'which outlet of a pack, counted from 0; null: all of its power' }),
  zoomMm: z
    .number()
    .min(14)
    .max(300)
    .nullable()
    .meta({ description: 'zoom of a bare head; null: as its guide number is stated for' }),
  modifierId: z.uuid().nullable().meta({ description: 'null: the standard reflector' }),
  gridId: z.uuid().nullable(),
  gelIds: z.array(z.uuid()).max(4),
  standId: z.uuid().nullable(),
  aimPointId: z.string().min(1).max(60).meta({ description: 'the point that it aims at' }),
  distanceM: z.number().min(0.3).max(30).meta({ description: 'from the front of the modifier to what it aims at' }),
  sideDeg: z
    .number()
    .min(-180)
    .max(180)
    .meta({ description: 'from the line to the camera, positive to the right of the camera; 180 is behind' }),
  heightM: z.number().min(-2).max(5).meta({ description: 'centre of the modifier over what it aims at' }),
  featherDeg: z
    .number()
    .min(-80)
    .max(80)
    .meta({ description: 'axis turned past what it aims at, in plan, positive to the right of the camera' }),
  group: z.enum(RADIO_GROUPS),
  channel: z.number().int().min(1).max(32),
  locked: z.boolean().meta({ description: 'held at the power that is dialled while the others are chosen' }),
  dialledStops: z
    .number()
    .min(-12)
    .max(0)
    .nullable()
    .meta({ description: 'power set on the unit, stops below full; null: not set yet' }),
});
/** One flash in the setup. */
export type Light = z.infer<typeof lightSchema>;

/** Limits that this setup changes against the camera's own; null means as in the kit. */
export const limitsSchema = z.strictObject({
  syncTv: stopFields.tv.nullable(),
  slowestTv: stopFields.tv.nullable(),
  baseSv: stopFields.sv.nullable(),
  highestSv: stopFields.sv.nullable(),
});
export type Limits = z.infer<typeof limitsSchema>;

/** How heavily a target counts: 1 is usual. */
export const TARGET_WEIGHTS = [0.5, 1, 2, 4] as const;

/** What a point should come to. The face's own target is the look's. */
export const targetSchema = z.strictObject({
  pointId: z.string().min(1).max(60),
  kind: z.enum(['value', 'least', 'most']),
  stops: z.number().min(-6).max(5).meta({ description: 'where the tone should land, stops from mid grey' }),
  weight: z.literal([...TARGET_WEIGHTS]),
});
export type Target = z.infer<typeof targetSchema>;

const colourFields = {
  kelvin: z.number().min(KELVIN_RANGE.least).max(KELVIN_RANGE.most),
  greenCc: z.number().min(GREEN_RANGE.least).max(GREEN_RANGE.most),
};
const NAMED = Object.keys(NAMED_SOURCES) as (keyof typeof NAMED_SOURCES)[];

/** The colours of the light that is there, and what the flash should make of it. */
export const colourSchema = z.strictObject({
  ambient: z
    .array(
      z.strictObject({
        pointId: z.string().min(1).max(60),
        ...colourFields,
        from: z.enum(['typed', 'frame', ...NAMED]),
      }),
    )
    .max(20)
    .meta({ description: 'colour of the ambient by point' }),
  relation: z
    .enum(['asIs', 'match', 'warmer', 'coolSky'])
    .meta({
      description:
        'asIs: gels as chosen; match: flash like the ambient on the face; warmer: warmer than it; coolSky: warm gel on all that touches people and white balance to that',
    }),
  warmerMired: z.number().min(-200).max(200),
  whiteBalance: z.strictObject(colourFields).nullable().meta({ description: 'null: as suggested' }),
});

/** The ranges of what is wished for, in stops. */
export const LOOK_RANGES = {
  background: { least: -6, most: 5 },
  headroom: { least: 0, most: 6 },
  face: { least: -3, most: 2 },
  feel: { least: -2, most: 2 },
} as const;
const inRange = ({ least, most }: { least: number; most: number }) => z.number().min(least).max(most);

/** The picture that is wanted. */
export const lookSchema = z.strictObject({
  faceBy: z
    .enum(['camera', 'light'])
    .meta({
      description: 'dome to the camera or to the light: the reading that the face is set by when there are both',
    }),
  faceContrastStops: z
    .number()
    .min(0)
    .max(6)
    .meta({ description: 'how far the shadow side of the face may lie under the lit side' }),
  exposeBy: z
    .enum(EXPOSE_BY)
    .meta({
      description:
        'what the camera is set by: the hold-back on the face, the place of the background, or the headroom of a highlight',
    }),
  holdBackStops: inRange(HOLD_BACK_RANGE).meta({
    description: 'how far the ambient on the face sits below the final exposure; leads when exposed by the face',
  }),
  backgroundStops: inRange(LOOK_RANGES.background).meta({
    description: 'where the background lands against mid grey; leads when exposed by the background',
  }),
  headroomStops: inRange(LOOK_RANGES.headroom).meta({
    description: 'how far the highlight stays under clipping; leads when exposed by a highlight',
  }),
  highlightPointId: z
    .string()
    .min(1)
    .max(60)
    .nullable()
    .meta({ description: 'the highlight to expose by; null: the brightest metered' }),
  faceStops: inRange(LOOK_RANGES.face).meta({ description: 'final place of the face; 0 is correct' }),
  feelStops: inRange(LOOK_RANGES.feel).meta({
    description: 'deliberate offset of the whole picture after the numbers',
  }),
  targets: z.array(targetSchema).max(20).meta({ description: 'what other points than the face should come to' }),
});
export type Look = z.infer<typeof lookSchema>;

/** The camera, what is on it, and which of its settings are held. */
export const cameraWishSchema = z.strictObject({
  cameraId: z.uuid().nullable(),
  lensId: z.uuid().nullable().meta({ description: 'null: the apertures of the camera in the kit' }),
  focalMm: z
    .number()
    .min(4)
    .max(2000)
    .nullable()
    .meta({ description: 'focal length used; null: the longest of the lens' }),
  support: z.enum(SUPPORTS),
  motion: z.enum(MOTIONS).meta({ description: 'how the people move' }),
  wantedAv: stopFields.av,
  depth: z
    .strictObject({ nearestM: z.number().min(0.2).max(200), farthestM: z.number().min(0.2).max(200) })
    .refine(({ nearestM, farthestM }) => farthestM >= nearestM, {
      path: ['farthestM'],
      message: 'the farthest person stands at least as far as the nearest',
    })
    .nullable()
    .meta({
      description: 'nearest and farthest person to be sharp: gives the wanted aperture; null: the aperture is typed',
    }),
  keepOrder: keepOrderSchema.meta({
    description: 'the first is kept, the second gives way only when the third is at its limit',
  }),
  wantedTv: stopFields.tv.nullable().meta({ description: 'the shutter liked best, where it is kept; null: sync' }),
  pins: z
    .strictObject({ av: stopFields.av.nullable(), tv: stopFields.tv.nullable(), sv: stopFields.sv.nullable() })
    .meta({ description: 'settings held by hand; null: free' }),
  limits: limitsSchema,
  filterIds: z.array(z.uuid()).max(6),
  highSpeedSync: z.boolean(),
  syncDelayMs: z.number().min(0).max(20).meta({ description: 'how late the flash fires, for radios of mixed makes' }),
  secondCameraId: z.uuid().nullable(),
  video: z
    .strictObject({ framesPerSecond: z.number().min(1).max(240), angleDeg: z.number().min(1).max(360) })
    .nullable()
    .meta({ description: 'null: stills' }),
});
export type CameraWish = z.infer<typeof cameraWishSchema>;

/** A look and camera set aside, to be compared with the one in force. */
export const versionSchema = z.strictObject({
  id: z.uuid(),
  name: z.string().trim().min(1).max(40),
  look: lookSchema,
  camera: cameraWishSchema,
});
export type Version = z.infer<typeof versionSchema>;

const span = z.number().min(0).max(20);

/** Who stands where, what look is wanted, what gear is used. Everything that `solve` needs besides kit and readings. */
export const setupSchema = z.strictObject({
  type: z.literal('setup'),
  version: z.literal(SETUP_VERSION),
  id: z.uuid(),
  shootId: z.uuid(),
  spotId: z.uuid(),
  title: z.string().trim().min(1).max(120),
  points: z.array(pointSchema).min(1).max(20),
  meter: z
    .strictObject({ ...stopFields, read: z.enum(READ_VALUES), method: meteringMethodSchema })
    .meta({ description: 'how the meter was last used: what it held, which value it showed, how it was pointed' }),
  look: lookSchema,
  camera: cameraWishSchema,
  lights: z.array(lightSchema).max(MOST_LIGHTS),
  lamps: z.array(placedLampSchema).max(6),
  panels: z
    .array(panelSchema)
    .max(8)
    .meta({ description: 'reflectors, diffusers and flags, and the openings that light comes in through' }),
  stage: stageSchema,
  meterOrder: z
    .enum(['role', 'listed'])
    .meta({ description: 'lights are metered background, fill, key; or as they are listed' }),
  reserveStops: z.number().min(0).max(3).meta({ description: 'power kept free over what is used' }),
  backgroundM: z
    .number()
    .min(0.3)
    .max(100)
    .nullable()
    .meta({ description: 'from the subject to the background; null: not said' }),
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
  colour: colourSchema,
  confirmed: z
    .array(z.string().max(120))
    .max(200)
    .meta({ description: 'questions about readings that the photographer has answered with: it is right' }),
  versions: z.array(versionSchema).max(2).meta({ description: 'looks and cameras set aside for comparison' }),
});
export type Setup = z.infer<typeof setupSchema>;
