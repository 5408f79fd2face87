import { z } from 'zod';

import { READ_VALUES, TONE_RANGE } from '../photometry';
import { stopFields } from './camera';
import { POINT_ROLES } from './pointRoles';
import { meteringMethodSchema } from './reading';

/** The setup document's version; raised with a migration when its shape changes. */
export const SETUP_VERSION = 2;

export const pointSchema = z.strictObject({
  id: z.string().min(1).max(60),
  role: z.enum(POINT_ROLES),
  name: z.string().trim().min(1, 'Give the point a name, such as Veil.').max(60, 'Keep the name under 60 letters.'),
  toneStops: z.number().min(TONE_RANGE.least).max(TONE_RANGE.most).meta({ description: 'how far what is there lies from mid grey when lit correctly' }),
  standsIn: z.enum(['sun', 'shade', 'indoors']).nullable().meta({ description: 'the light that falls there, as the photographer says' }),
});
/** A place in the scene that is metered. */
export type MeteringPoint = z.infer<typeof pointSchema>;

/** The range of the hold-back control, in stops. */
export const HOLD_BACK_RANGE = { least: 0.1, most: 5 } as const;

export const lightSchema = z.strictObject({
  id: z.uuid(),
  role: z.enum(['key']),
  unitId: z.uuid(),
  modifierId: z.uuid().nullable().meta({ description: 'null: the standard reflector' }),
  distanceM: z.number().min(0.3).max(30).meta({ description: 'from the front of the modifier to the face' }),
  dialledStops: z.number().min(-12).max(0).nullable().meta({ description: 'power set on the unit, stops below full; null: not set yet' }),
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

/** Who stands where, what look is wanted, what gear is used. Everything that `solve` needs besides kit and readings. */
export const setupSchema = z.strictObject({
  type: z.literal('setup'),
  version: z.literal(SETUP_VERSION),
  id: z.uuid(),
  shootId: z.uuid(),
  spotId: z.uuid(),
  title: z.string().trim().min(1).max(120),
  points: z.array(pointSchema).min(1).max(20),
  meter: z.strictObject({ ...stopFields, read: z.enum(READ_VALUES), method: meteringMethodSchema }).meta({ description: 'how the meter was last used: what it held, which value it showed, how it was pointed' }),
  look: z.strictObject({
    faceBy: z.enum(['camera', 'light']).meta({ description: 'dome to the camera or to the light: the reading that the face is set by when there are both' }),
    faceContrastStops: z.number().min(0).max(6).meta({ description: 'how far the shadow side of the face may lie under the lit side' }),
    holdBackStops: z.number().min(HOLD_BACK_RANGE.least).max(HOLD_BACK_RANGE.most).meta({ description: 'how far the ambient on the face sits below the final exposure' }),
  }),
  camera: z.strictObject({
    cameraId: z.uuid().nullable(),
    wantedAv: stopFields.av,
    limits: limitsSchema,
    filterIds: z.array(z.uuid()).max(6),
    highSpeedSync: z.boolean(),
  }),
  lights: z.array(lightSchema).max(1),
  confirmed: z.array(z.string().max(120)).max(200).meta({ description: 'questions about readings that the photographer has answered with: it is right' }),
});
export type Setup = z.infer<typeof setupSchema>;
