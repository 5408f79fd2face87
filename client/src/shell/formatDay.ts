import { format } from 'date-fns/format';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';

/** A day as a title, with its weekday. */
export const dayTitle = (isoDate: string): string => format(parseISO(isoDate), 'EEEE d MMMM');

/** A day as people say it, from its ISO date. The date has no zone of its own: it is the day at the place. */
export const formatDay = (isoDate: string): string => format(parseISO(isoDate), 'd MMMM yyyy');

/** Today where this device is, with its zone: what a new shoot has until something else is said. */
export const todayHere = (): { date: string; timeZone: string } => ({
  date: formatISO(new Date(), { representation: 'date' }),
  timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
});
