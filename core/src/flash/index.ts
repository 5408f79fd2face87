export { automaticStart } from './automatic';
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
