export { automaticStart } from './automatic';
export { chargeShareAt, coldShareSchema } from './charge';
export { darkBandShare, passedPowerStops, safeSyncTv } from './duration';
export {
  type FlashUnit,
  flashUnitSchema,
  highSpeedSyncLossStops,
  popsPerCharge,
  recycleS,
  unitGuideNumberM,
  unitUncertaintyStops,
  zoomGainStops,
} from './flashUnit';
export { framesUntilHot, heatOf } from './heat';
export { flashAv } from './guideNumber';
export {
  lowestPowerStops,
  type PowerFault,
  powerInScales,
  powerSettings,
  powerStepStops,
  readPower,
  snapPower,
  writePower,
} from './powerScale';
