import { failure, type Outcome, success } from '../photometry';
import type { SpotPlace } from '../documents';

/** Why a text is no place. */
export type PlaceFault = { kind: 'not-coordinates' } | { kind: 'latitude-outside' | 'longitude-outside'; deg: number };

/** Degrees, minutes and seconds with what may stand between them. */
const PART =
  /([+-−]?\d+(?:[.,]\d+)?)\s*(?:°|º|d(?:eg)?)?\s*(?:(\d+(?:[.,]\d+)?)\s*['′m]\s*)?(?:(\d+(?:[.,]\d+)?)\s*(?:["″s]|'')\s*)?/u;
const SIDE = '[NSEWOnsewo]';
const PAIR = new RegExp(
  `^\\s*(${SIDE})?\\s*${PART.source}(${SIDE})?\\s*[,;/\\s]\\s*(${SIDE})?\\s*${PART.source}(${SIDE})?\\s*$`,
  'u',
);

const numberOf = (text: string | undefined): number =>
  text === undefined ? 0 : Number(text.replace(',', '.').replace('−', '-'));

function degrees(whole: string | undefined, minutes: string | undefined, seconds: string | undefined): number {
  const deg = numberOf(whole);
  const size = Math.abs(deg) + numberOf(minutes) / 60 + numberOf(seconds) / 3600;
  return /^[-−]/u.test(whole ?? '') ? -size : size;
}

/**
 * A place as people paste it: `46.93, 10.21`, `46,93 10,21`, `46° 55' 48" N 10° 12' 36" E`, `N 46.93 E 10.21`.
 * Latitude first, unless the sides say otherwise; `O` is the east of German and the west of French maps, so it is not read.
 */
export function readPlace(text: string): Outcome<SpotPlace, PlaceFault> {
  const found = PAIR.exec(text.trim());
  if (found === null) return failure({ kind: 'not-coordinates' });
  const [, before1, deg1, min1, sec1, after1, before2, deg2, min2, sec2, after2] = found;
  const sides = [before1 ?? after1, before2 ?? after2].map((side) => side?.toUpperCase());
  if (sides.includes('O')) return failure({ kind: 'not-coordinates' });
  const values = [degrees(deg1, min1, sec1), degrees(deg2, min2, sec2)].map((deg, index) =>
    sides[index] === 'S' || sides[index] === 'W' ? -deg : deg,
  );
  const turned = sides[0] === 'E' || sides[0] === 'W';
  const [latitudeDeg = NaN, longitudeDeg = NaN] = turned ? values.reverse() : values;
  if (!(Math.abs(latitudeDeg) <= 90)) return failure({ kind: 'latitude-outside', deg: latitudeDeg });
  if (!(Math.abs(longitudeDeg) <= 180)) return failure({ kind: 'longitude-outside', deg: longitudeDeg });
  return success({ latitudeDeg, longitudeDeg });
}

/** A place as this product writes it, to a metre: `46.93000, 10.21000`. */
export const writePlace = ({ latitudeDeg, longitudeDeg }: SpotPlace): string =>
  `${latitudeDeg.toFixed(5)}, ${longitudeDeg.toFixed(5)}`;
