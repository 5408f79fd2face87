export * from './ids';
export * from './kit';
export * from './orlabach';
