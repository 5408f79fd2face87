export { type Drift, SHARE_WITHIN } from './drift';
export {
  type Following,
  type FollowingStep,
  type Forecast,
  type ForecastMinute,
  foresee,
  FORETOLD_MINUTES,
  HELD_WITHIN_STOPS,
} from './forecast';
export { type ForetoldSetup, foretoldSetup } from './foretold';
export { type FollowingDial } from './schedule';
export { scouted, type Scouted } from './scout';
export { type WaitUntil, waitUntil } from './waitUntil';
