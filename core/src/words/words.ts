import type {
  ActionFacts,
  Caution,
  CheaperSetting,
  CureKind,
  Finding,
  NotHelping,
  Symptom,
  Way,
  WayOut,
} from '../advice';
import type { SunStand } from '../gain';
import type {
  CastSource,
  ContrastPair,
  LampSolution,
  LampWish,
  LightRatios,
  MixedColour,
  PointSolution,
  SecondBody,
  VideoSolution,
  Warning,
  WhiteBalanceReason,
} from '../balance';
import type { Cast, LightColour, NamedSource } from '../colour';
import type { Change, FieldPath, Refusal, SpotFact, SpotLight, WeatherNow } from '../documents';
import type { BackupFault, CalendarFault, IesFault, PlaceFault, PlacesFault } from '../exchange';
import type { DialControl, DialSource, DialStep, EqualLook, Ripple, WhyChain } from '../explain';
import type { CameraSolution, FrameFight, Intent, SharpShutter, ShutterReason, ToSet } from '../exposure';
import type { PowerFault } from '../flash';
import type { ColourStep, Drift, Following, FollowingStep, ForetoldSetup } from '../forecast';
import type { SetupFileFault } from '../formats';
import type { Kit, LookWayId, SchemaFault, SchemaIssue } from '../gear';
import type { GroupCure, GroupLight, PersonPlace, StayingPower } from '../lights';
import type { LookCulprit, LookMiss, LookRow, ShippedLookId } from '../looks';
import type { DomeChoice, FlashFault, MeterAgain, ReadingQuestion, ReadingStep, Staleness } from '../metering';
import type { Assumption, ReadingFault, ReadText, StopAnswer, StopFault, TypedFault } from '../notation';
import type { FaultId, Increment, Outcome, ToneId } from '../photometry';
import type { ContrastWay, PanelOnEyes, PanelSolution, PlacedReflector, ReflectorPlace } from '../panels';
import type { Caster } from '../picture';
import type { ChargeOfLight, PlannedSetup, ShadeEdge, SunInFrame } from '../plan';
import type { LookPicture } from '../record';
import type {
  Motive,
  Light,
  LightRole,
  MethodKey,
  Motion,
  Panel,
  PanelKind,
  PointRole,
  ReadingMethod,
  SceneChangeKind,
  SettingFault,
  Subject,
  Sun,
} from '../setup';
import type { BackdropFill, Companion, Placement, StageMove, StageWatch, TurnedSet } from '../stage';
import type { WordsContext } from './context';
import type { FileWords } from './fileWords';
import type { ReviewWords } from './reviewWords';
import type { SheetWords } from './sheetWords';

/** A name, and what to know of what it names. */
export interface Named {
  name: string;
  because: string;
}

/** What is to be done or seen, and what about it. */
export interface TitledWay {
  title: string;
  effect: string;
}

/** The price of a way out by kind; `recycle` null where it is not known. */
export interface PriceWords {
  depthOfField: string;
  flash: string;
  recycle: string | null;
  noise: string;
  look: string;
}

/** Why a figure is what it is: what is explained, lines that add up to `totalStops`, and what the sum means. */
export interface WhyWords {
  title: string;
  lines: { label: string; stops: number }[];
  totalStops: number;
  totalText: string;
}

/** What follows from a change; `words` has the size of a move where it has one. */
export interface RippleWords {
  moves: { what: string; from: string; to: string; words: string | null }[];
  follow: string[];
  stale: string[];
}

/** A usual place of a control, under our own name. */
export interface Mark {
  stops: number;
  name: string;
  words: string;
}

/** One school's way of saying the look. */
export interface LookWayWords {
  name: string;
  /** how it is typed */
  example: string;
}

/** A look that ships: what it is for, and what it costs. */
export interface ShippedLookWords extends Named {
  price: string;
}

/** Why a text is no look in a way of saying it. */
export interface LookFault {
  kind: 'not-a-look' | 'look-outside';
  way: LookWayId;
  text: string;
}

