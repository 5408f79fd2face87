import { z } from 'zod';

/** What a battery gives in the cold, against a warm room. */
export const coldShareSchema = z
  .number()
  .min(0.1)
  .max(1)
  .nullable()
  .meta({ description: 'share of its charge that it gives at −10 °C; null: as lithium cells usually do' });

/** Lithium cells give about seven tenths at −10 °C. Source: usual discharge curves; a starting estimate. */
export const USUAL_COLD_SHARE = 0.7;
const WARM_C = 20;
const COLD_C = -10;
/** Colder than the figure is stated for, nobody relies on more than this. */
const LEAST_SHARE = 0.1;

/**
 * The share of a battery's charge that can be had at a temperature: all of it from 20 °C up, evenly less down to −10 °C and
 * on. @param coldShare at −10 °C; null: as is usual  @param temperatureC null: not known, nothing is taken off
 */
export function chargeShareAt(coldShare: number | null, temperatureC: number | null): number {
  if (temperatureC === null || temperatureC >= WARM_C) return 1;
  const lost = (1 - (coldShare ?? USUAL_COLD_SHARE)) * ((WARM_C - temperatureC) / (WARM_C - COLD_C));
  return Math.max(LEAST_SHARE, 1 - lost);
}
