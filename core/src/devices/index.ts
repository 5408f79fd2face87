export * from './protocol';
export * from './trueScene';
