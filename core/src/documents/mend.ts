import { withoutBroken } from '../gear';
import { type Document, documentSchema } from './document';
import { valueAt, withValueAt } from './merge';

/** Every text of a value without what cannot be kept. */
function cleaned(value: unknown): unknown {
  if (typeof value === 'string') return withoutBroken(value);
  if (Array.isArray(value)) return value.map(cleaned);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, inside]) => [key, cleaned(inside)]));
}

/**
 * A document that was refused as one that is taken, where its texts are at fault: characters that cannot be kept are
 * left out, and a text that is too long is cut.
 * @returns null where something else is wrong, which only a person can put right
 */
export function mended(document: Document): Document | null {
  let tried: unknown = cleaned(document);
  const first = documentSchema.safeParse(tried);
  if (first.success) return first.data;
  for (const { code, path, ...figures } of first.error.issues) {
    const at = path.map((key) => (typeof key === 'number' ? key : String(key)));
    const text = valueAt(tried, at);
    const most = 'maximum' in figures ? Number(figures.maximum) : NaN;
    if (code !== 'too_big' || typeof text !== 'string' || Number.isNaN(most)) return null;
    tried = withValueAt(tried, at, text.slice(0, most).trimEnd());
  }
  return documentSchema.safeParse(tried).data ?? null;
}
