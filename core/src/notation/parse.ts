import { avFromN, failure, type Increment, type Outcome, success, svFromIso, tvFromSeconds } from '../photometry';
import type { ReadValue } from './heldValues';
import {
  APERTURE_HALVES,
  APERTURE_THIRDS,
  findNominal,
  ISO_HALVES,
  ISO_THIRDS,
  type NominalStep,
  SHUTTER_FRACTION_HALVES,
  SHUTTER_FRACTION_THIRDS,
  SHUTTER_SECONDS_HALVES,
  SHUTTER_SECONDS_THIRDS,
} from './nominalSeries';

/** The limits that readings keep to; beyond them no meter or camera works. */
export const AV_RANGE = { least: -2, most: 14 } as const;
export const TV_RANGE = { least: -10, most: 15 } as const;
export const SV_RANGE = { least: -4, most: 13 } as const;

const SUPERSCRIPTS = '⁰¹²³⁴⁵⁶⁷⁸⁹';
const VULGAR: Record<string, number> = { '⅓': 1 / 3, '½': 1 / 2, '⅔': 2 / 3, '¼': 1 / 4, '¾': 3 / 4 };
const WORDS: Record<string, number> = {
  'a half': 1 / 2,
  half: 1 / 2,
  'a third': 1 / 3,
  'one third': 1 / 3,
  'two thirds': 2 / 3,
};

/** Lower case, single spaces, decimal commas as points. */
const tidy = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/(\d),(\d)/g, '$1.$2');

/** A printed number means its exact stop; the preferred series wins where both print it differently (f/13, f/1.2). */
const exactStops = (
  nominal: number,
  preferred: readonly NominalStep[],
  other: readonly NominalStep[],
): number | undefined => (findNominal(preferred, nominal) ?? findNominal(other, nominal))?.stops;

/**
 * The part of a stop written behind a number: `4` and `⁴` are tenths, `1/3`, `⅔`, `+0.3`, `and a half` are themselves.
 * @returns stops, or `undefined` when the text is no such part
 */
export function parsePartStops(text: string): number | undefined {
  const part = text.trim().replace(/^(\+|and )\s*/, '');
  if (part === '') return 0;
  const word = WORDS[part] ?? VULGAR[part];
  if (word !== undefined) return word;
  const tenths = /^(\d) tenths?$/.exec(part)?.[1] ?? /^(\d)$/.exec(part)?.[1];
  if (tenths !== undefined) return Number(tenths) / 10;
  if (part.length === 1 && SUPERSCRIPTS.includes(part)) return SUPERSCRIPTS.indexOf(part) / 10;
  const fraction = /^([12])\/([23])$/.exec(part);
  if (fraction && Number(fraction[1]) < Number(fraction[2])) return Number(fraction[1]) / Number(fraction[2]);
  const decimal = /^0?\.(\d)$/.exec(part)?.[1];
  return decimal === undefined ? undefined : Number(decimal) / 10;
}

/** Why a typed value is none: nothing was typed, it is no such value, or it lies outside what devices know. */
export interface TypedFault {
  kind: 'nothing-typed' | 'not-a-value' | 'outside-devices';
  value: ReadValue;
  /** as it was typed */
  text: string;
}

/**
 * Reads an aperture in any customary notation.
 * A number of the third or half series means its exact stop; any other decimal means itself (`11.3` is f/11.3).
 * @param increment which series wins for a number that both print; thirds unless told otherwise
 * @returns the exact aperture value, or why it is none
 */
export function parseAperture(text: string, increment: Increment = 'third'): Outcome<number, TypedFault> {
  const tidied = tidy(text);
  if (tidied === '') return failure({ kind: 'nothing-typed', value: 'aperture', text: '' });
  const unread = failure<TypedFault>({ kind: 'not-a-value', value: 'aperture', text: text.trim() });
  const match = /^[fƒ]?\s*[/:]?\s*(\d*\.?\d+)(.*)$/.exec(tidied);
  if (!match) return unread;
  const [, figure = '', tail = ''] = match;
  // a second point counts tenths: 5.6.4
  const rest = /^\.\d$/.test(tail) ? tail.slice(1) : tail;
  const part = parsePartStops(rest);
  const n = Number(figure);
  if (part === undefined || !(n > 0)) return unread;
  const halvesFirst = increment === 'half';
  const base =
    exactStops(n, halvesFirst ? APERTURE_HALVES : APERTURE_THIRDS, halvesFirst ? APERTURE_THIRDS : APERTURE_HALVES) ??
    avFromN(n);
  const av = base + part;
  if (av < AV_RANGE.least || av > AV_RANGE.most)
    return failure({ kind: 'outside-devices', value: 'aperture', text: figure });
  return success(av);
}

