import { english } from '../src/english';
import { type MeteringPoint, newPoint, type PointRole } from '../src/setup';

/** A point of a kind under its usual English name, as the application makes it. */
export const usualPoint = (id: string, role: PointRole, name: string = english.pointRole(role).name): MeteringPoint =>
  newPoint(id, role, name);
