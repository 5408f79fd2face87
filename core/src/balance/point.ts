import type { Known, PointAmbient, Staleness } from '../metering';
import type { PointRole } from '../setup';

/** One metered tone: where it lands against mid grey, and what it is made of. Levels are stops; null is not known. */
export interface PointSolution {
  pointId: string;
  role: PointRole;
  name: string;
  ambientEv100: number | null;
  ambientStops: number | null;
  flashStops: number | null;
  totalStops: number | null;
  /** every light that reaches the point, its part of the total, and where its figure comes from */
  sources: {
    lightId: string;
    stops: number;
    share: number;
    basis: 'geometry' | 'calibration' | 'reading';
  }[];
  /** where the tone should land, and how far it misses that; null where nothing is wanted */
  targetStops: number | null;
  targetKind: 'value' | 'least' | 'most' | null;
  missStops: number | null;
  /** what a meter reads here with the flash, EV100; the ambient alone where no flash is known */
  totalEv100: number | null;
  /** where the tone lands on the ladder: its light and how far the tone lies from mid grey */
  placedStops: number | null;
  /** where the ambient part of it ends on the same scale */
  placedAmbientStops: number | null;
  /** light here over the light at the face, stops */
  overFaceStops: number | null;
  /** left out on purpose: it is not asked for */
  leftOut: boolean;
  basis: PointAmbient['basis'];
  /** how the whole of it is known, lights that matter there included; null where it was not metered */
  known: Known | null;
  uncertaintyStops: number | null;
  /** the reading in force */
  readingId: string | null;
  stale: Staleness | null;
  /** what a meter at the camera's shutter and ISO would show here with every light on */
  meterText: string | null;
  /** what a meter at the camera's shutter and ISO would show here, by the ambient alone */
  atCamera: { apertureText: string; shutterText: string; isoText: string } | null;
  /** where the camera would be if this point were right */
  ifRightText: string | null;
  zone: 'in-range' | 'clipped' | 'lost' | null;
  /**
   * of cloth and skin that may lie nearer to the flash than the face: how much more flash than the face gets clips it, stops,
   * and how near to the key that is; null where no flash is known at the face, or even less would clip it
   */
  rise: { stops: number; keyM: number | null } | null;
  /** minutes since the ambient was metered */
  ambientAgeMinutes: number | null;
}
