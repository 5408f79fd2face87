import type { Reading } from '../setup';
import type { Staleness } from './stale';

/** A point's ambient as it is taken for the solution. */
export interface PointAmbient {
  reading: Reading | undefined;
  ambientEv100: number | null;
  /**
   * measured here; carried: an older reading moved by what changed in the same light elsewhere; one-source: only
   * a disc to one source was taken
   */
  basis: 'measured' | 'carried' | 'one-source' | null;
  stale: Staleness | null;
}
