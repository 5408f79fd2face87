export type { CameraWish } from './cameraWish';
export { type ExposeBy, type Motion, MOTIONS } from './choices';
export { completed, type Happening, happenings, setupAt, stoodAs, stoodOf } from './happened';
export { type Light, lightSchema, type PlacedLamp, type StoodLamp } from './light';
export {
  LIGHT_ROLE_FACTS,
  LIGHT_ROLES,
  type Motive,
  MOTIVES,
  type LightRole,
  MOST_LIGHTS,
  RADIO_GROUPS,
} from './lightRoles';
export { HOLD_BACK_RANGE, LOOK_RANGES, type Target, TARGET_KINDS, TARGET_WEIGHTS } from './look';
export { METHOD_CHOICES, methodAt, methodKey, type MethodKey } from './methods';
export { newLight, newPoint, newSetup, PLAIN_CAMERA, PLAIN_LIGHTING, PLAIN_LOOK } from './newSetup';
export {
  changedPanel,
  type Panel,
  PANEL_FACTS,
  PANEL_KINDS,
  type PanelKind,
  type PanelStand,
  standAt,
  tintMiredOf,
} from './panel';
export { type MeteringPoint, POINT_ROLES, type PointRole, ROLE_FACTS } from './point';
export {
  type FiredLight,
  type MeteringMethod,
  PLAIN_READING,
  type Reading,
  type ReadingMethod,
  readingSchema,
  type Stood,
  USUAL_METHOD,
} from './reading';
export {
  PLAIN_CHANGE,
  REPORTED_CHANGES,
  SCENE_CHANGES,
  type SceneChange,
  type SceneChangeKind,
  sceneChangeSchema,
  touchesPoint,
} from './sceneChange';
export {
  type LightField,
  lightPath,
  lightSetting,
  type PlainPath,
  type Setting,
  SETTING_PATHS,
  settingAt,
  type SettingFault,
  type SettingPath,
  withSettings,
} from './settings';
export { type Setup, setupSchema, type Version } from './setup';
export {
  BACKGROUNDS,
  GROUNDS,
  OPEN_SIDES,
  type OpenSide,
  PLAIN_STAGE,
  type StagePlan,
  type Subject,
  type Sun,
} from './stage';
