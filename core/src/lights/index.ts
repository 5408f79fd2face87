export { evenness, type PersonPlace } from './evenness';
export { type GroupCure, groupCures, type GroupLight, groupLight, type SolvedGroupCure } from './groupLight';

export type { LightSolution, StepEffect } from './lightPower';
export { FACE_WEIGHT, type LightAtPoint, type LightsSolution, solveLights, targetLevel, usualTarget } from './lights';
export { choosePowers, missStops, type PointTarget } from './powers';
export { statedLight } from './statedLight';
export { stayingPower, type StayingPower } from './stayingPower';
export { taughtKit, teach, teaches } from './teach';
export { type UsableLight, usableLights } from './usable';
