import type { PointSolution } from '../balance';
import type { Reading } from '../setup';
import type { Staleness } from './stale';

/** A point's ambient as it is taken for the solution. */
export interface PointAmbient {
  reading: Reading | undefined;
  ambientEv100: number | null;
  basis: PointSolution['basis'];
  stale: Staleness | null;
}
