import type { Setting } from '../setup';

/** The parts of the work, in the order in which it goes. */
export type Step = 'ambient' | 'look' | 'camera' | 'flash' | 'check';

/** The one thing to do now. */
export interface NextAction {
  kind:
    | 'meter-face'
    | 'meter-background'
    | 'meter-highlight'
    | 'meter-again'
    | 'choose-camera'
    | 'choose-flash'
    | 'camera-cannot'
    | 'no-flash-can-help'
    | 'power-out-of-range'
    | 'no-flash-measured'
    | 'answer'
    | 'set-and-test'
    | 'fire-test'
    | 'fire-all'
    | 'correct'
    | 'shoot'
    | 'film';
  step: Step;
  text: string;
  detail: string;
  /** settings that doing it makes true (the power that was dialled) */
  settings: Setting[];
}
