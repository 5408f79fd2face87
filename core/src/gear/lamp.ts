import { z } from 'zod';

import { KELVIN_RANGE } from '../colour';
import { chargeShareAt, coldShareSchema } from '../flash';
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
    watts: z.number().min(0.5).max(5000).nullable().meta({ description: 'taken at full power; null: not known' }),
    batteryWh: z
      .number()
      .min(1)
      .max(5000)
      .nullable()
      .meta({ description: 'energy of its battery, watt-hours; null: on the mains, or not known' }),
    coldShare: coldShareSchema,
  })
  .refine(({ kelvinLow, kelvinHigh }) => kelvinLow <= kelvinHigh, {
    path: ['kelvinHigh'],
    message: fault('coolest-under-warmest'),
  });
export type Lamp = z.infer<typeof lampSchema>;
/** A lamp of which nobody said what it takes and holds. */
export const POWER_NOT_SAID = { watts: null, batteryWh: null, coldShare: null } satisfies Partial<Lamp>;

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

/**
 * How long a lamp burns on its battery as it is dimmed, minutes: energy over power, which goes with the light.
 * @param temperatureC null: not known  @returns null on the mains, or where it is not known
 */
export function lampMinutes(
  { watts, batteryWh, coldShare }: Pick<Lamp, 'watts' | 'batteryWh' | 'coldShare'>,
  dimStops: number,
  temperatureC: number | null,
): number | null {
  if (watts === null || batteryWh === null) return null;
  return (60 * batteryWh * chargeShareAt(coldShare, temperatureC)) / (watts * 2 ** dimStops);
}

/** A dimmer's setting in per cent of full, as lamps show it. */
export const percentOf = (dimStops: number): number => 100 * 2 ** dimStops;
