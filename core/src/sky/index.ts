export { clearSky } from './clearSky';
export { sunPosition } from './sunPosition';
