export { balance, type Balance } from './balance';
export {
  type CastSource,
  type ColourSolution,
  colourSolution,
  type GelAdvice,
  type LampColourAdvice,
  type MixedColour,
  type WhiteBalanceReason,
} from './colourSolution';
export { CONTRAST_MET_STOPS, type ContrastPair, contrastPairs, type Latitude, type ShadowLift } from './contrast';
export { fires, isAlone } from './exposed';
export { type LampSolution, type LampWish, solveLamps } from './lamps';
export type { PointSolution } from './point';
export type { LightRatios } from './ratios';
export { type SecondBody, secondBody } from './secondBody';
export { type VideoSolution, videoSolution } from './video';
export type { Warning } from './warning';
