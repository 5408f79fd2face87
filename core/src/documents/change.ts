import { z } from 'zod';

import { mergeByField } from './merge';
import { type Setting, SETTING_PATHS, settingAt, type Setup } from '../setup';
import { idSchema } from '../gear';

/** The device at which something was done, by the name that it had then. */
export const deviceNameSchema = z.string().trim().min(1).max(60);
export const bySchema = z
  .strictObject({ id: idSchema, name: deviceNameSchema })
  .meta({ description: 'the device, by the name that it had then' });
/** Who did something: the device, for an account may have several. */
export type By = z.infer<typeof bySchema>;

/** More than a setup has settings: what is changed in one go is never cut. */
const MOST_SETTINGS = 200;
/** So many changes are one entry of the log at most, and one undo. */
const MOST_UNDONE = 500;

/** A change of one setup's settings: a fact for the log, and what undo goes by. */
export const changeSchema = z.strictObject({
  type: z.literal('change'),
  version: z.literal(8),
  id: idSchema,
  setupId: idSchema,
  at: z.iso.datetime({ offset: true }),
  settings: z
    .array(z.strictObject({ path: z.enum(SETTING_PATHS), from: z.json(), to: z.json() }))
    .min(1)
    .max(MOST_SETTINGS),
  by: bySchema.nullable().meta({ description: 'null: not known, from before devices had names' }),
  undoes: z.array(idSchema).max(MOST_UNDONE).meta({ description: 'the changes that this one takes back' }),
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
  by: By | null;
  settings: Change['settings'];
  undoes: string[];
  undone: boolean;
}

/** Steps of one dial within this time belong together. */
const ONE_GO_MS = 5000;

/**
 * Gathers steps of a dial that belong together; choices and lists stay one by one, and what two devices did is never
 * one entry. A group that ends where it began stays, as it happened.
 * @param changes in the order in which they were made
 */
export function groupChanges(changes: readonly Change[]): ChangeGroup[] {
  const undone = new Set(changes.flatMap(({ undoes }) => undoes));
  const paths = (settings: Change['settings']) => settings.map(({ path }) => path).join();
  const groups: ChangeGroup[] = [];
  for (const change of changes) {
    const last = groups.at(-1);
    const isUndone = undone.has(change.id);
    const stepped = change.settings.every(({ to }) => typeof to === 'number');
    const together =
      last !== undefined &&
      stepped &&
      last.undoes.length === 0 &&
      change.undoes.length === 0 &&
      last.undone === isUndone &&
      last.by?.id === change.by?.id &&
      last.ids.length < MOST_UNDONE &&
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
        by: change.by,
        settings: change.settings,
        undoes: change.undoes,
        undone: isUndone,
      });
  }
  return groups;
}

/**
 * The settings that take a group of changes back, as far as they still stand: where something else has changed a
 * setting since, that stays.
 */
export function undoSettings(setup: Setup, { settings }: Pick<ChangeGroup, 'settings'>): Setting[] {
  return [...settings].reverse().flatMap(({ path, from, to }) => {
    const now = settingAt(setup, path) ?? null;
    const value = mergeByField(to, from, now, { prefer: 'theirs' }) as Setting['value'];
    return JSON.stringify(value) === JSON.stringify(now) ? [] : [{ path, value }];
  });
}

/** The newest group that is not taken back and takes nothing back itself, among those that a person made here. */
export const lastUndoable = (
  groups: readonly ChangeGroup[],
  isOurs: (group: ChangeGroup) => boolean = () => true,
): ChangeGroup | undefined => groups.findLast((group) => !group.undone && group.undoes.length === 0 && isOurs(group));
