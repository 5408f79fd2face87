import { z } from 'zod';

import { type Kit, SETTING_PATHS, type Setting, type SettingPath, type Setup, formatDistance, powerTextOf, sayLook, settingAt } from '../balance';
import { formatAperture, formatIso, formatShare, formatShutter, formatStopCount } from '../photometry';

/** A change of one setup's settings: a fact for the log, and what undo goes by. */
export const changeSchema = z.strictObject({
  type: z.literal('change'),
  version: z.literal(1),
  id: z.uuid(),
  setupId: z.uuid(),
  at: z.iso.datetime({ offset: true }),
  settings: z.array(z.strictObject({ path: z.enum(SETTING_PATHS), from: z.json(), to: z.json() })).min(1).max(20),
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

/** Gathers steps of a dial that belong together, oldest first; choices and lists stay one by one. A group that ends where it began stays, as it happened. */
export function groupChanges(changes: readonly Change[]): ChangeGroup[] {
  const undone = new Set(changes.flatMap(({ undoes }) => undoes));
  const paths = (settings: Change['settings']) => settings.map(({ path }) => path).join();
  const groups: ChangeGroup[] = [];
  for (const change of [...changes].sort((a, b) => (a.id < b.id ? -1 : 1))) {
    const last = groups.at(-1);
    const isUndone = undone.has(change.id);
    const stepped = change.settings.every(({ to }) => typeof to === 'number');
    const together = last !== undefined && stepped && last.undoes.length === 0 && change.undoes.length === 0 && last.undone === isUndone
      && paths(last.settings) === paths(change.settings) && Date.parse(change.at) - Date.parse(last.at) <= ONE_GO_MS;
    if (together) {
      last.ids.push(change.id);
      last.at = change.at;
      last.settings = last.settings.map((setting, index) => ({ ...setting, to: change.settings[index]?.to ?? null }));
    } else groups.push({ ids: [change.id], at: change.at, settings: change.settings, undoes: change.undoes, undone: isUndone });
  }
  return groups;
}

/** The settings that take a group of changes back. */
export const undoSettings = ({ settings }: Pick<ChangeGroup, 'settings'>): Setting[] => settings.map(({ path, from }) => ({ path, value: from })).reverse();

/** The newest group that has not been taken back and takes nothing back itself. */
export const lastUndoable = (groups: readonly ChangeGroup[]): ChangeGroup | undefined => groups.findLast(({ undone, undoes }) => !undone && undoes.length === 0);

const LABELS: Record<SettingPath, string> = {
  title: 'Name',
  points: 'Points',
  confirmed: 'Answered',
  'meter.av': 'Meter aperture',
  'meter.tv': 'Meter shutter',
  'meter.sv': 'Meter ISO',
  'meter.read': 'Meter shows',
  'meter.method': 'Metered by',
  'look.holdBackStops': 'Hold-back',
  'look.faceBy': 'Face set by',
  'look.faceContrastStops': 'Contrast on the face, at most',
  'camera.cameraId': 'Camera',
  'camera.wantedAv': 'Wanted aperture',
  'camera.filterIds': 'Filters',
  'camera.highSpeedSync': 'High-speed sync',
  'camera.limits.syncTv': 'Sync',
  'camera.limits.slowestTv': 'Slowest sharp shutter',
  'camera.limits.baseSv': 'Lowest ISO',
  'camera.limits.highestSv': 'Highest ISO',
  lights: 'Flash',
  'lights.0.unitId': 'Flash unit',
  'lights.0.modifierId': 'Modifier',
  'lights.0.distanceM': 'Flash distance',
  'lights.0.dialledStops': 'Flash set to',
};

const nameOf = (things: readonly { id: string; name: string }[], id: unknown): string => things.find((thing) => thing.id === id)?.name ?? 'no longer in the kit';

function sayValue(path: SettingPath, value: unknown, setup: Setup, kit: Kit): string {
  if (path === 'camera.filterIds') return Array.isArray(value) && value.length > 0 ? value.map((id) => nameOf(kit.filters, id)).join(' + ') : 'none';
  if (path === 'points') return Array.isArray(value) ? (value as { name?: string }[]).map(({ name }) => name ?? '').join(', ') : 'none';
  if (path === 'confirmed') return Array.isArray(value) ? `${value.length} ${value.length === 1 ? 'question' : 'questions'}` : 'none';
  if (path === 'look.faceBy') return value === 'light' ? 'dome to the light' : 'dome to the camera';
  if (path === 'lights') {
    const unitId: unknown = Array.isArray(value) ? (value[0] as { unitId?: unknown } | undefined)?.unitId : undefined;
    return unitId === undefined ? 'none' : nameOf(kit.flashUnits, unitId);
  }
  if (value === null) return path === 'lights.0.modifierId' ? 'standard reflector' : path.startsWith('camera.limits') ? 'as in the kit' : 'none';
  if (typeof value === 'boolean') return value ? 'on' : 'off';
  if (typeof value === 'string') {
    if (path === 'camera.cameraId') return nameOf(kit.cameras, value);
    if (path === 'lights.0.unitId') return nameOf(kit.flashUnits, value);
    return path === 'lights.0.modifierId' ? nameOf(kit.modifiers, value) : value;
  }
  if (typeof value !== 'number') return '';
  const increment = kit.cameras.find(({ id }) => id === setup.camera.cameraId)?.increment ?? 'third';
  if (path.endsWith('Tv') || path === 'meter.tv') return formatShutter(value, increment);
  if (path.endsWith('Sv') || path === 'meter.sv') return formatIso(value);
  if (path === 'camera.wantedAv') return formatAperture(value, increment);
  if (path === 'lights.0.distanceM') return formatDistance(value, kit.preferences.distanceUnit);
  if (path === 'lights.0.dialledStops') return powerTextOf(kit, setup.lights[0]?.unitId ?? '', value);
  if (path === 'look.faceContrastStops') return `${formatStopCount(value)} stops`;
  return `${formatStopCount(value)} stops, flash share ${formatShare(sayLook(value).flashShare)}`;
}

/** A change in words for the log: `Hold-back: 1.0 stops, flash share 50 %, was 0.7 stops, flash share 37 %`. */
export const describeChange = ({ settings }: Pick<Change, 'settings'>, setup: Setup, kit: Kit): string =>
  settings
    .map(({ path, from, to }) => `${LABELS[path]}: ${sayValue(path, to, setup, kit)}, was ${sayValue(path, from, setup, kit)}`)
    .join('. ');
