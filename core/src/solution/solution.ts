import type { Caution, CheaperSetting, NextAction, NotHelping, WayOut } from '../advice';
import type {
  Balance,
  ColourSolution,
  ContrastPair,
  LampSolution,
  Latitude,
  SecondBody,
  VideoSolution,
} from '../balance';
import type { DialMatrix, WhyChains } from '../explain';
import type { GroupLight, SolvedGroupCure, StayingPower } from '../lights';
import type { PanelSolution } from '../panels';
import type { StageCures, StageSolution } from '../stage';

/** What of a balance is told as it is. */
const BALANCE_TOLD = [
  'look',
  'depth',
  'camera',
  'suggested',
  'toSet',
  'lift',
  'alone',
  'lights',
  'powersExact',
  'ratios',
  'together',
  'leastKnown',
  'untold',
  'points',
  'contrast',
  'dome',
  'questions',
  'meterAgain',
  'warnings',
] as const satisfies readonly (keyof Balance)[];
type BalanceTold = Pick<Balance, (typeof BALANCE_TOLD)[number]>;

/** What of a balance is told as it is, apart from what only the computation needs. */
export const toldOf = (now: Balance): BalanceTold =>
  Object.fromEntries(BALANCE_TOLD.map((key) => [key, now[key]])) as BalanceTold;

/** What follows a thumb: the numbers of a setup, and what they say by themselves. */
export interface SolutionNumbers extends BalanceTold {
  /** what the camera holds at its ISO, stops from mid grey; null before a camera is chosen */
  latitude: Latitude | null;
  /** what each of two points lets the other become; empty before a camera is chosen */
  pairs: ContrastPair[];
  /** the same picture on a second body */
  second: SecondBody | null;
  /** what filming asks for; null in stills */
  video: VideoSolution | null;
  colour: ColourSolution;
  /** recycle, charge and pace; null while no light has a power */
  staying: StayingPower | null;
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
  /** safety of people, shown with the flash */
  cautions: Caution[];
}

/** What is worked out when hands rest: what to do, what would help, and why the numbers are what they are. */
export interface SolutionAdvice {
  /** which dial moves what, in stops per step; null before there are settings */
  dials: DialMatrix | null;
  /** why each figure is what it is */
  why: WhyChains;
  /** moves that cure what is to be watched on the stage */
  stageCures: StageCures[];
  /** what makes the key even on a group; empty where it is, or where nothing does */
  groupCures: SolvedGroupCure[];
  /** what would let the lights last for the planned pace; empty where they do, or where nothing does */
  cheaper: CheaperSetting[];
  waysOut: WayOut[];
  /** what does not help here, and why */
  notHelping: NotHelping[];
  nextAction: NextAction;
  /** what comes if that is left for later; null: nothing can be done before it */
  laterAction: NextAction | null;
}

/** Everything that is known about a setup: the one object that all screens, exports and pictures read. */
export type Solution = SolutionNumbers & SolutionAdvice;
