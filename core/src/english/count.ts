import { apertureNumber, formatStopCount, formatStops } from '../notation';
import type { Increment } from '../photometry';

const PLURALS = new Intl.PluralRules('en');

/** A word for one or for several of a number. */
export const plural = (count: number, one: string, other: string): string =>
  PLURALS.select(count) === 'one' ? one : other;

/** The first letter of a sentence. */
export const sentence = (text: string): string => text.replace(/^./, (letter) => letter.toUpperCase());

/** A count that stands before `stop`; what is over one stands before `stops`. */
const SINGLE = /^(1|1\.0|⅓|½|⅔|0\.[1-9])$/;

/** `0.5 stop`, `1.0 stop`, `1.3 stops`. */
export function stopsOf(stops: number, increment: Increment = 'tenth'): string {
  return `${formatStopCount(stops, increment)} ${stopWord(stops, increment)}`;
}

/** `stop` or `stops`, as a count of them is read. */
export const stopWord = (stops: number, increment: Increment = 'tenth'): string =>
  SINGLE.test(formatStopCount(stops, increment)) ? 'stop' : 'stops';

const NOTHING = /^0(\.0)?$/;

/** A number of stops in words, never leaving the direction to the sign: `1.3 stops brighter`. */
export function sayStops(stops: number, increment: Increment = 'tenth'): string {
  const count = formatStopCount(stops, increment);
  if (NOTHING.test(count)) return 'no change';
  return `${stopsOf(stops, increment)} ${stops < 0 ? 'darker' : 'brighter'}`;
}

/** A signed number of stops with its direction beside it: `+1.3 brighter`, `−0.7 darker`, `0.0`. */
export function stopsBothWays(stops: number, increment: Increment = 'tenth'): string {
  const signed = formatStops(stops, increment);
  return NOTHING.test(signed) ? signed : `${signed} ${stops < 0 ? 'darker' : 'brighter'}`;
}

/** An aperture for a voice: `f 5.6 and 4 tenths`. */
export function speakAperture(av: number, increment: Increment): string {
  if (increment !== 'tenth') return `f ${apertureNumber(av, increment)}`;
  const allTenths = Math.round(av * 10);
  const whole = Math.floor(allTenths / 10);
  const tenths = allTenths - whole * 10;
  const base = apertureNumber(whole, 'third');
  return tenths === 0 ? `f ${base}` : `f ${base} and ${tenths} ${plural(tenths, 'tenth', 'tenths')}`;
}

/** Over this many nobody counts to the last one. */
const COUNTED_UP_TO = 200;

/** A large count as one would say it: `180`, `over 1 200`, `over 12 000`. */
export function roundCount(count: number): string {
  if (count <= COUNTED_UP_TO) return String(count);
  const step = 10 ** (Math.floor(Math.log10(count)) - 1);
  const rounded = Math.floor(count / step) * step;
  return `over ${new Intl.NumberFormat('en').format(rounded).replaceAll(',', '\u202f')}`;
}

/** How old something is, in the largest unit that says enough: `4 min`, `3 h`, `12 days`. */
export function duration(minutes: number): string {
  if (minutes < 60) return `${Math.floor(minutes)} min`;
  return minutes < 48 * 60 ? `${Math.round(minutes / 60)} h` : `${Math.round(minutes / 1440)} days`;
}

/** How long ago something was. */
export const age = (minutes: number): string => (minutes < 1 ? 'just now' : `${duration(minutes)} ago`);

/** Seconds of recycling: `at once`, `0.8 s`, `12 s`. */
export const seconds = (s: number): string => (s < 0.05 ? 'at once' : `${s < 10 ? s.toFixed(1) : Math.round(s)} s`);

const PACE_M = 0.75;
const HAND_M = 0.1;

/** A distance for a helper without a tape: paces of 75 cm, hand-breadths of 10 cm when it is short. */
export function paces(distanceM: number): string {
  const hands = Math.round(distanceM / HAND_M);
  if (distanceM < PACE_M) return `${hands} ${plural(hands, 'hand-breadth', 'hand-breadths')}`;
  const halves = Math.round((distanceM / PACE_M) * 2) / 2;
  if (halves === 1) return '1 pace';
  return `${Number.isInteger(halves) ? halves : `${Math.floor(halves)}½`} paces`;
}

/** Which way a flash that is out of reach misses. */
export const DIRECTION = { 'too-weak': 'too weak', 'too-strong': 'too strong' } as const;
