export { clearSky } from './clearSky';
export { lightAtHeight, SUN_LIGHTS, type SunDay, sunDay, type SunLight, type SunSpan } from './sunDay';
export { sunPosition } from './sunPosition';
