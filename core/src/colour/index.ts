export * from './gels';
export * from './mired';