/** What does not fit, why it may be, and the reading that tells. */
export interface QuestionWords {
  text: string;
  /** the likeliest, or what is known to lie behind it */
  cause: string;
  /** where several are likely, each with how likely it is */
  causes: { text: string; chance: string }[];
  tells: string | null;
}

/** Where a sun stands against the camera; null: there is none. */
export type StandOf = (sun: Sun) => SunStand | null;

/**
 * A language. Every sentence that the product says of figures is made here, from typed reasons: one function a union,
 * each an exhaustive switch, so that the compiler says what a second language lacks.
 */
export interface Words {
  /** the language by its BCP 47 tag */
  tag: string;

  // counting
  /** `1.3 stops brighter`; the direction is never left to a sign */
  stops: (stops: number, increment?: Increment) => string;
  /** `+1.3 brighter` */
  stopsBothWays: (stops: number, increment?: Increment) => string;
  /** an aperture for a voice */
  aperture: (av: number, increment: Increment) => string;
  /** how long ago */
  age: (minutes: number) => string;
  /** seconds until a flash is ready */
  recycle: (seconds: number) => string;
  /** a distance without a tape */
  paces: (distanceM: number) => string;

  // names of things
  pointRole: (role: PointRole) => { name: string; advice: string };
  lightRole: (role: LightRole) => Named;
  /** `Key A` */
  light: (light: Pick<Light, 'role' | 'group'>) => string;
  /** the same in the middle of a sentence */
  lightInText: (light: Pick<Light, 'role' | 'group'>) => string;
  panelKind: (kind: PanelKind) => Named;
  /** `Reflector, silver` */
  /** what a spot is like, and its short caution */
  spotFact: (fact: SpotFact) => Named;
  spotLight: (light: SpotLight) => string;
  placeFault: (fault: PlaceFault) => string;
  placesFault: (fault: PlacesFault) => string;
  calendarFault: (fault: CalendarFault) => string;
  /** how a setup stands to its window; null: it has none */
  planFit: (planned: Pick<PlannedSetup, 'fit' | 'outsideMin'>) => string | null;
  shadeEdge: (edge: Pick<ShadeEdge, 'of' | 'comes' | 'leaves'>) => string;
  sunInFrame: (sun: SunInFrame) => string;
  /** a setup that nobody has metered, on foretold light */
  foretoldSetup: (foretold: ForetoldSetup) => string;
  /** what a setup takes out of a light's battery; null: nothing to say of it */
  charge: (charge: ChargeOfLight, context: WordsContext) => string | null;
  /** the weather at a moment, in a line */
  weather: (weather: WeatherNow) => string;
  /** the colour of the light ahead, and what to set for it */
  colourStep: (step: ColourStep, context: WordsContext) => string;
  /** what is to be set at a moment to come */
  followingStep: (step: FollowingStep, context: WordsContext) => string;
  /** why no setting holds the picture from then on, to follow a time */
  followingEnd: (following: Pick<Following, 'endedBy'>) => string;
  /** which bound of the picture is left first */
  drift: (drift: Drift) => string;
  /** what brings it back without the flash */
  driftCure: (drift: Drift) => string;
  panelName: (panel: Pick<Panel, 'kind' | 'surface'>) => string;
  /** modifier, grid and gels of a light */
  front: (parts: { modifierName: string | null; added: readonly string[] }) => string;
  /** a power of a unit of the kit, in plain stops where it has left the kit */
  power: (kit: Kit, unitId: string, powerStops: number) => string;
  tone: (id: ToneId | 'own') => string;
  colourSource: (id: NamedSource) => string;
  companion: (companion: Companion) => string;
  /** where someone of a group stands */
  personPlace: (place: PersonPlace) => string;
  caster: (caster: Caster) => string;
  motion: (motion: Motion) => { name: string; words: string };
  sceneChange: (kind: SceneChangeKind) => { label: string; because: string };
  subject: (subject: Subject) => string;
  sun: (sun: SunStand) => string;

