export { distanceFromUnit, distanceInUnit, type DistanceUnit, formatDistance } from './distance';
export {
  apertureNumber,
  formatAperture,
  formatIso,
  formatShare,
  formatShutter,
  formatStopCount,
  formatStops,
  isoNumber,
} from './format';
export { READ_VALUES, type ReadValue, SETTING_OF, settingsAt } from './heldValues';
export { type Assumption, type Meaning, type ReadingFault, readMeterText, type ReadText } from './meanings';
export {
  AV_RANGE,
  parseAperture,
  parseIso,
  parsePartStops,
  parseShutter,
  SV_RANGE,
  TV_RANGE,
  type TypedFault,
} from './parse';
export { figuresFromWords } from './numberWords';
export { readWhole, type WholeReading } from './wholeReading';
export { answerStops, type StopAnswer, type StopFault, type StopValue } from './stopArithmetic';
