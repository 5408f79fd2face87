import { catalogue } from '@/language/language';
import { words } from '@/language/words';
import type { SaidConflict } from '@/shell/work';
import { selectSetup } from '@/store/selectors';
import { sunStand } from '@sphene/core/gain';
import {
  askedSetting,
  type Conflict,
  type FieldPath,
  type Refusal,
  sameValue,
  valueAt,
  withValueAt,
  nameOfDocument,
} from '@sphene/core/documents';
import type { SchemaFault } from '@sphene/core/gear';
import { settingAt, type Setup } from '@sphene/core/setup';
import { readSetupFile, type SetupFile } from '@sphene/core/formats';
import { failure, type Outcome } from '@sphene/core/photometry';
import type { RootState } from '@/store/store';

import { selectAdvice, selectKit } from './selectSolution';

const text = catalogue({ changed: (what: string, to: string, from: string) => `${what}: ${to}, was ${from}` });

/** What is to be done next at a setup, in a line for a list. */
export function nextText(state: RootState, setupId: string): string | undefined {
  const setup = selectSetup(state, setupId);
  const advice = selectAdvice(state, setupId);
  if (setup === undefined || advice === undefined) return undefined;
  return words.nextAction(advice.nextAction, { setup, kit: selectKit(state, setupId) }).text;
}

/** What a schema refuses, and what would be right. */
export const sayFault = (fault: SchemaFault): string => words.schemaFault(fault);

/** What the server did not take, and why. */
export const sayRefusal = (refusal: Refusal): string => words.refusal(refusal);

/** A field of what is called so, as it was and is. */
export const sayField = (of: string, { path, from, to }: { path: FieldPath; from: unknown; to: unknown }): string =>
  text.changed([of, words.field(path)].filter(Boolean).join(', '), words.fieldValue(to), words.fieldValue(from));

/** What two devices said of one field: of a setup in the words of its log, of anything else by its field and value. */
export function sayConflict(state: RootState, conflict: Conflict): SaidConflict {
  const document = state.documents.byId[conflict.documentId];
  const now = document === undefined ? undefined : (valueAt(document, conflict.path) ?? null);
  const claims = conflict.claims.map(({ value }, claim) => {
    const inForce = sameValue(value, now);
    const asked = document?.type === 'setup' ? askedSetting(document, conflict, claim) : null;
    if (document?.type !== 'setup' || asked === null)
      return { text: `${words.field(conflict.path)}: ${words.fieldValue(value)}`, inForce };
    const before = withValueAt(document, conflict.path, conflict.base) as Setup;
    const from = settingAt(before, asked.path) ?? null;
    const settings = [{ path: asked.path, from, to: asked.value }];
    const context = { setup: document, kit: selectKit(state, document.id) };
    return { text: words.change({ settings }, context, (sun) => sunStand({ sun })), inForce };
  });
  const of = document === undefined ? '' : nameOfDocument(document);
  return { of, claims };
}

/** A setup file read, for a screen that has no words of its own for what may be wrong with it. */
export function readSetup(text: string): Outcome<SetupFile, string> {
  const read = readSetupFile(text);
  return read.ok ? read : failure(words.setupFileFault(read.reason));
}
