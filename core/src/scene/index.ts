export * from './ballast';
export * from './group';
export * from './position';
export * from './spill';
