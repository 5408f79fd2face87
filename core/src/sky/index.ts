export * from './clearSky';
export * from './sunPosition';
