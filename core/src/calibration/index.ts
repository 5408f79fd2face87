export {
  type Calibration,
  calibrationSchema,
  expectedOffset,
  learn,
  type Observation,
  type Taught,
  UNTAUGHT,
} from './calibration';
