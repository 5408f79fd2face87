import { z } from 'zod';

import { type Outcome, failure, success } from '../photometry';
import { type Setup, setupSchema } from './setup';

/** The settings of a setup that a person changes, as paths into the document. */
export const SETTING_PATHS = [
  'title', 'points', 'confirmed', 'meter.av', 'meter.tv', 'meter.sv', 'meter.read', 'meter.method', 'look.holdBackStops', 'look.faceBy', 'look.faceContrastStops',
  'camera.cameraId', 'camera.wantedAv', 'camera.filterIds', 'camera.highSpeedSync',
  'camera.limits.syncTv', 'camera.limits.slowestTv', 'camera.limits.baseSv', 'camera.limits.highestSv',
  'lights', 'lights.0.unitId', 'lights.0.modifierId', 'lights.0.distanceM', 'lights.0.dialledStops',
] as const;
export type SettingPath = (typeof SETTING_PATHS)[number];

/** One setting and its new value. */
export const settingSchema = z.strictObject({ path: z.enum(SETTING_PATHS), value: z.json() });
export type Setting = z.infer<typeof settingSchema>;

type Node = Record<string, unknown>;

/** The value at a path; `undefined` where there is none (a light that is not there). */
export function settingAt(setup: Setup, path: SettingPath): z.infer<ReturnType<typeof z.json>> | undefined {
  let node: unknown = setup;
  for (const key of path.split('.')) node = (node as Node | undefined)?.[key];
  return node as z.infer<ReturnType<typeof z.json>> | undefined;
}

/**
 * A copy of the setup with these settings changed, checked against the schema.
 * @returns the new setup, or a message when a value is out of its range
 */
export function withSettings(setup: Setup, settings: readonly Setting[]): Outcome<Setup> {
  const copy: unknown = structuredClone(setup);
  for (const { path, value } of settings) {
    const keys = path.split('.');
    const last = keys.pop() ?? '';
    let node = copy as Node | undefined;
    for (const key of keys) node = node?.[key] as Node | undefined;
    if (node === undefined) return failure(`There is no ${path} to set.`);
    node[last] = value;
  }
  const parsed = setupSchema.safeParse(copy);
  return parsed.success ? success(parsed.data) : failure(z.prettifyError(parsed.error));
}
