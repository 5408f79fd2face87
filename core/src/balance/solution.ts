import type { CameraSolution } from './cameraSettings';
import type { Contrast, DomeChoice } from './contrast';
import type { LightSolution } from './lightPower';
import type { LookStatement } from './look';
import type { PointRole } from './pointRoles';
import type { ReadingQuestion } from './questions';
import type { Setting } from './settings';
import type { MeterAgain, Staleness } from './stale';

/** The parts of the work, in the order in which it goes. */
export type Step = 'ambient' | 'look' | 'camera' | 'flash' | 'check';

/** One metered tone: where it lands against mid grey, and what it is made of. Levels are stops; null is not known. */
export interface PointSolution {
  pointId: string;
  role: PointRole;
  name: string;
  ambientEv100: number | null;
  ambientStops: number | null;
  flashStops: number | null;
  totalStops: number | null;
  /** what a meter reads here with the flash, EV100; the ambient alone where no flash is known */
  totalEv100: number | null;
  /** where the tone lands on the ladder: its light and how far the tone lies from mid grey */
  placedStops: number | null;
  /** where the ambient part of it ends on the same scale */
  placedAmbientStops: number | null;
  /** light here over the light at the face, stops */
  overFaceStops: number | null;
  /** measured here; carried: an older reading moved by what changed in the same light elsewhere; one source: only a disc to one source was taken */
  basis: 'measured' | 'carried' | 'one source' | null;
  uncertaintyStops: number | null;
  /** the reading in force */
  readingId: string | null;
  stale: Staleness | null;
  /** what a meter at the camera's shutter and ISO would show here */
  atCameraText: string | null;
  /** where the camera would be if this point were right */
  ifRightText: string | null;
  zone: 'in range' | 'clipped' | 'lost' | null;
  /** minutes since the ambient was metered */
  ambientAgeMinutes: number | null;
  /** the same in one sentence, for a voice and for text views */
  text: string;
}

/** One way out of a wish that cannot be met, with its price in this setup. */
export interface WayOut {
  id: string;
  cures: 'camera' | 'power';
  title: string;
  price: string;
  /** how much of the miss it takes away, stops */
  helpsStops: number;
  solves: boolean;
  /** what one tap changes; empty where a person must act and meter again */
  settings: Setting[];
}

/** The one thing to do now. */
export interface NextAction {
  kind: 'meter-face' | 'meter-background' | 'meter-again' | 'choose-camera' | 'choose-flash' | 'camera-cannot' | 'no-flash-can-help' | 'power-out-of-range' | 'no-flash-measured' | 'set-and-test' | 'fire-test' | 'correct' | 'shoot';
  step: Step;
  text: string;
  detail: string;
  /** settings that doing it makes true (the power that was dialled) */
  settings: Setting[];
}

export interface Warning {
  kind: 'clipped' | 'lost' | 'span' | 'headroom' | 'face-contrast' | 'fooled' | 'one-source' | 'no-flash-can-help' | 'slowest-over-sync' | 'not-in-kit' | 'high-speed-sync-missing';
  text: string;
}

/** Everything that is known about a setup: the one object that all screens, exports and pictures read. */
export interface Solution {
  look: LookStatement & { actual: LookStatement | null };
  camera: CameraSolution | null;
  lights: LightSolution[];
  points: PointSolution[];
  contrast: Contrast;
  dome: DomeChoice | null;
  questions: ReadingQuestion[];
  /** the fewest readings that settle what no longer holds */
  meterAgain: MeterAgain[];
  waysOut: WayOut[];
  nextAction: NextAction;
  warnings: Warning[];
  /** safety of people, shown with the flash */
  cautions: string[];
}
