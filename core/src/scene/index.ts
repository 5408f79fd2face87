export { ballastKg } from './ballast';
export {
  type Answer,
  CARD_ANSWER,
  DOME_ANSWER,
  dot,
  type Flat,
  flatAxes,
  mirrored,
  movedBy,
  overFlat,
  passesThrough,
  shareFromFlat,
  unitOf,
} from './flat';
export { flatInFrame, frameSizeM, type FrameView, frameView, poleInFrame } from './framing';
export {
  angleDeg,
  direction,
  lengthM,
  lightPlace,
  type LightStand,
  type LitPlace,
  minus,
  type Place,
  standOf,
  turned,
  wrapDeg,
} from './position';
export { spectaclesShow } from './spectacles';
