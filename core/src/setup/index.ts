export { type CameraStands, type CameraWish, type Motion, MOTIONS } from './cameraWish';
export { type Happening, happenings, setupAt, stoodAs, stoodOf } from './happened';
export {
  heightAt,
  type Light,
  LIGHT_ROLE_FACTS,
  LIGHT_ROLES,
  type Motive,
  MOTIVES,
  type LightRole,
  MOST_LIGHTS,
  RADIO_GROUPS,
  lightSchema,
  type PlacedLamp,
  type StoodLamp,
} from './light';
export {
  colourSchema,
  type ExposeBy,
  HOLD_BACK_RANGE,
  LOOK_RANGES,
  lookSchema,
  type Target,
  TARGET_KINDS,
  TARGET_WEIGHTS,
} from './look';
export { type MeteringMethod, USUAL_METHOD } from './method';
export { METHOD_CHOICES, methodAt, methodFor, methodKey, type MethodKey, usualMethodAt } from './methods';
export {
  asLastTime,
  newLight,
  newPoint,
  newSetup,
  nextSetup,
  PLAIN_CAMERA,
  PLAIN_LIGHTING,
  PLAIN_LOOK,
  PLAIN_PLAN,
} from './newSetup';
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
export { type MeteringPoint, POINT_ROLES, pointSchema, type PointRole, ROLE_FACTS } from './point';
export { type FiredLight, PLAIN_READING, type Reading, type ReadingMethod, readingSchema, type Stood } from './reading';
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
  LIGHT_FIELDS,
  lightPath,
  lightSetting,
  type PlainPath,
  type Setting,
  SETTING_PATHS,
  settingAt,
  type SettingFault,
  type SettingPath,
} from './settings';
export {
  MOST_VARIANTS,
  type PlanWindow,
  type Setup,
  setupSchema,
  type SetupPlan,
  type TakenOver,
  type Variant,
} from './setup';
export { completed, withSettings } from './withSettings';
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
