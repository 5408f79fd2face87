export * from './calibration';
