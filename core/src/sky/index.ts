export { clearSky } from './clearSky';
export { cloudLossStops, cloudSdStops } from './cloudLoss';
export { type MoonDay, moonDay } from './moon';
export {
  isOver,
  type ReachSpan,
  reachAt,
  reachSpans,
  safeUntil,
  type SkyObstacle,
  type SunReach,
  type Viewer,
} from './outline';
export { type ForetoldColour, skyColour } from './skyColour';
export { dayOf, type SunDay, sunDay, type SunLight, type SunSpan } from './sunDay';
export { sunPosition } from './sunPosition';
export { type SunAt, type SunTrack, sunTrack } from './sunTrack';
