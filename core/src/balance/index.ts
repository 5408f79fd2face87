export * from './ageText';
export type { Fact } from './meteredScene';
export * from './camera';
export {
  type CameraGear,
  type CameraSolution,
  type ExposureTarget,
  chooseCameraSettings,
  limitsInForce,
  videoShutterTv,
} from './cameraSettings';
export * from './choices';
export { type Companion, companions } from './company';
export type { Contrast, DomeChoice } from './contrast';
export { type Cure, type Diagnosis, SYMPTOMS, type Symptom, diagnose } from './cures';
export * from './depthOfField';
export { type DialColumn, type DialMatrix } from './dialMatrix';
export * from './distanceText';
export { type EqualLook, equalLooks } from './equalLooks';
export { type Intent } from './intent';
export * from './kit';
export { type Lamp, type LampSolution, type PlacedLamp, lampLuxAt1M, lampSchema } from './lamp';
export * from './panel';
export type { PanelSolution } from './panelSolution';
export { type Placement, mirroredStage, placementsFor, sayPaces } from './placements';
export {
  type StageCaution,
  type StageCautionKind,
  type StageLight,
  type StageSolution,
  halfBeamDeg,
  setupView,
} from './stage';
export { type AmbientShares, isIndoors, thrownTowards } from './ambientField';
export { pointPlace } from './pointPlaces';
export * from './stagePlan';
export type { LightSolution, StepEffect } from './lightPower';
export { firedAs, lightConfig } from './lightConfig';
export * from './lightRoles';
export { usualTarget } from './lights';
export { type ColourSolution, type GelAdvice, type SourceCast, sayGelCost } from './colourSolution';
export type { Disagreement } from './disagreement';
export { type GroupLight, saySpread } from './groupLight';
export type { CheaperSetting, StayingPower } from './stayingPower';
export type { Together } from './together';
export type { LightRatios } from './ratios';
export { lightEv100 } from './levels';
export * from './look';
export * from './methodText';
export * from './pointRoles';
export type { ReadingQuestion } from './questions';
export * from './reading';
export { type Ripple, type RippleMove, ripple } from './ripple';
export * from './sceneChange';
export type { SecondBody } from './secondBody';
export * from './settings';
export * from './setup';
export { MOTION_LIMITS, type SharpShutter, focalLengthMm, saySharpShutter, slowestSharpShutter } from './sharpShutter';
export * from './solution';
export * from './solve';
export type { MeterAgain, Staleness } from './stale';
export { type VideoSolution, safeAngleDeg } from './video';
export { statedLight } from './statedLight';
export { outlierQuestion, teach } from './teach';
export type { WhyChain, WhyChains, WhyLine } from './why';
