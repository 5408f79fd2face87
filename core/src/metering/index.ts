export type { DomeChoice } from './dome';
export {
  ambientReadings,
  type FlashFault,
  type FlashMeasurement,
  flashReadingsOf,
  lightEv100,
  measureFlash,
  READING_NOISE_STOPS,
  readingNoiseStops,
  standingReadings,
} from './levels';
export { type Fact, type MeteredScene, meterScene } from './meteredScene';
export type { PointAmbient } from './pointAmbient';
export { pointPlace } from './pointPlaces';
export { outlierQuestion, questionFlashes, type ReadingQuestion } from './questions';
export type { MeterAgain, Staleness } from './stale';
export type { MeteringWarning } from './warning';
