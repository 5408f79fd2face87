import { pseudoText } from '@sphene/core/words';

/** Where this device keeps the language that was chosen. */
export const LANGUAGE_KEY = 'sphene.language';

/** The language that the page is drawn in; the pseudo-language shows what is not translated and what does not fit. */
function chosenTag(): string {
  try {
    return globalThis.localStorage?.getItem(LANGUAGE_KEY) ?? 'en';
  } catch {
    return 'en'; // storage is blocked: the first language then
  }
}
/** Whether the page is drawn in the pseudo-language. */
export const isPseudo = chosenTag() === 'x-pseudo';

/** A feature's own texts: plain ones, ones with something put in, and groups of both. */
export interface Texts {
  readonly [key: string]: string | ((...parts: never[]) => string) | Texts;
}

function translated(value: Texts[string]): Texts[string] {
  if (typeof value === 'string') return pseudoText(value);
  if (typeof value === 'function') return (...parts: never[]) => pseudoText(value(...parts));
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, translated(one)]));
}

/**
 * A feature's catalogue in the language of the page. The first language stands where it is called; another one is a
 * second object of the same type.
 */
export const catalogue = <T extends Texts>(first: T): T => (isPseudo ? (translated(first) as T) : first);
