import { DEFAULT_PREFERENCES } from '../gear';
import { type Document, documentSchema, isFactType } from './document';
import { type Collision, mergeByField, sameValue } from './merge';

/** Two states of a document as one, and the fields that both sides changed. */
export interface Settled {
  document: Document;
  /** in the document stands `mine`, or what outlived its removal */
  collisions: Collision[];
}

/** Preferences that two devices made for themselves both began with the usual ones. */
const commonBase = (base: Document | null, mine: Document): unknown =>
  base === null && mine.type === 'preferences' ? { ...mine, ...DEFAULT_PREFERENCES } : base;

/** Field by field at the top only: whoever changed one has it whole. */
function coarse(base: unknown, mine: Document, theirs: Document, collisions: Collision[]): unknown {
  const from = (base ?? {}) as Record<string, unknown>;
  const here = mine as Record<string, unknown>;
  const there = theirs as Record<string, unknown>;
  return Object.fromEntries(
    [...new Set([...Object.keys(here), ...Object.keys(there)])].map((key) => {
      const ours = !sameValue(here[key], from[key]);
      const others = !sameValue(there[key], from[key]);
      if (ours && others && !sameValue(here[key], there[key]))
        collisions.push({ path: [key], base: from[key], mine: here[key], theirs: there[key] });
      return [key, ours ? here[key] : there[key]];
    }),
  );
}

/**
 * Merges two edits of a document by field. Where the result would break a rule of the document, larger and larger parts
 * count as one field: at the top, then the whole. What both changed stands as `mine` has it, and is told.
 * Facts only differ in whether they are struck out, and answers in what was answered: there the later stands, unasked.
 * @param base what both started from; null: not known
 */
export function settle(base: Document | null, mine: Document, theirs: Document): Settled {
  const from = commonBase(base, mine);
  const asks = !isFactType(mine.type) && mine.type !== 'conflict';
  const told = (document: Document, collisions: Collision[]): Settled => ({
    document,
    collisions: asks ? collisions : [],
  });
  const fine: Collision[] = [];
  const byField = documentSchema.safeParse(
    mergeByField(from, mine, theirs, { onCollision: (collision) => fine.push(collision) }),
  );
  if (byField.success) return told(byField.data, fine);
  const rough: Collision[] = [];
  const byPart = documentSchema.safeParse(coarse(from, mine, theirs, rough));
  if (byPart.success) return told(byPart.data, rough);
  return told(mine, [{ path: [], base: from, mine, theirs }]);
}
