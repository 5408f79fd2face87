export { apparentSizeDeg, distanceForChange, effectiveDistanceM, falloffStops, type SourceShape } from './areaSource';
export { type Beam, beamLossStops, beamSchema, beamShare, type Grid, griddedBeam, gridSchema } from './beam';
export { BARE_REFLECTOR, type Front, type Modifier, modifierSchema } from './modifier';
