export { instrumentOf, meterIncrementOf } from './instruments';
export type { MeterAgain } from './again';
export { type Answer, answerOf } from './answers';
export type { DomeChoice, ToldSide } from './dome';
export { FORETOLD_DOWN_TO_DEG, surpriseQuestion } from './evidence';
export {
  ambientReadings,
  type FlashFault,
  flashReadingsOf,
  lightEv100,
  readingNoiseStops,
  type ReadingStep,
  readingSteps,
  standingReadings,
} from './levels';
export {
  type AmbientShares,
  ASKED_SD_STOPS,
  type LevelAhead,
  LightEstimate,
  type LightThere,
  MARKED_SD_STOPS,
} from './lightEstimate';
export { litOtherwise, meterScene, withAssumed } from './meteredScene';
export type { Known, PointAmbient, Staleness } from './pointAmbient';
export type { ReadingCause, ReadingQuestion, TellingReading } from './questions';
export type { Fact, MeteredScene, MeteringWarning } from './scene';
export { BREAK_MINUTES } from './timeline';
