export { type Calibration, calibrationSchema, UNTAUGHT } from './calibration';
export {
  isUnitPart,
  learnedId,
  type LearnedKind,
  lensOfCamera,
  UNIT_PARTS,
  type UnitPart,
  unitPartId,
} from './learnedId';
