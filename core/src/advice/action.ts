import type { ShadowLift } from '../balance';
import type { CameraSolution, ToSet } from '../exposure';
import type { CameraDial } from '../gear';
import type { FlashFault, ReadingQuestion, Staleness } from '../metering';
import type { MeteringMethod, Setting } from '../setup';
import type { Way } from './wayOut';

/** The parts of the work, in the order in which it goes. */
export type Step = 'ambient' | 'look' | 'camera' | 'flash' | 'check';

/** Shutter, aperture and ISO as the camera prints them. */
export type DialTexts = Pick<CameraSolution['text'], 'shutter' | 'aperture' | 'iso'>;

/** What to do now, with its figures. `lightId` null: there is one light only, and it is called the flash. */
export type ActionFacts =
  | { kind: 'choose-camera' | 'choose-flash' }
  /** a point to be metered, and how its selector stands */
  | { kind: 'meter-face' | 'meter-background' | 'meter-highlight'; pointId: string; method: MeteringMethod }
  | { kind: 'meter-again'; pointId: string; method: MeteringMethod; because: Staleness }
  | { kind: 'no-flash-can-help'; overStops: number; first: Way | null }
  | {
      kind: 'camera-cannot';
      camera: Pick<CameraSolution, 'reason' | 'text' | 'missing' | 'missingStops'>;
      first: Way | null;
    }
  /** lamps that are lights: to their dimmers' settings in one go */
  | { kind: 'set-lamps'; lamps: LampFacts[] }
  /** a lamp that its dimmer cannot bring to what is wanted; from there it does, at full or as it is dimmed; null: nowhere */
  | {
      kind: 'lamp-out-of-range';
      lampId: string;
      direction: 'too-weak' | 'too-strong';
      byStops: number;
      distanceM: number | null;
    }
  /** the camera to the settings that are suggested: the dials that are to be moved, and why */
  | { kind: 'set-camera'; dials: DialTexts; moved: CameraDial[]; because: ToSet['because'] }
  /** available light: the dark side of the face wants more light than the finished picture may give it */
  | { kind: 'fill-needed'; lift: ShadowLift }
  | { kind: 'film'; stills: boolean; dials: DialTexts; lamps: LampFacts[] }
  | {
      kind: 'power-out-of-range';
      lightId: string | null;
      byStops: number;
      direction: 'too-weak' | 'too-strong';
      limitText: string;
      first: Way | null;
    }
  | { kind: 'no-flash-measured'; lightId: string | null; problem: FlashFault }
  | { kind: 'answer'; question: ReadingQuestion }
  /** nobody has said how far a light stands whose power is to be set; null: it is the only one */
  | {
      kind: 'say-place';
      lightId: string | null;
      aimPointId: string;
      distanceM: number;
      powerText: string;
      sdStops: number;
    }
  | { kind: 'set-and-test' | 'fire-test'; test: TestFacts }
  /** several lights to their powers in one go, before all are fired */
  | { kind: 'set-powers'; lights: { lightId: string; powerText: string }[]; first: boolean }
  | { kind: 'fire-all'; count: number; pointId: string; meterText: string }
  | { kind: 'correct'; change: ChangeFacts }
  | {
      kind: 'shoot';
      dials: DialTexts;
      flash: { powerText: string; meterText: string } | { lightId: string; powerText: string }[];
    }
  /** by the light that is there, alone; the dark side is lifted afterwards where that is wished */
  | { kind: 'shoot-ambient'; dials: DialTexts; lift: ShadowLift | null };

/** A lamp with the setting of its dimmer. */
export interface LampFacts {
  lampId: string;
  dimStops: number;
}

/** One light to be fired and metered: the only one, or one of several with the others off. */
export type TestFacts =
  | {
      lightId: null;
      powerText: string;
      totalText: string;
      rangeTexts: [low: string, high: string] | null;
      learned: boolean;
    }
  | {
      lightId: string;
      powerText: string;
      totalText: string;
      flashText: string;
      aimPointId: string;
      /** radio letters of the lights to be turned off */
      off: string[];
    };

/** A power to be corrected: of the only light, or of one of several. */
export type ChangeFacts =
  | { lightId: null; stops: number; powerText: string; meterText: string }
  | { lightId: string; stops: number; powerText: string; aimPointId: string; share: number };

/** The one thing to do now. */
export type NextAction = ActionFacts & {
  step: Step;
  /** settings that doing it makes true (the power that was dialled) */
  settings: Setting[];
};

/** Every kind of action. */
export const ACTION_KINDS = [
  'meter-face',
  'meter-background',
  'meter-highlight',
  'meter-again',
  'choose-camera',
  'choose-flash',
  'set-camera',
  'fill-needed',
  'shoot-ambient',
  'camera-cannot',
  'no-flash-can-help',
  'power-out-of-range',
  'no-flash-measured',
  'answer',
  'say-place',
  'set-and-test',
  'fire-test',
  'set-powers',
  'fire-all',
  'correct',
  'shoot',
  'set-lamps',
  'lamp-out-of-range',
  'film',
] as const satisfies readonly NextAction['kind'][];
