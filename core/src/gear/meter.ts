import { z } from 'zod';

/** A hand meter in the kit. */
export const meterSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  increment: z.enum(['tenth', 'third', 'half']).meta({ description: 'the steps in which it shows its figure' }),
});
export type Meter = z.infer<typeof meterSchema>;
