import type { Balance, MixedColour } from '../balance';
import type { SceneChangeKind, Setting } from '../setup';
import type { DialTexts } from './action';

/** What people see in a picture that is not right yet. */
export const SYMPTOMS = [
  'background-dark',
  'background-bright',
  'face-flat',
  'dress-clipped',
  'eyes-dark',
  'grey-backdrop',
  'outline-merges',
  'hot-spot',
  'two-shadows',
  'mixed-colour',
  'flare',
] as const;
export type Symptom = (typeof SYMPTOMS)[number];

/** What a change of the look does, tried on the setup. */
export interface TriedLook {
  dials: DialTexts;
  fromStops: number;
  toStops: number;
  /** where the flash then holds the face; null: no flash does */
  face: { stops: number; powerText: string } | null;
}

/** One control that moves the thing, with its figures. */
export type CureKind =
  | { kind: 'ambient-in' | 'ambient-down'; byStops: number; tried: TriedLook }
  | { kind: 'expose-for-cloth' | 'ambient-makes-white'; tried: TriedLook }
  | { kind: 'light-background'; byStops: number }
  | { kind: 'flash-off-dress'; byStops: number | null }
  | { kind: 'face-lower'; byStops: number; powerText: string }
  | { kind: 'light-backdrop'; byStops: number }
  | { kind: 'gel-light'; lightId: string; gelNames: string[]; missMired: number }
  | { kind: 'fill-down'; lightId: string; byStops: number }
  | {
      kind:
        | 'key-off-background'
        | 'key-to-side'
        | 'turn-face'
        | 'black-on-shadow'
        | 'lower-key'
        | 'chin-up'
        | 'white-from-below'
        | 'bring-nearer'
        | 'rim-behind'
        | 'other-ground'
        | 'feather-key'
        | 'larger-source'
        | 'turn-from-shine'
        | 'powder'
        | 'fill-to-axis'
        | 'away-from-wall'
        | 'lamps-off'
        | 'flag-lens'
        | 'grid-on-back'
        | 'step-aside';
    };

/** Every kind of cure. */
export const CURE_KINDS = [
  'ambient-in',
  'ambient-down',
  'expose-for-cloth',
  'ambient-makes-white',
  'light-background',
  'flash-off-dress',
  'face-lower',
  'light-backdrop',
  'key-off-background',
  'key-to-side',
  'turn-face',
  'black-on-shadow',
  'lower-key',
  'chin-up',
  'white-from-below',
  'bring-nearer',
  'gel-light',
  'fill-down',
  'rim-behind',
  'other-ground',
  'feather-key',
  'larger-source',
  'turn-from-shine',
  'powder',
  'fill-to-axis',
  'away-from-wall',
  'lamps-off',
  'flag-lens',
  'grid-on-back',
  'step-aside',
] as const satisfies readonly Cure['kind'][];

export type Cure = CureKind & {
  /** what one tap changes; empty where hands must do it */
  settings: Setting[];
  /** the change of the scene that it is, after which readings are taken again */
  asks: SceneChangeKind | null;
};

/** Where the thing stands by what was metered; levels are stops from mid grey, null is not metered. */
export type Finding =
  | { kind: 'background'; atStops: number | null }
  | { kind: 'contrast'; contrastStops: number | null; wantedStops: number }
  | { kind: 'cloth'; atStops: number | null; clipsStops: number | null; holds: boolean }
  | { kind: 'sockets' }
  | { kind: 'backdrop'; atStops: number | null; whiteStops: number }
  /** how far dark cloth or hair and what is behind it lie apart; null: not both are metered */
  | { kind: 'outline'; apartStops: number | null; wantedStops: number }
  | { kind: 'hot-spot' }
  /** the light that throws the second shadow, and how far it lies under the key on the face; null: none is near it */
  | { kind: 'two-shadows'; lightId: string | null; underStops: number | null }
  | { kind: 'colours'; mixed: MixedColour | null }
  /** lights whose beam reaches the lens */
  | { kind: 'flare'; lightIds: string[]; sun: boolean };

/** The answer to a symptom: how far off it is, and cures, the cheapest first. */
export interface Diagnosis {
  symptom: Symptom;
  /** how far the thing is to be moved, stops; null where nothing metered says it */
  byStops: number | null;
  found: Finding;
  cures: Cure[];
}

/** What a cure takes: a dial, a walk to a light, the sitter's own doing, or a second pair of hands. */
export type Takes = 'dial' | 'walk' | 'sitter' | 'helper';

const BY_HANDS: Partial<Record<Cure['kind'], Takes>> = {
  'light-background': 'walk',
  'light-backdrop': 'walk',
  'key-off-background': 'walk',
  'key-to-side': 'walk',
  'lower-key': 'walk',
  'flash-off-dress': 'walk',
  'rim-behind': 'walk',
  'feather-key': 'walk',
  'larger-source': 'walk',
  'fill-to-axis': 'walk',
  'lamps-off': 'walk',
  'grid-on-back': 'walk',
  'step-aside': 'walk',
  'bring-nearer': 'sitter',
  'other-ground': 'sitter',
  'turn-from-shine': 'sitter',
  powder: 'sitter',
  'away-from-wall': 'sitter',
  'flag-lens': 'helper',
  'turn-face': 'sitter',
  'chin-up': 'sitter',
  'black-on-shadow': 'helper',
  'white-from-below': 'helper',
};

/** What a cure takes; whatever one tap changes is a dial. */
export const takesOf = ({ kind, settings }: Cure): Takes => (settings.length > 0 ? 'dial' : (BY_HANDS[kind] ?? 'walk'));

/** Over this a screen is read in glare, under it in the dark: both mislead the eye about exposure, EV at ISO 100. */
const SCREEN_MISLEADS = { glareEv100: 13, nightEv100: 4 } as const;

/** Whether the light where one stands makes the camera's screen look darker or brighter than the picture is; null: it does not. */
export function screenMisleads(points: Balance['points']): 'glare' | 'night' | null {
  const ev100 = points.find(({ role }) => role === 'face')?.ambientEv100 ?? null;
  if (ev100 === null) return null;
  if (ev100 > SCREEN_MISLEADS.glareEv100) return 'glare';
  return ev100 < SCREEN_MISLEADS.nightEv100 ? 'night' : null;
}