  // metering
  /** how a reading is taken, as a choice */
  methodChoice: (key: MethodKey) => { name: string; advice: string };
  method: (method: ReadingMethod) => string;
  /** a reading against the one before it: `+1.0 since the reflector` */
  readingStep: (step: ReadingStep) => string;
  point: (point: PointSolution, context: WordsContext) => string;
  atCamera: (at: NonNullable<PointSolution['atCamera']>) => string;
  staleness: (stale: Staleness) => string;
  meterAgain: (again: MeterAgain, context: WordsContext) => string;
  question: (question: ReadingQuestion, context: WordsContext) => QuestionWords;
  dome: (choice: DomeChoice) => string;
  flashFault: (fault: FlashFault) => string;
  warning: (warning: Warning, context: WordsContext) => string;

  // the look
  lookWay: (way: LookWayId) => LookWayWords;
  /** the figure and what it counts, for a large display */
  lookFigure: (holdBackStops: number, way: LookWayId) => { figure: string; unit: string };
  look: (holdBackStops: number, way: LookWayId) => string;
  /** the nearest mark's words */
  lookInWords: (holdBackStops: number) => string;
  lookMarks: () => readonly Mark[];
  backgroundMarks: () => readonly Mark[];
  /** reads a look as people of this language type it */
  readLook: (way: LookWayId, text: string) => Outcome<number, LookFault>;
  lookFault: (fault: LookFault) => string;
  shippedLook: (id: ShippedLookId) => ShippedLookWords;
  /** a look in a line */
  lookTold: (look: LookPicture) => string;
  /** one relation of a look: as it should be, as it is */
  lookRow: (row: LookRow) => { title: string; wanted: string; is: string };
  /** what is to be changed so that a picture is the same */
  lookCulprit: (culprit: LookCulprit) => string;
  /** why a relation of a look is not reached, with the nearest that can be had */
  missedWhy: (miss: LookMiss, context: WordsContext) => string;
  tie: (tie: NonNullable<Intent['tie']>) => string;

  // the camera
  cameraReason: (camera: Pick<CameraSolution, 'reason' | 'text' | 'missing' | 'missingStops'>) => string;
  /** what is to be set on the camera, and why */
  toSet: (because: ToSet['because']) => string;
  /** what a camera did by itself, and what to set instead */
  frameFight: (fight: FrameFight) => string;
  shutterReason: (because: ShutterReason) => string;
  sharpShutter: (sharp: SharpShutter, context: WordsContext) => string;
  video: (
    video: VideoSolution,
    apertureText: string | null,
    context: WordsContext,
  ) => { text: string; nd: string; flicker: string | null };
  secondBody: (second: SecondBody) => string;
  /** the same without its settings: what ambient and flash then are */
  secondFollows: (second: SecondBody) => string;

  // what to do
  nextAction: (action: ActionFacts, context: WordsContext) => { text: string; detail: string };
  wayOut: (
    way: Pick<WayOut, 'way' | 'helpsStops' | 'ofStops' | 'price'>,
    context: WordsContext,
  ) => TitledWay & { price: PriceWords };
  /** a way out without its price */
  way: (way: Way, context: WordsContext) => TitledWay;
  cheaper: (setting: CheaperSetting, context: WordsContext) => TitledWay;
  notHelping: (way: NotHelping, context: WordsContext) => { title: string; why: string };
  symptom: (symptom: Symptom) => string;
  finding: (found: Finding, context: WordsContext) => string;
  cure: (cure: CureKind, context: WordsContext) => { title: string; how: string };
  caution: (caution: Caution, context: WordsContext) => string;

  // why
  why: (chain: WhyChain, context: WordsContext) => WhyWords;
  dialControl: (control: DialControl) => string;
  dialStep: (step: DialStep, context: WordsContext) => string;
  dialSource: (source: DialSource, context: WordsContext) => string;
  ripple: (ripple: Ripple, context: WordsContext) => RippleWords;
  equalLook: (look: EqualLook, context: WordsContext) => { title: string; lines: string[] };

