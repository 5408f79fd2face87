import { isTimeZone } from '@sphene/core/documents';

/** A moment as the log tells it, at a place's zone: `27 Feb, 16:38:05`. */
export function momentOf(zone: string): (at: string) => string {
  const time = new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    timeZone: isTimeZone(zone) ? zone : 'UTC',
  });
  return (at) => time.format(new Date(at));
}
