import type { Reading, SceneChangeKind } from '../setup';

/** Why a level is not known as well as it was. */
export type Staleness = {
  /** one standard deviation of it now, stops */
  sdStops: number;
  /** so much that it is asked for; else it is only marked */
  asked: boolean;
} & ({ kind: 'scene'; change: SceneChangeKind } | { kind: 'age'; minutes: number });

/**
 * How a figure is known. Read: by a reading of it. Foretold: carried from a reading, or by figures that things are stated to
 * have. Assumed: it rests on something that nobody has said.
 */
export type Known = 'read' | 'foretold' | 'assumed';

/** A point's ambient as it is taken for the solution. */
export interface PointAmbient {
  /** the newest reading of its whole light */
  reading: Reading | undefined;
  ambientEv100: number | null;
  /** one standard deviation, stops; null where it was not metered */
  sdStops: number | null;
  /**
   * measured here; carried: an older reading moved by what changed since; one-source: only a disc to one source was
   * taken; assumed: nothing was read here, and work goes on all the same
   */
  basis: 'measured' | 'carried' | 'one-source' | 'assumed' | null;
  stale: Staleness | null;
}
