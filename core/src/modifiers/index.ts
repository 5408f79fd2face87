export * from './areaSource';
export * from './beam';
export * from './modifier';
