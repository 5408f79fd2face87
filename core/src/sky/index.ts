export { clearSky } from './clearSky';
export { type SunDay, sunDay, type SunLight, type SunSpan } from './sunDay';
export { sunPosition } from './sunPosition';
