import type { CameraSolution } from './cameraSettings';
import type { Depth } from './depthOfField';
import type { DialMatrix } from './dialMatrix';
import type { Intent } from './intent';
import type { Contrast, DomeChoice } from './contrast';
import type { LightSolution } from './lightPower';
import type { ColourSolution } from './colourSolution';
import type { Disagreement } from './disagreement';
import type { GroupLight } from './groupLight';
import type { CheaperSetting, StayingPower } from './stayingPower';
import type { LampSolution } from './lamp';
import type { PanelSolution } from './panelSolution';
import type { StageSolution } from './stage';
import type { LookStatement } from './look';
import type { LightRatios } from './ratios';
import type { Together } from './together';
import type { PointRole } from './pointRoles';
import type { ReadingQuestion } from './questions';
import type { SceneChangeKind } from './sceneChange';
import type { SecondBody } from './secondBody';
import type { Setting } from './settings';
import type { VideoSolution } from './video';
import type { WhyChains } from './why';
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
  /** every light that reaches the point, its part of the total, and where its figure comes from */
  sources: {
    lightId: string;
    name: string;
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
  /** measured here; carried: an older reading moved by what changed in the same light elsewhere; one source: only a disc to one source was taken */
  basis: 'measured' | 'carried' | 'one source' | null;
  uncertaintyStops: number | null;
  /** the reading in force */
  readingId: string | null;
  stale: Staleness | null;
  /** what a meter at the camera's shutter and ISO would show here with every light on */
  meterText: string | null;
  /** what a meter at the camera's shutter and ISO would show here, by the ambient alone */
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
  /** what it does, in one line */
  effect: string;
  /** its price by kind; null where a person must act first and nothing can be foretold */
  effects: { depthOfField: string; flash: string; recycle: string | null; noise: string; look: string } | null;
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
  solves: boolean;
  /** what one tap changes; empty where a person must act and meter again */
  settings: Setting[];
  /** the change of the scene that it is, after which readings are taken again; null for settings */
  asks: SceneChangeKind | null;
}

/** Something that people reach for and that does not help here, with the figures. */
export interface NotHelping {
  id: string;
  title: string;
  why: string;
}

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

export interface Warning {
  kind:
    | 'clipped'
    | 'lost'
    | 'span'
    | 'headroom'
    | 'face-contrast'
    | 'fooled'
    | 'one-source'
    | 'no-flash-can-help'
    | 'slowest-over-sync'
    | 'not-in-kit'
    | 'high-speed-sync-missing'
    | 'dark-band'
    | 'tail-cut'
    | 'depth-missing'
    | 'flicker';
  text: string;
}

/** Everything that is known about a setup: the one object that all screens, exports and pictures read. */
export interface Solution {
  /** the wish turned into levels; `wanted` and `actual` are null when the ambient leaves no room for flash */
  look: Intent & { wanted: LookStatement | null; actual: LookStatement | null };
  camera: CameraSolution | null;
  /** the people's depth, when lens and distances are known */
  depth: Depth | null;
  /** what the camera holds at its ISO, stops from mid grey; null before a camera is chosen */
  latitude: { clipsAboveStops: number; noiseBelowStops: number } | null;
  /** the same picture on a second body */
  second: SecondBody | null;
  /** what filming asks for; null in stills */
  video: VideoSolution | null;
  /** which dial moves what, in stops per step; null before there are settings */
  dials: DialMatrix | null;
  /** why each figure is what it is */
  why: WhyChains;
  lights: LightSolution[];
  /** false when there were too many lights to try every combination of powers */
  powersExact: boolean;
  /** the newest reading with all lights on, against what was foretold */
  together: Together | null;
  /** readings of lights that are not what was foretold */
  disagreements: Disagreement[];
  colour: ColourSolution;
  /** recycle, charge and pace; null while no light has a power */
  staying: StayingPower | null;
  /** what would let the lights last for the planned pace; empty where they do, or where nothing does */
  cheaper: CheaperSetting[];
  /** how even the key is on a group; null for one person */
  group: GroupLight | null;
  /** continuous lamps: what each adds to the ambient where it falls */
  lamps: LampSolution[];
  /** reflectors, diffusers, flags and openings: what each does to the face and its dark side */
  panels: PanelSolution[];
  /** where everything stands, what that does, and what to watch */
  stage: StageSolution;
  /** lights by id in the order in which they are metered alone */
  meteringOrder: string[];
  ratios: LightRatios;
  points: PointSolution[];
  contrast: Contrast;
  dome: DomeChoice | null;
  questions: ReadingQuestion[];
  /** the fewest readings that settle what no longer holds */
  meterAgain: MeterAgain[];
  waysOut: WayOut[];
  /** what does not help here, and why */
  notHelping: NotHelping[];
  nextAction: NextAction;
  warnings: Warning[];
  /** safety of people, shown with the flash */
  cautions: string[];
}
