import type { CameraDial } from '../gear';
import type { Motion, SceneChangeKind, Setting } from '../setup';

/** What a way out changes, with its figures. Texts are as devices print them, names as they were typed. */
export type Way =
  | { kind: 'unpin'; dial: CameraDial; pinnedText: string }
  | { kind: 'hold-back'; stops: number; darker: boolean }
  | { kind: 'place-background'; stops: number; byStops: number }
  | { kind: 'leave-headroom'; stops: number; byStops: number }
  | { kind: 'stop-down' | 'open-up'; apertureText: string }
  /** the shutter follows, so that the ambient stays */
  | { kind: 'stop-down-for-flash' | 'wider-for-flash'; apertureText: string }
  | { kind: 'nd'; names: string[]; polariser: boolean }
  | { kind: 'lower-iso' | 'higher-iso' | 'iso-for-flash'; isoText: string }
  | { kind: 'extended-iso'; isoText: string; clipsEarlierStops: number }
  | { kind: 'faster-shutter' | 'slower-shutter'; shutterText: string }
  | { kind: 'high-speed-sync'; shutterText: string; lossStops: number }
  | { kind: 'filters-off'; names: string | null; forFlash: boolean }
  | { kind: 'tripod'; motion: Motion }
  | { kind: 'expose-for-face'; holdBackStops: number }
  | { kind: 'closer' | 'farther'; distanceM: number }
  | { kind: 'modifier'; name: string; stronger: boolean; byStops: number }
  | { kind: 'unit'; name: string; stronger: boolean }
  /** neutral gels or cloth over the head; a filter on the lens that a slower shutter makes up for */
  | { kind: 'neutral-on-head' | 'nd-for-flash'; names: string[] }
  | { kind: 'gels-off' | 'grid-off' | 'leave-high-speed-sync' }
  /** hands must do it, and a reading follows */
  | { kind: 'more-ambient' | 'wait-darker' | 'shade' | 'turn' | 'diffuser' | 'wait'; needStops: number };

/** Every kind of way. */
export const WAY_KINDS = [
  'unpin',
  'hold-back',
  'place-background',
  'leave-headroom',
  'stop-down',
  'open-up',
  'stop-down-for-flash',
  'wider-for-flash',
  'nd',
  'lower-iso',
  'higher-iso',
  'iso-for-flash',
  'extended-iso',
  'faster-shutter',
  'slower-shutter',
  'high-speed-sync',
  'filters-off',
  'tripod',
  'expose-for-face',
  'closer',
  'farther',
  'modifier',
  'unit',
  'neutral-on-head',
  'nd-for-flash',
  'gels-off',
  'grid-off',
  'leave-high-speed-sync',
  'more-ambient',
  'wait-darker',
  'shade',
  'turn',
  'diffuser',
  'wait',
] as const satisfies readonly Way['kind'][];

/** The price of going from one state to another. */
export interface WayPrice {
  /** null: the aperture stays */
  depth: {
    apertureText: string;
    changeStops: number;
    /** from where to where it is sharp, where the people's distances are known; `farM` null: to infinity */
    sharp: { nearM: number; farM: number | null } | null;
  } | null;
  flash:
    | { kind: 'none-chosen' | 'no-flash-can-help' }
    /** `changeStops` is null where there was no power before */
    | { kind: 'power'; powerText: string; changeStops: number | null }
    | { kind: 'out-of-reach'; byStops: number; direction: 'too-weak' | 'too-strong'; changeStops: number | null };
  /** null where the unit's recycling is not known */
  recycle: { s: number; beforeS: number | null } | null;
  /** null: the ISO stays */
  noise: { isoText: string; changeStops: number } | null;
  /** null: the look stays */
  look: { changeStops: number; holdBackStops: number | null } | null;
}

/** One way out of a wish that cannot be met, with its price in this setup. */
export interface WayOut {
  id: string;
  cures: 'camera' | 'power';
  way: Way;
  /** its price; of what hands do, once a new reading has found the light so */
  price: WayPrice;
  /** the figures that hold after it is applied */
  after: {
    settings: string;
    ev100: number | null;
    lightId: string | null;
    powerText: string | null;
    exactPowerStops: number | null;
    faceStops: number | null;
    backgroundStops: number | null;
  };
  /** how much of the miss it takes away, stops */
  helpsStops: number;
  /** the whole miss, where something of it is left; null where nothing is */
  ofStops: number | null;
  solves: boolean;
  /** what one tap changes; empty where a person must act and meter again */
  settings: Setting[];
  /** the change of the scene that it is, after which readings are taken again; null for settings */
  asks: SceneChangeKind | null;
}

/** Something that people reach for and that does not help here, with the figures. */
export interface NotHelping {
  id: string;
  way: Way;
  /** how much the flash would then lack, stops; null where it reaches */
  flashTooWeakStops: number | null;
  /** the shutter that cannot follow; null before there is one */
  shutterText: string | null;
  /** what is missing now, and then; null: still as much */
  shortStops: number;
  thenShortStops: number | null;
}

/** A change that lets the lights last for the plan. */
export interface CheaperSetting {
  way: Way;
  settings: Setting[];
}
