import type { MeteringMethod } from './reading';

/** The ways of metering that are offered, by key. */
export const METHOD_CHOICES = [
  { key: 'camera', method: { kind: 'incident', aim: 'camera' } },
  { key: 'light', method: { kind: 'incident', aim: 'light' } },
  { key: 'disc', method: { kind: 'disc' } },
  { key: 'spot', method: { kind: 'spot', tone: 'pale-skin', toneStops: 1 } },
  { key: 'reflected', method: { kind: 'reflected' } },
  { key: 'eye', method: { kind: 'eye' } },
] as const satisfies readonly { key: string; method: MeteringMethod }[];
export type MethodKey = (typeof METHOD_CHOICES)[number]['key'];

/** Which choice a method is. */
export const methodKey = (method: MeteringMethod): MethodKey => (method.kind === 'incident' ? method.aim : method.kind);
