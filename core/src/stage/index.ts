export type { StageCaution, StageMove, StageWatch } from './cautions';
export { type Companion, companions } from './company';
export { mirroredStage, type Placement, type PlacementId, placementsFor } from './placements';
export { solveStage, type StageSolution } from './solveStage';
export { setupView, type StageLight } from './stageLights';
