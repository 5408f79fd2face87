export * from './flashUnit';
export * from './guideNumber';
export * from './powerScale';
