import { english } from '../src/english';
import { sampleId } from '../src/sample';
import { type MeteringPoint, newPoint, PLAIN_READING, type PointRole, type Reading, type Setup } from '../src/setup';

/** A point of a kind under its usual English name, as the application makes it. */
export const usualPoint = (id: string, role: PointRole, name: string = english.pointRole(role).name): MeteringPoint =>
  newPoint(id, role, name);

/** The ambient at a point as a meter reads it at half past three, EV100. */
export const ambientReading = ({ id }: Pick<Setup, 'id'>, number: number, pointId: string, ev100: number): Reading => ({
  ...PLAIN_READING,
  id: sampleId(number),
  setupId: id,
  pointId,
  at: '2026-02-27T15:30:00Z',
  text: 'x',
  av: ev100 - 6,
  tv: 6,
  sv: 0,
});
