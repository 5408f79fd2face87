import { z } from 'zod';

export const SURFACES = ['white', 'silver', 'striped', 'black'] as const;
export type Surface = (typeof SURFACES)[number];

/** A reflector in the kit, with the surfaces that it has. */
export const reflectorSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  diameterM: z.number().min(0.1).max(6).meta({ description: 'across; a rectangle by a disc of its area' }),
  surfaces: z.array(z.enum(SURFACES)).min(1).max(4),
});
export type Reflector = z.infer<typeof reflectorSchema>;
