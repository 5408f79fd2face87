import { z } from 'zod';

import { idSchema, isWellFormed } from '../gear';
import { fault } from '../photometry';

/** True for a zone of the IANA time-zone database that this runtime knows. The first call loads the runtime's zones, which is slow. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

const TIME_ZONE_WANTED = fault('time-zone-unknown');

/** A name as zones have them; whether this runtime knows it is asked where it comes in. */
export const zoneSchema = z.string().regex(/^[A-Za-z][\w+-]*(\/[\w+-]+)*$/, TIME_ZONE_WANTED);

/** A day's work at one place. */
export const shootSchema = z.strictObject({
  type: z.literal('shoot'),
  version: z.literal(1),
  id: idSchema,
  title: z
    .string()
    .trim()
    .min(1, fault('shoot-name-missing'))
    .max(120, fault('shoot-name-long'))
    .refine(isWellFormed, fault('text-broken')),
  date: z.iso.date(fault('date-wanted')),
  place: z.string().trim().max(160, fault('place-long')).refine(isWellFormed, fault('text-broken')),
  timeZone: zoneSchema,
});
export type Shoot = z.infer<typeof shootSchema>;

/**
 * A shoot where it comes in: from a form, a file or another device. Its zone must be one that this runtime knows.
 * What is already kept is read by `shootSchema`, so that opening the application does not wait for the zones.
 */
export const enteredShootSchema = shootSchema.extend({
  timeZone: shootSchema.shape.timeZone.refine(isTimeZone, TIME_ZONE_WANTED),
});
