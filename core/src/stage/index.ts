export type { BackdropFill } from './backdrop';
export { type Companion, companions } from './company';
export { type StageCure, stageCures, type StageCures, type StageMove } from './cures';
export { type HeldRange, holdsWithin } from './holds';
export { suggestedKeySide } from './keySide';
export { isMotiveWatch, type MotiveWatch } from './motives';
export {
  mirroredStage,
  type Placement,
  type PlacementId,
  placementsFor,
  type TurnedSet,
  turnedSet,
} from './placements';
export { solveStage, type StageSolution } from './solveStage';
export { halfBeamDeg, setupView, type StageLight } from './stageLights';
export { meantSo, type StageWatch } from './watches';
export { asSun, type AsSun, heldBetween, type Pool, poolOf } from './wishedPlace';
