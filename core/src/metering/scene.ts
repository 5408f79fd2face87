import type { MeteringPoint, Reading, SceneChange } from '../setup';
import type { MeterAgain } from './again';
import type { DomeChoice, ToldSide } from './dome';
import type { LightEstimate } from './lightEstimate';
import type { PointAmbient } from './pointAmbient';
import type { ReadingQuestion } from './questions';

/** A reading that says less than it seems to. */
export type MeteringWarning =
  | { kind: 'one-source'; pointId: string }
  /** the camera's own meter; off by so many stops where the background was metered too */
  | { kind: 'fooled'; pointId: string; offStops: number | null };

/** What is on record about a setup: readings, and what changed in the scene. */
export type Fact = Reading | SceneChange;

/** What the readings of a setup say, whatever the look, the camera and the power of its lights. */
export interface MeteredScene {
  clock: Date;
  /** readings that hold, oldest first */
  standing: readonly Reading[];
  /** the estimate that everything is foretold from */
  light: LightEstimate;
  ambientAt: (point: MeteringPoint) => PointAmbient;
  /** the ambient at a point but for some lamps, EV100; null where it was not metered, or nothing else is there */
  restWithout: (point: MeteringPoint, lampIds: ReadonlySet<string>) => number | null;
  again: MeterAgain[];
  dome: DomeChoice | null;
  /** where the ambient comes from; null where nothing tells */
  openSide: ToldSide | null;
  questions: ReadingQuestion[];
  /** readings that say less than they seem to */
  warnings: MeteringWarning[];
}
