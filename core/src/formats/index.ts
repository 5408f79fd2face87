export * from './setupFile';
