export * from './areaSource';
export * from './modifier';