  // lights and stage
  lightingRatio: (face: Pick<NonNullable<LightRatios['face']>, 'ratio' | 'stops'>) => string;
  staying: (staying: StayingPower, context: WordsContext) => string;
  spread: (group: Pick<GroupLight, 'spreadStops' | 'withinStops' | 'even'>) => string;
  groupCure: (cure: GroupCure, context: WordsContext) => string;
  lamp: (lamp: LampSolution, context: WordsContext) => string;
  /** what it should be set to, or from how far it does so as it is */
  lampWish: (wish: LampWish, context: WordsContext) => string;
  panel: (panel: PanelSolution) => string;
  /** what a motivated light stands for: `the low sun` */
  motive: (motive: Motive) => string;
  /** whether a backdrop fills the frame */
  backdrop: (fill: BackdropFill, context: WordsContext) => string;
  /** what it throws back or takes, source by source */
  panelParts: (panel: Pick<PanelSolution, 'face' | 'shadow'>, context: WordsContext) => string[];
  /** two points, and what the exposure for each does to the other */
  contrastPair: (pair: ContrastPair, context: WordsContext) => { title: string; lines: [string, string] };
  /** a way to the contrast of the face that is wished, and what it then is */
  contrastWay: (way: ContrastWay, context: WordsContext) => { title: string; line: string };
  panelOnEyes: (onEyes: PanelOnEyes, surface: Panel['surface'] | null) => string;
  reflectorPlaceName: (place: ReflectorPlace) => string;
  reflectorPlace: (
    placed: PlacedReflector,
    surface: Panel['surface'],
    context: WordsContext,
  ) => { title: string; lines: string[] };
  stageWatch: (watch: StageWatch, context: WordsContext) => string;
  stageMove: (move: StageMove, context: WordsContext) => string;
  /** what went along when the set was turned, and what stayed */
  turnedSet: (turned: TurnedSet, context: WordsContext) => string;
  placement: (
    placement: Pick<Placement, 'id' | 'distanceM'>,
    context: WordsContext,
  ) => { title: string; because: string };

  // colour
  kelvin: (colour: LightColour) => string;
  whiteBalance: (because: WhiteBalanceReason) => string;
  cast: (cast: Cast) => string;
  castSource: (source: CastSource, context: WordsContext) => string;
  gelCost: (costStops: number) => string;
  /** gels by name, or that there is none */
  gels: (names: readonly string[]) => string;
  mixedColour: (mixed: MixedColour, context: WordsContext) => string;

  // the log
  /** @param standOf where a sun stands, which only the model of the light knows */
  /** what a field of a document is called */
  field: (path: FieldPath) => string;
  /** a value of a field, short */
  fieldValue: (value: unknown) => string;
  /** why the server did not take a change */
  refusal: (reason: Refusal) => string;
  change: (change: Pick<Change, 'settings'>, context: WordsContext, standOf: StandOf) => string;

  // what was typed
  typedFault: (fault: TypedFault) => string;
  readingFault: (fault: ReadingFault) => string;
  assumption: (assumption: Assumption) => string;
  otherMeaning: (read: ReadText) => string | null;
  powerFault: (fault: PowerFault) => string;
  stopAnswer: (answer: StopAnswer) => { asked: string; words: string; notations: { name: string; text: string }[] };
  stopFault: (fault: StopFault) => string;

  // schemas and files
  rule: (id: FaultId) => string;
  schemaIssue: (issue: SchemaIssue) => string;
  schemaFault: (fault: SchemaFault) => string;
  settingFault: (fault: SettingFault) => string;
  /** why a backup cannot be read, a line for each thing that is wrong */
  backupFault: (fault: BackupFault) => string[];
  setupFileFault: (fault: SetupFileFault) => string;
  iesFault: (fault: IesFault) => string;

  /** tables and sidecars */
  files: FileWords;

  /** what a review says, and one's own taste */
  review: ReviewWords;

  /** what is printed or handed on */
  sheet: SheetWords;
}
