export type { StageCaution } from './cautions';
export { companions } from './company';
export { mirroredStage, placementsFor, sayPaces } from './placements';
export { solveStage, type StageSolution } from './solveStage';
export { setupView, type StageLight } from './stageLights';
