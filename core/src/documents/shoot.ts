import { z } from 'zod';

/** True for a zone of the IANA time-zone database that this runtime knows. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

/** A day's work at one place. */
export const shootSchema = z.strictObject({
  type: z.literal('shoot'),
  version: z.literal(1),
  id: z.uuid(),
  title: z.string().trim().min(1, 'Give the shoot a name, such as the couple or the place.').max(120, 'Keep the name under 120 letters.'),
  date: z.iso.date('Write the date as year-month-day, such as 2026-02-27.'),
  place: z.string().trim().max(160, 'Keep the place under 160 letters.'),
  timeZone: z.string().refine(isTimeZone, 'Name a time zone of the place, such as Europe/Vienna.'),
});
export type Shoot = z.infer<typeof shootSchema>;

/** A spot within a shoot: one place in the light. */
export const spotSchema = z.strictObject({
  type: z.literal('spot'),
  version: z.literal(1),
  id: z.uuid(),
  shootId: z.uuid(),
  title: z.string().trim().min(1, 'Give the spot a name, such as Terrace.').max(120, 'Keep the name under 120 letters.'),
});
export type Spot = z.infer<typeof spotSchema>;
