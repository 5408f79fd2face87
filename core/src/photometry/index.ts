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
export { fault, FAULT_IDS, type FaultId } from './faultIds';
export {
  flashMinusAmbient,
  holdBackFromFlashMinusAmbient,
  holdBackFromShare,
  type LookFigures,
  lookFigures,
  shareFromHoldBack,
} from './holdBack';
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
export { reflectanceOfTone, SKINS, TONE_RANGE, type ToneId, toneOfReflectance, TONES } from './tones';
export { type NoFlashMeasured, separateFlashAv, shareFromFlashMinusAmbient } from './twoExposures';
