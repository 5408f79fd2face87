import { z } from 'zod';

/** The ways in which photographers say the look; each under our own name in `LOOK_WAYS`. */
export const LOOK_WAY_IDS = ['underTotal', 'share', 'underKey', 'fill'] as const;
export type LookWayId = (typeof LOOK_WAY_IDS)[number];

/** The camera's dials that can be kept, in the usual order of preference. */
export const DIALS_KEPT = ['aperture', 'iso', 'shutter'] as const;
export type CameraDial = (typeof DIALS_KEPT)[number];

/** The three dials in the order in which they are kept. */
export const keepOrderSchema = z
  .tuple([z.enum(DIALS_KEPT), z.enum(DIALS_KEPT), z.enum(DIALS_KEPT)])
  .refine((order) => new Set(order).size === 3, 'name aperture, iso and shutter, each once');

/** What the exposure is set by. */
export const EXPOSE_BY = ['face', 'background', 'highlight'] as const;
export type ExposeBy = (typeof EXPOSE_BY)[number];

/** How the camera is held. */
export const SUPPORTS = ['hand', 'tripod'] as const;

/** How people move before the camera, from things that stand still to dancing. */
export const MOTIONS = ['none', 'posing', 'talking', 'walking', 'dancing'] as const;
export type Motion = (typeof MOTIONS)[number];
