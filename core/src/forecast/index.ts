export { type ColourStep } from './colourAhead';
export { type Drift } from './drift';
export { type Following, type FollowingStep } from './following';
export { type Forecast, type ForecastMinute, foresee } from './forecast';
export { type ForetoldSetup, foretoldSetup } from './foretold';
export { type ReadForetold, readForetold } from './record';
export { type FollowingDial } from './schedule';
export { scouted, type Scouted, type Visit } from './scout';
export { type WaitUntil, waitUntil } from './waitUntil';
