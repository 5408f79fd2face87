import { type Document, isFactType } from './document';
import { sameValue } from './merge';
import type { Mutation, Refusal } from './sync';

/** A document as a server holds it. */
export interface Held {
  body: Document;
  version: number;
  deleted: boolean;
}

/** What becomes of a mutation: carried out, met by a newer version, or never to be taken as it is. */
export type Verdict =
  | { status: 'applied'; next: Omit<Held, 'version'> | null }
  | { status: 'conflict' }
  | { status: 'refused'; reason: Refusal };

const refused = (kind: Exclude<Refusal['kind'], 'document'>): Verdict => ({ status: 'refused', reason: { kind } });

/** A fact may be struck out or restored, and nothing else about it changes. */
const sameFact = (before: Document, after: Document): boolean =>
  sameValue({ ...before, struckAt: null }, { ...after, struckAt: null });

/**
 * Judges a mutation by the document that it is for. Facts are added, and struck out or restored whatever their version;
 * everything else is only changed by whoever has seen its newest version.
 * @param current undefined: the server does not have it
 */
export function judge(mutation: Mutation, current: Held | undefined): Verdict {
  const isFact = current !== undefined && isFactType(current.body.type);
  if (mutation.op === 'delete') {
    if (isFact) return refused('fact-deleted');
    if (current === undefined) return { status: 'applied', next: null };
    if (current.version !== mutation.baseVersion) return { status: 'conflict' };
    return { status: 'applied', next: { body: current.body, deleted: true } };
  }
  const { document } = mutation;
  const next = { body: document, deleted: false };
  if (current === undefined)
    return mutation.baseVersion === 0 || isFactType(document.type)
      ? { status: 'applied', next }
      : { status: 'conflict' };
  if (current.body.type !== document.type) return refused('other-type');
  if (isFact) return sameFact(current.body, document) ? { status: 'applied', next } : refused('fact-edited');
  return current.version === mutation.baseVersion ? { status: 'applied', next } : { status: 'conflict' };
}
