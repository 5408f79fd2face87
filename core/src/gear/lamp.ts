import { z } from 'zod';

import { KELVIN_RANGE } from '../colour';
import { beamSchema } from '../modifiers';
import { fault } from '../photometry';

export const kelvin = z.number().min(KELVIN_RANGE.least).max(KELVIN_RANGE.most);

/** A continuous lamp in the kit. */
export const lampSchema = z
  .strictObject({
    name: z.string().trim().min(1).max(80),
    output: z.discriminatedUnion('by', [
      z.strictObject({
        by: z.literal('lux'),
        luxAt1M: z.number().min(1).max(1e6).meta({ description: 'on its axis at one metre, full power' }),
      }),
      z.strictObject({
        by: z.literal('lumens'),
        lumens: z.number().min(1).max(1e6),
        beamDeg: z.number().min(5).max(180).meta({ description: 'full angle that the light fills' }),
      }),
    ]),
    kelvinLow: kelvin,
    kelvinHigh: kelvin,
    beam: beamSchema,
    dimmer: z
      .strictObject({
        leastPercent: z.number().min(0.1).max(99).meta({ description: 'the lowest that it burns at' }),
        stepPercent: z.number().min(0.1).max(50),
      })
      .nullable()
      .meta({ description: 'null: on or off' }),
  })
  .refine(({ kelvinLow, kelvinHigh }) => kelvinLow <= kelvinHigh, {
    path: ['kelvinHigh'],
    message: fault('coolest-under-warmest'),
  });
export type Lamp = z.infer<typeof lampSchema>;

/** Lux on the axis at a metre: as stated, or the lumens spread evenly over the cone, `Φ / (2π(1 − cos(β/2)))`. */
export const lampLuxAt1M = ({ output }: Lamp): number =>
  output.by === 'lux'
    ? output.luxAt1M
    : output.lumens / (2 * Math.PI * (1 - Math.cos((output.beamDeg * Math.PI) / 360)));

/** The settings of a lamp's dimmer from full down, stops; without a dimmer it burns at full. */
export function dimmerSettings({ dimmer }: Pick<Lamp, 'dimmer'>): number[] {
  if (dimmer === null) return [0];
  const { leastPercent, stepPercent } = dimmer;
  const settings: number[] = [];
  for (let percent = 100; percent >= leastPercent - 1e-9; percent -= stepPercent)
    settings.push(Math.log2(percent / 100));
  return settings;
}

/** A dimmer's setting in per cent of full, as lamps show it. */
export const percentOf = (dimStops: number): number => 100 * 2 ** dimStops;
