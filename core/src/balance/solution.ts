import type { CameraSolution } from './cameraSettings';
import type { LightSolution } from './lightPower';
import type { LookStatement } from './look';
import type { Setting } from './settings';

/** The parts of the work, in the order in which it goes. */
export type Step = 'ambient' | 'look' | 'camera' | 'flash' | 'check';

/** One metered tone: where it lands against mid grey, and what it is made of. Levels are stops; null is not known. */
export interface PointSolution {
  pointId: string;
  role: 'face' | 'background';
  name: string;
  ambientEv100: number | null;
  ambientStops: number | null;
  flashStops: number | null;
  totalStops: number | null;
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
  kind: 'meter-face' | 'meter-background' | 'choose-camera' | 'choose-flash' | 'camera-cannot' | 'no-flash-can-help' | 'power-out-of-range' | 'no-flash-measured' | 'set-and-test' | 'fire-test' | 'correct' | 'shoot';
  step: Step;
  text: string;
  detail: string;
  /** settings that doing it makes true (the power that was dialled) */
  settings: Setting[];
}

export interface Warning {
  kind: 'background-clipped' | 'background-lost' | 'no-flash-can-help' | 'slowest-over-sync' | 'not-in-kit' | 'high-speed-sync-missing';
  text: string;
}

/** Everything that is known about a setup: the one object that all screens, exports and pictures read. */
export interface Solution {
  look: LookStatement & { actual: LookStatement | null };
  camera: CameraSolution | null;
  lights: LightSolution[];
  points: PointSolution[];
  waysOut: WayOut[];
  nextAction: NextAction;
  warnings: Warning[];
  /** safety of people, shown with the flash */
  cautions: string[];
}
