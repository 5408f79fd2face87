import { type Setting, SETTING_PATHS, settingAt, type SettingPath, type Setup } from '../setup';
import type { Conflict } from './edit';
import { type FieldPath, withValueAt } from './merge';

/** A place in a setup as the setting that holds it: the light's place in the list instead of its id. */
function settingPathOf(setup: Setup, path: FieldPath): SettingPath | null {
  const [head, id, ...rest] = path;
  const index = head === 'lights' ? setup.lights.findIndex((light) => light.id === id) : -1;
  const keys = index < 0 ? path : [head, index, ...rest];
  for (let length = keys.length; length > 0; length -= 1) {
    const name = keys.slice(0, length).join('.');
    const known = SETTING_PATHS.find((one) => one === name);
    if (known !== undefined) return known;
  }
  return null;
}

/**
 * What a value that two devices disagree about means for a setup: the setting that holds it, and what that would be.
 * @param claim 0: the earlier, 1: the later
 * @returns null where the whole setup is asked about
 */
export function askedSetting(setup: Setup, { path, claims }: Conflict, claim: number): Setting | null {
  const setting = settingPathOf(setup, path);
  const its = claims[claim];
  if (setting === null || its === undefined) return null;
  const wished = withValueAt(setup, path, its.value ?? (path.length > 1 ? undefined : null)) as Setup;
  return { path: setting, value: settingAt(wished, setting) ?? null };
}
