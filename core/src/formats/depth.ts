const QUOTE = 34;
const BACKSLASH = 92;
const OPENS = new Set([91, 123]);
const CLOSES = new Set([93, 125]);

/**
 * True for a JSON text whose lists and objects lie at most so deep in each other. Looked at letter by letter, before
 * anything is built from it: a text of nothing but brackets costs a parser and a schema seconds.
 */
export function isWithinDepth(text: string, most: number): boolean {
  let depth = 0;
  for (let index = 0; index < text.length; index += 1) {
    const code = text.charCodeAt(index);
    if (code === QUOTE) {
      index = closingQuote(text, index);
      continue;
    }
    if (OPENS.has(code)) depth += 1;
    else if (CLOSES.has(code)) depth -= 1;
    if (depth > most) return false;
  }
  return true;
}

/** Where a text within a JSON text ends; its end where it never does. */
function closingQuote(text: string, from: number): number {
  for (let index = from + 1; index < text.length; index += 1) {
    const code = text.charCodeAt(index);
    if (code === BACKSLASH) index += 1;
    else if (code === QUOTE) return index;
  }
  return text.length;
}
