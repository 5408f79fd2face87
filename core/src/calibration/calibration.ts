import { z } from 'zod';

import { fault } from '../photometry';

/** What readings have taught: a normal distribution over the offsets of things of the kit, in stops against their stated values. */
export const calibrationSchema = z
  .strictObject({
    ids: z.array(z.string().max(80)).max(400),
    meanStops: z.array(z.number()).max(400),
    covariance: z.array(z.array(z.number()).max(400)).max(400).meta({ description: 'stops²' }),
    readings: z
      .array(z.number().int().min(0))
      .max(400)
      .meta({ description: 'how many readings each thing has been taught by' }),
  })
  .refine(
    ({ ids, meanStops, covariance, readings }) =>
      [meanStops, covariance, readings, ...covariance].every((list) => list.length === ids.length),
    fault('as-many-figures'),
  );
export type Calibration = z.infer<typeof calibrationSchema>;
export const UNTAUGHT: Calibration = { ids: [], meanStops: [], covariance: [], readings: [] };
