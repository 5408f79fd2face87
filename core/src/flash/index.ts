export * from './automatic';
export * from './duration';
export * from './flashUnit';
export * from './guideNumber';
export * from './powerScale';
