export { distanceFromUnit, distanceInUnit, formatDistance } from './distance';
export {
  apertureNumber,
  formatAperture,
  formatIso,
  formatShare,
  formatShutter,
  formatStopCount,
  formatStops,
  formatStopsBothWays,
  isoNumber,
  sayStops,
  speakAperture,
} from './format';
export { READ_VALUES, type ReadValue, SETTING_OF, settingsAt } from './heldValues';
export { type Meaning, readMeterText } from './meanings';
export { AV_RANGE, parseAperture, parseIso, parsePartStops, parseShutter, SV_RANGE, TV_RANGE } from './parse';
export { answerStops } from './stopArithmetic';
