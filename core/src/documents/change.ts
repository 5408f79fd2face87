import { z } from 'zod';

import { type Setting, SETTING_PATHS, settingAt, type Setup } from '../setup';

/** A change of one setup's settings: a fact for the log, and what undo goes by. */
export const changeSchema = z.strictObject({
  type: z.literal('change'),
  version: z.literal(1),
  id: z.uuid(),
  setupId: z.uuid(),
  at: z.iso.datetime({ offset: true }),
  settings: z
    .array(z.strictObject({ path: z.enum(SETTING_PATHS), from: z.json(), to: z.json() }))
    .min(1)
    .max(20),
  undoes: z.array(z.uuid()).max(500).meta({ description: 'the changes that this one takes back' }),
});
export type Change = z.infer<typeof changeSchema>;

/** What these settings change in a setup: only those that differ, with the value before. */
export function settingChanges(setup: Setup, settings: readonly Setting[]): Change['settings'] {
  return settings
    .map(({ path, value }) => ({ path, from: settingAt(setup, path) ?? null, to: value }))
    .filter(({ from, to }) => JSON.stringify(from) !== JSON.stringify(to));
}

/** Changes made in one go: a dial stepped several times is one entry of the log and one undo. */
export interface ChangeGroup {
  ids: string[];
  /** when the last of them was made */
  at: string;
  settings: Change['settings'];
  undoes: string[];
  undone: boolean;
}

/** Steps of one dial within this time belong together. */
const ONE_GO_MS = 5000;

/**
 * Gathers steps of a dial that belong together, oldest first; choices and lists stay one by one. A group that
 * ends where it began stays, as it happened.
 */
export function groupChanges(changes: readonly Change[]): ChangeGroup[] {
  const undone = new Set(changes.flatMap(({ undoes }) => undoes));
  const paths = (settings: Change['settings']) => settings.map(({ path }) => path).join();
  const groups: ChangeGroup[] = [];
  for (const change of [...changes].sort((a, b) => (a.id < b.id ? -1 : 1))) {
    const last = groups.at(-1);
    const isUndone = undone.has(change.id);
    const stepped = change.settings.every(({ to }) => typeof to === 'number');
    const together =
      last !== undefined &&
      stepped &&
      last.undoes.length === 0 &&
      change.undoes.length === 0 &&
      last.undone === isUndone &&
      paths(last.settings) === paths(change.settings) &&
      Date.parse(change.at) - Date.parse(last.at) <= ONE_GO_MS;
    if (together) {
      last.ids.push(change.id);
      last.at = change.at;
      last.settings = last.settings.map((setting, index) => ({ ...setting, to: change.settings[index]?.to ?? null }));
    } else
      groups.push({
        ids: [change.id],
        at: change.at,
        settings: change.settings,
        undoes: change.undoes,
        undone: isUndone,
      });
  }
  return groups;
}

/** The settings that take a group of changes back. */
export const undoSettings = ({ settings }: Pick<ChangeGroup, 'settings'>): Setting[] =>
  settings.map(({ path, from }) => ({ path, value: from })).reverse();

/** The newest group that has not been taken back and takes nothing back itself. */
export const lastUndoable = (groups: readonly ChangeGroup[]): ChangeGroup | undefined =>
  groups.findLast(({ undone, undoes }) => !undone && undoes.length === 0);
