import type { MeteringPoint } from './point';
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

/**
 * How a point is metered with a method. A spot on the sky is as it reads: it is a light itself and has no tone that it would be
 * lit to.
 */
export const methodAt = (method: MeteringMethod, point: Pick<MeteringPoint, 'role'> | undefined): MeteringMethod =>
  method.kind === 'spot' && point?.role === 'sky' ? { kind: 'spot', tone: 'own', toneStops: 0 } : method;
