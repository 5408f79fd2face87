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
  partsOf,
  passesThrough,
  shareFromFlat,
  unitOf,
} from './flat';
export {
  FRAME_CORNERS,
  flatInFrame,
  frameSizeM,
  type FrameView,
  frameView,
  onPlaneBehind,
  poleInFrame,
} from './framing';
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
