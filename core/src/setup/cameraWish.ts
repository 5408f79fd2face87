import { z } from 'zod';

import { idSchema, keepOrderSchema, stopFields } from '../gear';
import { fault } from '../photometry';

/** How the camera is held. */
const SUPPORTS = ['hand', 'tripod'] as const;

/** How people move before the camera, from things that stand still to dancing. */
export const MOTIONS = ['none', 'posing', 'talking', 'walking', 'dancing'] as const;
export type Motion = (typeof MOTIONS)[number];

/** Limits that this setup changes against the camera's own; null means as in the kit. */
export const limitsSchema = z.strictObject({
  syncTv: stopFields.tv.nullable(),
  slowestTv: stopFields.tv.nullable(),
  baseSv: stopFields.sv.nullable(),
  highestSv: stopFields.sv.nullable(),
});
export type Limits = z.infer<typeof limitsSchema>;

/** What is dialled on the camera now, as far as a person, a frame or a device told it. */
export const standsSchema = z.strictObject({
  ...stopFields,
  inForce: z.boolean().meta({
    description: 'all figures are for it; false once something else was wished for, until the camera is set to that',
  }),
});
export type CameraStands = z.infer<typeof standsSchema>;

/** The camera, what is on it, and which of its settings are held. */
export const cameraWishSchema = z.strictObject({
  cameraId: idSchema.nullable(),
  lensId: idSchema.nullable().meta({ description: 'null: the apertures of the camera in the kit' }),
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
      message: fault('farthest-under-nearest'),
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
  stands: standsSchema.nullable().meta({ description: 'what is dialled on the camera; null: nobody said' }),
  filterIds: z.array(idSchema).max(6),
  highSpeedSync: z.boolean(),
  syncDelayMs: z.number().min(0).max(20).meta({ description: 'how late the flash fires, for radios of mixed makes' }),
  secondCameraId: idSchema.nullable(),
  video: z
    .strictObject({ framesPerSecond: z.number().min(1).max(240), angleDeg: z.number().min(1).max(360) })
    .nullable()
    .meta({ description: 'null: stills' }),
});
export type CameraWish = z.infer<typeof cameraWishSchema>;
