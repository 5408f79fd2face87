import { MOST_OFFSET_S } from '@sphene/core/record';

const CLOCK = /^([+−-]?)\s*(?:(\d{1,4}):)?(\d{1,2}):(\d{2}(?:[.,]\d+)?)$/;
const SECONDS = /^([+−-]?)\s*(\d+(?:[.,]\d+)?)\s*s?$/;
const figure = (text = '0'): number => Number(text.replace(',', '.'));
const signOf = (sign = ''): 1 | -1 => (sign === '-' || sign === '−' ? -1 : 1);

/** An offset as it is typed: seconds, minutes and seconds, or hours too. `undefined` where it is none. */
export function readOffset(text: string): number | undefined {
  const tidy = text.trim();
  const [clock, seconds] = [CLOCK.exec(tidy), SECONDS.exec(tidy)];
  const found =
    clock !== null
      ? signOf(clock[1]) * (3600 * figure(clock[2]) + 60 * figure(clock[3]) + figure(clock[4]))
      : seconds !== null
        ? signOf(seconds[1]) * figure(seconds[2])
        : undefined;
  return found === undefined || Math.abs(found) > MOST_OFFSET_S ? undefined : found + 0;
}

/** An offset as one reads it: `12 s`, `−1:00:05`. */
export function formatOffset(offsetS: number): string {
  const sign = offsetS < 0 ? '−' : '';
  const all = Math.abs(offsetS);
  if (all < 60) return `${sign}${Number(all.toFixed(1))} s`;
  const two = (part: number) => String(part).padStart(2, '0');
  const whole = Math.round(all);
  return `${sign}${Math.floor(whole / 3600)}:${two(Math.floor(whole / 60) % 60)}:${two(whole % 60)}`;
}
