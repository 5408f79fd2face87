export * from './protocol';
export * from './seeded';
export * from './trueScene';
