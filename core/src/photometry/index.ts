export {
  avFromN,
  ev100,
  ev100FromLux,
  type ExposureSettings,
  isoFromSv,
  METER_CONSTANT,
  nFromAv,
  secondsFromTv,
  svFromIso,
  tvFromSeconds,
} from './exposure';
export { flashMinusAmbient, holdBackFromFlashMinusAmbient, holdBackFromShare, shareFromHoldBack } from './holdBack';
export { type Increment, INCREMENT_STOPS } from './increments';
export { failure, type Outcome, success } from './outcome';
export { discResponse, domeResponse } from './receptors';
export {
  addLight,
  ceilToStep,
  floorToStep,
  ratioToStops,
  remainingLight,
  roundToStep,
  stepsToStops,
  stopsToRatio,
} from './stops';
export { TONE_RANGE, TONES } from './tones';
export { NO_FLASH_MEASURED, separateFlashAv, shareFromFlashMinusAmbient } from './twoExposures';
