import { z } from 'zod';

import type { SchemaFault } from '../gear';
import type { Light } from './light';
import type { Setup } from './setup';

const SLOTS = [0, 1, 2, 3, 4, 5] as const;
type Slot = (typeof SLOTS)[number];
/** The settings of one light. */
export const LIGHT_FIELDS = [
  'role',
  'standsFor',
  'unitId',
  'outlet',
  'zoomMm',
  'modifierId',
  'gridId',
  'gelIds',
  'standId',
  'aimPointId',
  'distanceM',
  'placeSaid',
  'sideDeg',
  'heightM',
  'featherDeg',
  'group',
  'channel',
  'dialledStops',
  'locked',
] as const satisfies readonly (keyof Light)[];
export type LightField = (typeof LIGHT_FIELDS)[number];
export type LightPath = `lights.${Slot}.${LightField}`;

/** The path of a setting of the light in a place of the list. */
export const lightPath = (index: number, field: LightField): LightPath => `lights.${index as Slot}.${field}`;

/** A light's setting apart: its place in the list and the field; null for any other path. */
export function lightSetting(path: string): { index: number; field: LightField } | null {
  const [head, index, field] = path.split('.');
  return head === 'lights' && field !== undefined ? { index: Number(index), field: field as LightField } : null;
}

/** The settings of a setup that a person changes, as paths into the document. */
const PLAIN_PATHS = [
  'title',
  'spotId',
  'note',
  'frames',
  'plan',
  'listed',
  'takenOver',
  'points',
  'confirmed',
  'meter.meterId',
  'meter.av',
  'meter.tv',
  'meter.sv',
  'meter.read',
  'look',
  'look.holdBackStops',
  'look.faceBy',
  'look.faceContrastStops',
  'look.exposeBy',
  'look.backgroundStops',
  'look.headroomStops',
  'look.highlightPointId',
  'look.faceStops',
  'look.feelStops',
  'camera',
  'camera.cameraId',
  'camera.lensId',
  'camera.focalMm',
  'camera.support',
  'camera.motion',
  'camera.wantedAv',
  'camera.depth',
  'camera.keepOrder',
  'camera.wantedTv',
  'camera.pins.av',
  'camera.pins.tv',
  'camera.pins.sv',
  'camera.filterIds',
  'camera.highSpeedSync',
  'camera.syncDelayMs',
  'camera.secondCameraId',
  'camera.video',
  'camera.limits.syncTv',
  'camera.limits.slowestTv',
  'camera.limits.baseSv',
  'camera.limits.highestSv',
  'camera.stands',
  'look.targets',
  'lights',
  'lamps',
  'panels',
  'stage',
  'stage.subject',
  'stage.subject.turnDeg',
  'stage.subject.othersTurnDeg',
  'stage.subject.spectaclesTiltDeg',
  'stage.cameraM',
  'stage.cameraUpM',
  'stage.upright',
  'stage.background',
  'stage.ground',
  'stage.sun',
  'stage.openSide',
  'meterOrder',
  'tests',
  'reserveStops',
  'backgroundM',
  'backdrop',
  'people',
  'pace',
  'gustMps',
  'colour',
  'colour.ambient',
  'colour.relation',
  'colour.warmerMired',
  'colour.whiteBalance',
  'variants',
  'variantOf',
] as const;
export type PlainPath = (typeof PLAIN_PATHS)[number];
export type SettingPath = PlainPath | LightPath;
export const SETTING_PATHS: readonly SettingPath[] = [
  ...PLAIN_PATHS,
  ...SLOTS.flatMap((slot) => LIGHT_FIELDS.map((field) => lightPath(slot, field))),
];

/** One setting and its new value. */
export const settingSchema = z.strictObject({ path: z.enum(SETTING_PATHS), value: z.json() });
export type Setting = z.infer<typeof settingSchema>;

/** Why settings are not taken: a value that its schema refuses, or a place that is not there. */
export type SettingFault = SchemaFault | { kind: 'no-such-setting'; path: SettingPath };

/** A part of a document that has parts itself. */
export type Node = Record<string, unknown>;

/** The value at a path; `undefined` where there is none (a light that is not there). */
export function settingAt(setup: Setup, path: SettingPath): z.infer<ReturnType<typeof z.json>> | undefined {
  let node: unknown = setup;
  for (const key of path.split('.')) node = (node as Node | undefined)?.[key];
  return node as z.infer<ReturnType<typeof z.json>> | undefined;
}
