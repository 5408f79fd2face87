import type { MeteringPoint, PointRole } from './point';
import { type MeteringMethod, USUAL_METHOD } from './method';
import type { Reading } from './reading';

/** The ways of metering that are offered, by key. */
export const METHOD_CHOICES = [
  { key: 'camera', method: { kind: 'incident', aim: 'camera' } },
  { key: 'light', method: { kind: 'incident', aim: 'light' } },
  { key: 'disc', method: { kind: 'disc' } },
  { key: 'spot', method: { kind: 'spot', tone: 'pale-skin', toneStops: 1 } },
  { key: 'reflected', method: { kind: 'reflected', compensationStops: 0 } },
  { key: 'eye', method: { kind: 'eye', of: 'place' } },
] as const satisfies readonly { key: string; method: MeteringMethod }[];
export type MethodKey = (typeof METHOD_CHOICES)[number]['key'];

/** Which choice a method is. */
export const methodKey = (method: MeteringMethod): MethodKey => (method.kind === 'incident' ? method.aim : method.kind);

/** A spot on something that is a light itself, such as the sky: it has no tone that it would be lit to. */
const AS_IT_READS: MeteringMethod = { kind: 'spot', tone: 'as-it-reads', toneStops: 0 };

/** How each kind of point is usually metered; the others with the dome to the camera. */
const USUAL_AT: Partial<Record<PointRole, MeteringMethod>> = {
  white: { kind: 'spot', tone: 'white-cloth', toneStops: 7 / 3 },
  dark: { kind: 'spot', tone: 'dark-cloth', toneStops: -2.5 },
  sky: AS_IT_READS,
  highlight: { kind: 'incident', aim: 'light' },
  grey: { kind: 'spot', tone: 'grey-card', toneStops: 0 },
};

/** How a kind of point is usually metered. */
export const usualMethodAt = (role: PointRole): MeteringMethod => USUAL_AT[role] ?? USUAL_METHOD;

/** How a point is metered with a method: a spot on the sky is as it reads. */
export const methodAt = (method: MeteringMethod, point: Pick<MeteringPoint, 'role'> | undefined): MeteringMethod =>
  method.kind === 'spot' && point?.role === 'sky' ? AS_IT_READS : method;

/**
 * How a point is metered next: as was chosen for it, else as it was metered last, else as its kind usually is. Nothing is
 * taken over from another point.
 * @param readings of the setup, oldest first
 */
export function methodFor(point: MeteringPoint, readings: readonly Reading[]): MeteringMethod {
  if (point.method !== null) return methodAt(point.method, point);
  const last = readings.findLast(
    ({ pointId, light, struckAt, method }) =>
      pointId === point.id && light === 'ambient' && struckAt === null && method.kind !== 'frame',
  )?.method;
  return last === undefined || last.kind === 'frame' ? usualMethodAt(point.role) : last;
}
