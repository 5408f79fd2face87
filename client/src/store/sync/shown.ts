import type { DocumentChange, DocumentsState } from '../documentsSlice';
import type { Edit } from './edits';

/** Later than everything that is kept: what was just done is the last thing done here. */
const JUST_NOW = Number.MAX_SAFE_INTEGER;

/** How an edit looks on screen before it is kept. */
export function shownAt(edit: Edit, { byId, deleted, standing }: DocumentsState): DocumentChange[] {
  if (edit.op === 'image') return [];
  const { id } = edit;
  const its = { here: JUST_NOW, seq: 0, ...standing[id] };
  if (edit.op === 'put') return [{ id, document: edit.document, ...its }];
  const document = byId[id] ?? deleted[id]?.document ?? null;
  return [{ id, document, deletedAt: edit.op === 'delete' ? 'now' : null, ...its }];
}

/** What the screen wants of rows. */
export const plainRows = (rows: readonly DocumentChange[]): DocumentChange[] =>
  rows.map(({ id, document, deletedAt = null, here = null, seq = 0 }) => ({ id, document, deletedAt, here, seq }));

/** Rows without those that look as they do already: what hangs on these need not be computed again. */
export const differentRows = (
  rows: readonly DocumentChange[],
  { byId, deleted, standing }: DocumentsState,
): DocumentChange[] =>
  plainRows(rows).filter(
    ({ id, document, deletedAt, here, seq }) =>
      JSON.stringify(byId[id] ?? deleted[id]?.document ?? null) !== JSON.stringify(document) ||
      (deleted[id]?.at ?? null) !== deletedAt ||
      (document !== null && (standing[id]?.here !== here || standing[id]?.seq !== seq)),
  );
