export * from './ballast';
export {
  type Flat,
  CARD_ANSWER,
  DOME_ANSWER,
  coveredShare,
  dot,
  flatAxes,
  mirrored,
  movedBy,
  passesThrough,
  shareFromFlat,
  unitOf,
} from './flat';
export * from './framing';
export * from './group';
export * from './position';
export * from './spectacles';
export * from './spill';
