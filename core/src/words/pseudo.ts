import type { Words } from './words';

/** Letters with marks, so that a text that was translated is told from one that was not. */
const MARKED: Record<string, string> = {
  a: 'á',
  e: 'é',
  i: 'í',
  o: 'ó',
  u: 'ú',
  A: 'Á',
  E: 'É',
  I: 'Í',
  O: 'Ó',
  U: 'Ú',
};

/** What stands round every text of the pseudo-language. */
export const PSEUDO_MARKS = { before: '⟦', after: '⟧' } as const;

const LONGER_BY = 1 / 3;

/** True for a text that is between marks as a whole: one that only begins and ends with marked parts is not. */
function isMarked(text: string): boolean {
  if (!text.startsWith(PSEUDO_MARKS.before)) return false;
  let depth = 0;
  for (const [at, letter] of [...text].entries()) {
    if (letter === PSEUDO_MARKS.before) depth += 1;
    if (letter === PSEUDO_MARKS.after) depth -= 1;
    if (depth === 0) return at === [...text].length - 1;
  }
  return false;
}

/** A text as the pseudo-language has it: between marks, with marked vowels, a third longer, as German often is. */
export function pseudoText(text: string): string {
  if (text === '' || isMarked(text)) return text;
  const marked = text.replace(/[aeiouAEIOU]/g, (letter) => MARKED[letter] ?? letter);
  const longer = '·'.repeat(Math.ceil(text.length * LONGER_BY));
  return `${PSEUDO_MARKS.before}${marked}${longer}${PSEUDO_MARKS.after}`;
}

/** Every text within an answer of a language; numbers and outcomes of reading stay as they are. */
function pseudoWithin(value: unknown): unknown {
  if (typeof value === 'string') return pseudoText(value);
  if (Array.isArray(value)) return value.map(pseudoWithin);
  if (typeof value !== 'object' || value === null || 'ok' in value) return value;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, pseudoWithin(one)]));
}

/**
 * A language whose texts are those of another between marks, longer and with marked vowels: what stands on a screen
 * without marks was not translated, and what does not fit there will not fit in other languages either.
 */
export const pseudo = (of: Words): Words => pseudoOf(of);

const pseudoOf = <T extends object>(of: T): T =>
  new Proxy(of, {
    get(target, key) {
      const said: unknown = Reflect.get(target, key);
      if (key === 'tag') return 'x-pseudo';
      if (typeof said === 'function')
        return (...words: unknown[]): unknown => pseudoWithin(Reflect.apply(said, target, words));
      if (typeof said === 'object' && said !== null) return pseudoOf(said);
      return pseudoWithin(said);
    },
  });
