import { z } from 'zod';

/** What a reflector is covered with; `striped`: silver and gold by turns. */
export const SURFACES = ['white', 'silver', 'striped', 'gold', 'black'] as const;
export type Surface = (typeof SURFACES)[number];

/** How much warmer light leaves a surface than it fell on it, mired. Usual values of foil: silver-gold 10 to 20, gold 50 and more. */
export const SURFACE_TINT_MIRED: Record<Surface, number> = { white: 0, silver: 0, striped: 15, gold: 55, black: 0 };

/** A reflector in the kit, with the surfaces that it has. */
export const reflectorSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  diameterM: z.number().min(0.1).max(6).meta({ description: 'across; a rectangle by a disc of its area' }),
  surfaces: z.array(z.enum(SURFACES)).min(1).max(SURFACES.length),
});
export type Reflector = z.infer<typeof reflectorSchema>;
