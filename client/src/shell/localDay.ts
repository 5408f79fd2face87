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

const LOCAL = /^(\d{4})-(\d\d)-(\d\d)[T ](\d\d):(\d\d)(?::(\d\d)(\.\d+)?)?$/;

/** A date and time of a place's own clock as a moment, ms; null where it is none. */
export function msOfLocal(local: string, timeZone: string): number | null {
  const found = LOCAL.exec(local.trim());
  if (found === null) return null;
  const [year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0] = found
    .slice(1, 7)
    .map((part) => Number(part ?? 0));
  const at = new TZDate(year, month - 1, day, hour, minute, second, known(timeZone));
  // a day that there is not, such as the 31st of June, would become another one
  if (at.getMonth() !== month - 1 || at.getDate() !== day) return null;
  return at.getTime() + Math.round(Number(found[7] ?? 0) * 1000);
}
