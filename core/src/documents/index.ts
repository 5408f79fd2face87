export * from './change';
export * from './document';
export * from './kitItems';
export * from './merge';
export * from './newSetup';
export * from './shoot';
export * from './sync';
