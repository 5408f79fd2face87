import { z } from 'zod';

import { beamSchema } from './beam';

const sizeM = z.number().min(0.02).max(6);

/** The luminous face of a modifier, in metres. */
export const sourceShapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('point') }),
  z.strictObject({ kind: z.literal('round'), diameterM: sizeM }),
  z.strictObject({ kind: z.literal('rectangle'), widthM: sizeM, heightM: sizeM }),
]);

/** A light modifier in the kit. */
export const modifierSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  shape: sourceShapeSchema,
  lossStops: z
    .number()
    .min(-2)
    .max(8)
    .meta({ description: 'loss against the standard reflector, on axis, far field, stops' }),
  layers: z.number().int().min(0).max(4).meta({ description: 'layers of cloth in front' }),
  beam: beamSchema,
});
export type Modifier = z.infer<typeof modifierSchema>;

/** What stands in front of a head: a modifier, or its own reflector, which has no name. */
export type Front = Omit<Modifier, 'name'> & { name: string | null };

/** No modifier: the unit's own reflector, which the guide number was stated with. */
export const BARE_REFLECTOR: Front = {
  name: null,
  shape: { kind: 'point' },
  lossStops: 0,
  layers: 0,
  beam: { kind: 'cone', fullDeg: 70 },
};
