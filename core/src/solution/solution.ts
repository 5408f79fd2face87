import type { NextAction, NotHelping, WayOut } from '../advice';
import type {
  ColourSolution,
  Contrast,
  Disagreement,
  LampSolution,
  LightRatios,
  PanelSolution,
  PointSolution,
  SecondBody,
  Together,
  VideoSolution,
} from '../balance';
import type { DialMatrix, WhyChains } from '../explain';
import type { CameraSolution, Depth, Intent } from '../exposure';
import type { CheaperSetting, GroupLight, LightSolution, StayingPower } from '../lights';
import type { DomeChoice, MeterAgain, ReadingQuestion, Warning } from '../metering';
import type { StageSolution } from '../stage';
import type { LookStatement } from '../words';

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
