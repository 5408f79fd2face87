export { type Calibration, calibrationSchema, UNTAUGHT } from './calibration';
