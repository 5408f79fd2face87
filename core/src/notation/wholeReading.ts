import type { ExposureSettings } from '../photometry';
import type { ReadValue } from './heldValues';
import { figuresFromWords } from './numberWords';
import { APERTURE_THIRDS, findNominal, ISO_THIRDS, SHUTTER_FRACTION_THIRDS } from './nominalSeries';
import { parseAperture, parseIso, parseShutter } from './parse';

/** A reading that names two or three of aperture, shutter and ISO. */
export interface WholeReading {
  settings: ExposureSettings;
  /** what was named, in the order in which it was written */
  named: ReadValue[];
}

interface Piece {
  text: string;
  /** what its label says that it is; null: it is a figure alone */
  value: ReadValue | null;
}

/** What a piece with a label is: `f/4`, `1/50`, `2 s`, `ISO 400`. */
function labelOf(text: string): ReadValue | null {
  if (/^(f\s*\/?|ƒ\s*\/?)\s*[\d.]/.test(text)) return 'aperture';
  if (/^1\s*\/\s*\d/.test(text) || /\d\s*(s|sec|secs|seconds?|"|″)$/.test(text)) return 'shutter';
  return /^iso\b/.test(text) ? 'iso' : null;
}

/**
 * A text in pieces, one a value. Commas and *at* part them; so do the labels, since nobody writes two values in one. A stroke
 * under 1/4 is a part of a stop.
 */
function piecesOf(text: string): Piece[] {
  const parted = figuresFromWords(text)
    .replace(/\s+at\s+/g, ', ')
    .replace(/(?<=[^,;\s])\s+(?=(?:iso\b|f\s*\/?\s*\d|ƒ))/g, ', ')
    .replace(/(?<=[^,;\s])\s+(?=1\/(?:[4-9]|\d\d))/g, ', ')
    .replace(/(1\/(?:[4-9]|\d\d)\d*)\s+/g, '$1, ');
  return parted
    .split(/[,;]\s+|[,;](?=[a-z])/)
    .map((piece) => piece.trim())
    .filter((piece) => piece !== '')
    .map((piece) => ({ text: piece, value: labelOf(piece) }));
}

const ORDER: readonly ReadValue[] = ['aperture', 'shutter', 'iso'];

/** Whether a figure alone stands on the dial of a value. */
function standsOnDial(text: string, value: ReadValue): boolean {
  const figure = Number(/^\d*\.?\d+/.exec(text)?.[0] ?? NaN);
  if (value === 'aperture') return figure <= 32 && findNominal(APERTURE_THIRDS, figure) !== undefined;
  if (value === 'shutter') return findNominal(SHUTTER_FRACTION_THIRDS, figure) !== undefined;
  return figure >= 50 && findNominal(ISO_THIRDS, figure) !== undefined;
}

/** Every order in which values can stand. */
const orders = (values: readonly ReadValue[]): ReadValue[][] =>
  values.length === 0
    ? [[]]
    : values.flatMap((value) => orders(values.filter((one) => one !== value)).map((rest) => [value, ...rest]));

/** Pieces with the value that each is: labels first, then the first order in which every figure stands on its dial. */
function assigned(pieces: readonly Piece[]): ReadValue[] | null {
  const labelled = pieces.flatMap(({ value }) => value ?? []);
  if (new Set(labelled).size < labelled.length) return null;
  const bare = pieces.filter(({ value }) => value === null);
  const left = ORDER.filter((value) => !labelled.includes(value));
  const fits = (order: ReadValue[]) => bare.every(({ text }, index) => standsOnDial(text, order[index] ?? 'iso'));
  const order = orders(left).find(fits) ?? (labelled.length > 0 ? left : null);
  if (order === null || bare.length > left.length) return null;
  const queue = [...order];
  return pieces.map(({ value }) => value ?? queue.shift() ?? 'iso');
}

/**
 * Reads a line that names two or three of aperture, shutter and ISO: `f4 1/50`, `f/4 at a fiftieth, ISO 1600`,
 * `five six and four, one twenty-five, two hundred`.
 * @param held what stands for a value that is not named
 * @returns null where it names fewer, one of them twice, or something that no device shows
 */
export function readWhole(text: string, held: ExposureSettings): WholeReading | null {
  const pieces = piecesOf(text);
  if (pieces.length < 2 || pieces.length > ORDER.length) return null;
  const named = assigned(pieces);
  if (named === null) return null;
  const settings = { ...held };
  for (const [index, { text: piece }] of pieces.entries()) {
    const value = named[index];
    const read =
      value === 'aperture' ? parseAperture(piece) : value === 'shutter' ? parseShutter(piece) : parseIso(piece);
    if (!read.ok) return null;
    if (value === 'aperture') settings.av = read.value;
    else if (value === 'shutter') settings.tv = read.value;
    else settings.sv = read.value;
  }
  return { settings, named };
}
