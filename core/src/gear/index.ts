export { type Camera, type Filter, FULL_FRAME_DIAGONAL_MM, type Lens, stopFields } from './camera';
export { idSchema } from './id';
export { brokenTextAt, isWellFormed, withoutBroken } from './wellFormed';
export { EMPTY_KIT, GEAR_LISTS, type GearList, type Kit, kitSchema, offered } from './kit';
export {
  cameraItemSchema,
  filterItemSchema,
  flashItemSchema,
  gatherKit,
  GEAR_SCHEMAS,
  GEAR_TYPES,
  type GearItem,
  gelItemSchema,
  gridItemSchema,
  type KitItem,
  kitItems,
  lampItemSchema,
  lensItemSchema,
  meterItemSchema,
  modifierItemSchema,
  preferencesItemSchema,
  reflectorItemSchema,
  standItemSchema,
} from './kitItems';
export { dimmerSettings, kelvin, type Lamp, lampLuxAt1M, lampMinutes, percentOf, POWER_NOT_SAID } from './lamp';
export {
  type Bounds,
  type CameraDial,
  DEFAULT_PREFERENCES,
  keepOrderSchema,
  LOOK_WAY_IDS,
  type LookWayId,
  type Preferences,
  type DecimalMeans,
  USUAL_BOUNDS,
  USUAL_METER,
} from './preferences';
export { type Surface, SURFACE_TINT_MIRED, SURFACES } from './reflector';
export { type SchemaFault, schemaFault, type SchemaIssue } from './schemaFault';
