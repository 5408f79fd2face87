/** U+0000, which no text of a database may hold, and half of a surrogate pair, which is no character. */
const BROKEN = /\u0000|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/;

/** True for a text that every device and database can keep as it is. */
export const isWellFormed = (text: string): boolean => !BROKEN.test(text);

/** The text without what cannot be kept. */
export const withoutBroken = (text: string): string => text.replaceAll(new RegExp(BROKEN, 'g'), '');

/** Where the first text stands that cannot be kept, in a value of any shape; null: nowhere. */
export function brokenTextAt(value: unknown, path: (string | number)[] = []): (string | number)[] | null {
  if (typeof value === 'string') return isWellFormed(value) ? null : path;
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, inside] of Object.entries(value)) {
    const at = isWellFormed(key) ? brokenTextAt(inside, [...path, key]) : path;
    if (at !== null) return at;
  }
  return null;
}
