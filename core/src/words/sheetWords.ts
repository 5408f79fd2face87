import type { SpotFact } from '../documents';
import type { DistanceUnit } from '../notation';
import type { PackedKind } from '../plan';

/** What is meant by a setup, as far as ten words can say. */
export interface MeantFigures {
  /** where the key stands from the line to the camera, positive to its right; null: there is none */
  keySideDeg: number | null;
  softnessDeg: number | null;
  flashShare: number | null;
  backgroundStops: number | null;
}

/** Labels and lines of what is printed or handed on: cards, sheets, lists. */
export interface SheetWords {
  // drawing
  scale: (unit: DistanceUnit) => string;
  drawingSaid: (letters: readonly string[]) => string;

  // of every sheet
  under: (shoot: string, spot: string, clock: string) => string;
  ofShoot: (shoot: string, date: string) => string;
  fromTo: (from: string, to: string) => string;
  minutes: (minutes: number) => string;
  notKnown: string;

  // the assistant's card
  stands: string;
  /** `4 o'clock`; halves are said too */
  atHour: (hour: number) => string;
  middleOverGround: string;
  power: string;
  radio: string;
  groupAndChannel: (group: string, channel: number) => string;
  awayFrom: (what: string) => string;
  aim: string;
  aimed: (at: string, featherDeg: number) => string;
  zoom: string;
  millimetres: (mm: number) => string;
  holds: string;
  noStand: string;
  dialled: (powerText: string) => string;
  placeAssumed: string;
  lamp: string;
  dimmer: string;
  dimmedTo: (stops: number) => string;
  off: string;
  colour: string;
  face: string;
  size: string;
  widthByHeight: (width: string, height: string) => string;
  builtIn: string;
  heldByHand: string;
  putUp: (light: string, stand: string | null, ballastKg: number | null) => string;
  lampsOn: string;
  panelsLast: string;
  testWithEyesClosed: string;
  firstFrame: string;
  toBuild: string;
  toShoot: string;
  camera: string;
  tenWords: (meant: MeantFigures) => string;
  order: string;
  takeCare: string;
  inWords: string;

  // the others
  forSecondShooter: (setup: string) => string;
  shutter: string;
  aperture: string;
  iso: string;
  filters: string;
  whiteBalance: string;
  noSettingsYet: string;
  lightOnRadio: (light: string, radio: string, powerText: string | null) => string;
  forEditor: string;
  frames: string;
  framesNotSaid: string;
  meantOffset: string;
  faceMeant: string;
  liftAllowed: string;
  gelOn: (light: string, gels: string) => string;
  forClient: string;
  when: string;
  what: string;
  where: string;
  good: string;
  clientOpening: string;
  clientClosing: string;
  nothingTimed: string;
  // packing
  packing: string;
  packed: (kind: PackedKind, name: string, count: number) => string;
  kilograms: (kg: number) => string;
  spare: string;
  weighs: string;
  trips: string;
  out: string;
  back: string;
  comes: string;
  goesOn: string;
  staysBehind: string;

  /** what it is good to bring or to know at a spot; empty where there is nothing */
  bring: Record<SpotFact, string>;
}
