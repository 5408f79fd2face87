import { TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { startOfDay } from 'date-fns/startOfDay';

import { isTimeZone } from '@sphene/core/documents';

const known = (timeZone: string): string => (isTimeZone(timeZone) ? timeZone : 'UTC');

/** The time of day of a moment at a place's zone: `16:38`. */
export const clockAt = (ms: number, timeZone: string): string => format(new TZDate(ms, known(timeZone)), 'HH:mm');

/** Day and time of a moment at a place's zone: `27 Feb, 16:38`. */
export const momentAt = (ms: number, timeZone: string): string =>
  format(new TZDate(ms, known(timeZone)), 'd MMM, HH:mm');

/** The local day round a moment at a place's zone: 23, 24 or 25 hours. */
export function localDay(at: string, timeZone: string) {
  const start = startOfDay(new TZDate(at, known(timeZone)));
  return {
    fromMs: start.getTime(),
    toMs: addDays(start, 1).getTime(),
    clock: (ms: number) => clockAt(ms, timeZone),
  };
}
