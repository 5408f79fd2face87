const UNITS: Record<string, number> = {
  zero: 0,
  oh: 0,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
};
const TEENS: Record<string, number> = {
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
};
const TENS: Record<string, number> = {
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  seventy: 70,
  eighty: 80,
  ninety: 90,
};
/** A spoken part of one, as its number: `fiftieth` is 50. */
const ORDINALS: Record<string, string> = {
  quarter: 'four',
  fourth: 'four',
  fifth: 'five',
  sixth: 'six',
  eighth: 'eight',
  tenth: 'ten',
  twelfth: 'twelve',
  hundredth: 'hundred',
  thousandth: 'thousand',
};

/** The cardinal of an ordinal: `sixtieth` is `sixty`, `fifteenth` is `fifteen`; null for any other word. */
function cardinalOf(word: string): string | null {
  const known = ORDINALS[word];
  if (known !== undefined) return known;
  const tens = /^(\w+)tieth$/.exec(word)?.[1];
  if (tens !== undefined) return `${tens}ty`;
  const plain = /^(\w+)th$/.exec(word)?.[1];
  return plain !== undefined && plain in TEENS ? plain : null;
}

const isNumber = (word: string): boolean =>
  word in UNITS || word in TEENS || word in TENS || word === 'hundred' || word === 'thousand' || word === 'point';

/**
 * A run of number words as the figure that photographers mean: `one twenty five` is 125, `sixteen hundred` 1600,
 * `five six` 5.6, `twenty two` 22.
 */
function figureOf(run: readonly string[]): string {
  const parts: number[] = [];
  for (const word of run) {
    const last = parts.at(-1);
    const times = POWERS[word];
    const value = UNITS[word] ?? TEENS[word] ?? TENS[word];
    if (word === 'point') parts.push(NaN);
    else if (times !== undefined) parts.splice(-1, 1, (last === undefined || Number.isNaN(last) ? 1 : last) * times);
    else if (value !== undefined && isUnitOf(last, value)) parts.splice(-1, 1, (last ?? 0) + value);
    else if (value !== undefined) parts.push(value);
  }
  // two single figures are an aperture with its decimal: five six, two eight
  if (parts.length === 2 && parts.every((one) => one < 10)) return parts.join('.');
  return parts.map((one) => (Number.isNaN(one) ? '.' : String(one))).join('');
}
const POWERS: Partial<Record<string, number>> = { hundred: 100, thousand: 1000 };
/** `twenty two` is one number, `six four` two figures. */
const isUnitOf = (last: number | undefined, value: number): boolean =>
  value > 0 && value < 10 && last !== undefined && last >= 20 && last % 10 === 0;

/**
 * Number words of a spoken reading as figures; everything else stays. `f four at a fiftieth` becomes `f 4 at 1/50`.
 * Behind *and* a figure counts tenths: `five six and four` is `5.6 4`.
 */
export function figuresFromWords(text: string): string {
  const words = text
    .toLowerCase()
    .replace(/([a-z])-([a-z])/g, '$1 $2')
    .replace(/([,;])(?!\d)/g, ' $1 ')
    .trim()
    .split(/\s+/);
  const said: string[] = [];
  let run: string[] = [];
  const flush = (stroke: boolean) => {
    if (run.length > 0) said.push(`${stroke ? '1/' : ''}${figureOf(run)}`);
    run = [];
  };
  words.forEach((word, index) => {
    const cardinal = cardinalOf(word);
    if (isNumber(word) && !(word === 'point' && run.length === 0)) run.push(word);
    else if (cardinal !== null && (run.length > 0 || words[index - 1] === 'a')) {
      // "a sixtieth" and "one sixtieth" are the same
      if (run.length === 1 && run[0] === 'one') run = [];
      run.push(cardinal);
      if (said.at(-1) === 'a') said.pop();
      flush(true);
    } else {
      flush(false);
      said.push(word);
    }
  });
  flush(false);
  return said
    .join(' ')
    .replace(/ ([,;])/g, '$1')
    .replace(/(\d) and (?=\d\b(?![\d./]))/g, '$1 ')
    .replace(/\bf (?=[\d])/g, 'f/');
}