/**
 * Reads a shutter time: `1/125`, `125`, `125th`, `0.5"`, `2s`. A bare whole number above 1 is the denominator, as on dials.
 * @returns the exact time value, or why it is none
 */
// eslint-disable-next-line complexity -- each way to print a shutter time, told once
export function parseShutter(text: string, increment: Increment = 'third'): Outcome<number, TypedFault> {
  const tidied = tidy(text);
  if (tidied === '') return failure({ kind: 'nothing-typed', value: 'shutter', text: '' });
  const halvesFirst = increment === 'half';
  const pick = (thirds: readonly NominalStep[], halves: readonly NominalStep[], nominal: number) =>
    halvesFirst ? exactStops(nominal, halves, thirds) : exactStops(nominal, thirds, halves);

  const fraction = /^1\s*\/\s*(\d+\.?\d*)\s*(?:s|sec|")?$/.exec(tidied)?.[1] ?? /^(\d+) ?th$/.exec(tidied)?.[1];
  const seconds = /^(\d*\.?\d+)\s*(?:s|sec|secs|seconds?|"|″|'')$/.exec(tidied)?.[1];
  const bare = /^\d*\.?\d+$/.exec(tidied)?.[0];
  const denominator = fraction ?? (bare !== undefined && /^\d+$/.test(bare) && Number(bare) > 1 ? bare : undefined);
  const time = seconds ?? (denominator === undefined ? bare : undefined);

  let tv: number;
  if (denominator !== undefined && Number(denominator) > 0) {
    const x = Number(denominator);
    tv = pick(SHUTTER_FRACTION_THIRDS, SHUTTER_FRACTION_HALVES, x) ?? Math.log2(x);
  } else if (time !== undefined && Number(time) > 0) {
    const s = Number(time);
    tv = pick(SHUTTER_SECONDS_THIRDS, SHUTTER_SECONDS_HALVES, s) ?? tvFromSeconds(s);
  } else return failure({ kind: 'not-a-value', value: 'shutter', text: text.trim() });
  if (tv < TV_RANGE.least || tv > TV_RANGE.most)
    return failure({ kind: 'outside-devices', value: 'shutter', text: text.trim() });
  return success(tv + 0);
}

/**
 * Reads a film or sensor speed: `400`, `ISO 400`, `12,800`.
 * @returns the exact speed value, or why it is none
 */
export function parseIso(text: string): Outcome<number, TypedFault> {
  const figure = /^(?:iso)?\s*(\d+)$/i.exec(text.trim().replace(/(\d)[,.’ ](\d{3})\b/g, '$1$2'))?.[1];
  if (figure === undefined)
    return failure({ kind: text.trim() === '' ? 'nothing-typed' : 'not-a-value', value: 'iso', text: text.trim() });
  const iso = Number(figure);
  const sv = exactStops(iso, ISO_THIRDS, ISO_HALVES) ?? svFromIso(iso);
  if (!(sv >= SV_RANGE.least && sv <= SV_RANGE.most))
    return failure({ kind: 'outside-devices', value: 'iso', text: figure });
  return success(sv);
}

/** Reads an exposure value at ISO 100: `EV 12.3`, `12.3 EV`, `EV −2`. `undefined` when the text is no such thing. */
export function parseEv(text: string): number | undefined {
  const tidied = tidy(text).replace(/[−–]/g, '-');
  const figure = /^ev ?:? ?(-?\d+(?:\.\d+)?)$/.exec(tidied)?.[1] ?? /^(-?\d+(?:\.\d+)?) ?ev$/.exec(tidied)?.[1];
  return figure === undefined ? undefined : Number(figure);
}

/** Reads an illuminance: `2500 lx`, `2.5 klx`. `undefined` when the text is no such thing. */
export function parseLux(text: string): number | undefined {
  const match = /^(\d+(?:\.\d+)?) ?(k?)(?:lx|lux)$/.exec(tidy(text));
  return match ? Number(match[1]) * (match[2] === 'k' ? 1000 : 1) : undefined;
}
