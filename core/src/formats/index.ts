export * from './setupFile';
export * from './ies';
