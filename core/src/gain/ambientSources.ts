import { BELIEFS } from '../estimate';
import type { Kit } from '../gear';
import { angleDeg, direction, dot, movedBy, type Place } from '../scene';
import { type MeteringPoint, type OpenSide, PANEL_FACTS, type Setup } from '../setup';
import { ev100FromLux } from '../photometry';
import { clearSky } from '../sky';
import {
  type Arrangement,
  AS_IT_STANDS,
  hiddenBy,
  isOpening,
  receivedFrom,
  receivedOfParts,
  receivedPast,
  sentOfBeam,
  sentOfField,
  sentOfFlat,
  type Standing,
  standing,
  through,
} from './panels';
import { EYES, keySideDeg, type Receiver, responseAt } from './receiver';
import { sunStand } from './sun';

/**
 * A source of the light that is there. Its strength is a level, EV100: of the sun what a dome facing it reads of it alone;
 * of even light what a dome reads in it; of the open side what a dome reads that faces it; of an opening what a dome
 * would read all round which there is nothing but such an opening.
 */
export type AmbientSource =
  | { id: 'sun'; kind: 'sun'; towards: Place }
  | { id: 'even'; kind: 'even' }
  | { id: 'side'; kind: 'side'; towards: Place }
  | { id: `opening:${string}`; kind: 'opening'; panelId: string };

/** A source with how strong it is believed to be, against the light at the face, before anything is read. */
export interface BelievedSource {
  source: AmbientSource;
  /** stops against a dome at the face in all of the light */
  overFaceStops: number;
  /** how far that may be off by itself, stops */
  sdStops: number;
}

const FAR_M = 200;
const TO_CAMERA = direction(0);
const AT_FACE: Receiver = { at: EYES, faces: TO_CAMERA, answers: 'dome' };
/** Outdoors a dome held upright sees half of the sky and as much ground. */
const SKY_HALF = 0.5;
const GROUND_THROWS: Record<Setup['stage']['ground'], number> = { snow: 0.8, grass: 0.2, stone: 0.25, wood: 0.3 };

/** `∫(1 + cosθ)/2 dω` of a dome, and what is left of it where one half is shaded. */
const DOME_SPHERE = 2 * Math.PI;
const OWN_HALF_OF_EVEN = 0.75;
/** The open side's light falls off with the cosine from its middle; a dome that faces it reads this of a middle of 1. */
const SIDE_ON_DOME = (5 * Math.PI) / 6;

const faceOf = ({ points }: Pick<Setup, 'points'>): MeteringPoint | undefined =>
  points.find(({ role }) => role === 'face');

/** True where the subject stands in a room. */
export const isIndoors = ({ points, panels }: Pick<Setup, 'points' | 'panels'>): boolean =>
  faceOf({ points })?.standsIn === 'indoors' || panels.some(({ kind }) => PANEL_FACTS[kind].opening);

/** Whether the sun falls on what stands in a light. */
const inSun = (standsIn: MeteringPoint['standsIn']): boolean => standsIn === 'sun' || standsIn === null;

/**
 * The light that comes from the open side matters where that was said, the dark side of a face is metered, or a panel answers
 * it; light from all round has none.
 */
function hasSide({ points, panels, stage: { openSide } }: Setup): boolean {
  if (openSide !== null) return openSide !== 'all-round';
  return points.some(({ role }) => role === 'shadow') || panels.some(({ kind }) => kind === 'reflector');
}

/**
 * What the light that is there is made of. Openings and the rest of their room; sun and sky by a clear sky of that
 * altitude; else even light, with an open side on the key's side where the two sides of a face are told apart.
 * @param reference where panels stood when the first reading was taken
 */
export function ambientSources(setup: Setup, kit: Kit, reference: Arrangement): BelievedSource[] {
  const openings = standing(setup, kit, reference).filter(isOpening);
  if (openings.length > 0) return roomSources(openings);
  const side: AmbientSource = { id: 'side', kind: 'side', towards: openWay(setup) };
  const sun = sunStand(setup.stage);
  const points = setup.points.map(({ standsIn }) => standsIn);
  const shines = sun !== null && sun.altitudeDeg > 0 && !isIndoors(setup) && points.some(inSun);
  if (!shines) {
    if (!hasSide(setup)) return [{ source: { id: 'even', kind: 'even' }, overFaceStops: 0, sdStops: 0 }];
    return [
      { source: { id: 'even', kind: 'even' }, overFaceStops: Math.log2(1 - BELIEFS.side.share), sdStops: 0 },
      {
        source: side,
        overFaceStops: Math.log2(BELIEFS.side.share / gainOf(side, AT_FACE, [])),
        sdStops: BELIEFS.side.sd,
      },
    ];
  }
  const { sunKlx, evenKlx: even } = clearDay(setup.stage, sun.altitudeDeg);
  const source: AmbientSource = { id: 'sun', kind: 'sun', towards: sun.towards };
  const onFace = inSun(faceOf(setup)?.standsIn ?? null) ? sunKlx * gainOf(source, AT_FACE, []) : 0;
  return [
    { source: { id: 'even', kind: 'even' }, overFaceStops: Math.log2(even / (even + onFace)), sdStops: 0 },
    { source, overFaceStops: Math.log2(sunKlx / (even + onFace)), sdStops: BELIEFS.sun },
  ];
}

/** Clear weather: the sun on a card that faces it, and what an upright dome gets of sky and ground, kilolux. */
function clearDay({ ground }: Setup['stage'], altitudeDeg: number): { sunKlx: number; evenKlx: number } {
  const { sunKlx, skyKlx } = clearSky(altitudeDeg);
  const rise = Math.sin((altitudeDeg * Math.PI) / 180);
  return { sunKlx, evenKlx: SKY_HALF * skyKlx + SKY_HALF * GROUND_THROWS[ground] * (sunKlx * rise + skyKlx) };
}

/**
 * What a clear sky gives the face, EV100, where place and time are known and it stands outdoors; else null.
 * @param at a time; null: the stage's own
 * @param leastAltitudeDeg with the sun lower nothing is said
 */
export function skyEv100(setup: Setup, at: string | null, leastAltitudeDeg: number): number | null {
  return isIndoors(setup) ? null : daylightEv100(setup, at, leastAltitudeDeg);
}

/**
 * The same whether in the open or in a room, where it tells only how daylight changes: what comes in follows the sky, but
 * not the sun that wanders past the windows.
 */
export function daylightEv100(setup: Setup, at: string | null, leastAltitudeDeg: number): number | null {
  const { sun } = setup.stage;
  if (sun?.by !== 'time') return null;
  const stands = sunStand({ sun: at === null ? sun : { ...sun, at } });
  if (stands === null || stands.altitudeDeg < leastAltitudeDeg) return null;
  const { sunKlx, evenKlx } = clearDay(setup.stage, stands.altitudeDeg);
  const source: AmbientSource = { id: 'sun', kind: 'sun', towards: stands.towards };
  const isInSun = !isIndoors(setup) && inSun(faceOf(setup)?.standsIn ?? null);
  const direct = isInSun ? sunKlx * gainOf(source, AT_FACE, []) : 0;
  return ev100FromLux(1000 * (evenKlx + direct), 'dome');
}

function roomSources(openings: readonly Standing[]): BelievedSource[] {
  const seen = openings.reduce((sum, { flat }) => sum + receivedFrom(flat, AT_FACE), 0);
  const strength = Math.log2((1 - BELIEFS.room.share) / Math.max(1e-3, seen));
  return [
    { source: { id: 'even', kind: 'even' }, overFaceStops: Math.log2(BELIEFS.room.share), sdStops: BELIEFS.room.sd },
    ...openings.map(({ panel }): BelievedSource => ({
      source: { id: `opening:${panel.id}`, kind: 'opening', panelId: panel.id },
      overFaceStops: strength,
      sdStops: openings.length > 1 ? BELIEFS.opening : 0,
    })),
  ];
}

const OPEN_WAYS: Record<Exclude<OpenSide, 'all-round'>, Place> = {
  left: direction(-90),
  right: direction(90),
  above: direction(0, 90),
  camera: direction(0),
  behind: direction(180),
};
/** The way that a shade is open to: as it was said, else to where the key stands. */
function openWay(setup: Setup): Place {
  const { openSide } = setup.stage;
  if (openSide !== null && openSide !== 'all-round') return OPEN_WAYS[openSide];
  return direction(keySideDeg(setup) < 0 ? -90 : 90);
}

/**
 * What a source gives a receiver, against its strength: linear, 0 for nothing. Straight, past panels and through
 * diffusers, less what panels hide, and thrown by each reflector. Configuration factors by the exact sum over the faces.
 */
export function gainOf(source: AmbientSource, receiver: Receiver, panels: readonly Standing[]): number {
  switch (source.kind) {
    case 'sun':
      return sunGain(source.towards, receiver, panels);
    case 'even':
      return fieldGain(EVEN, receiver, panels);
    case 'side':
      return fieldGain(sideOf(source.towards), receiver, panels);
    case 'opening': {
      const opening = panels.find(({ panel }) => panel.id === source.panelId);
      return opening === undefined ? 0 : openingGain(opening, receiver, panels);
    }
  }
}

/** What panels send to a receiver of light that falls on them. @param sent by a panel, as if evenly all round */
function thrown(receiver: Receiver, panels: readonly Standing[], sent: (one: Standing, rest: Standing[]) => number) {
  let sum = 0;
  for (const one of panels) {
    if (one.panel.kind !== 'reflector' || one.panel.surface === 'black') continue;
    const rest = panels.filter((other) => other !== one);
    sum += receivedOfParts(one, receiver, (part) => sent(part, rest) * through(rest, part.flat.at, receiver.at));
  }
  return sum;
}

function sunGain(towards: Place, receiver: Receiver, panels: readonly Standing[]): number {
  const reaches = (at: Place, by: readonly Standing[]) => through(by, at, movedBy(at, towards, FAR_M));
  const direct = responseAt(receiver, angleDeg(towards, receiver.faces)) * reaches(receiver.at, panels);
  return (
    direct + thrown(receiver, panels, (one, rest) => sentOfBeam(one, towards, receiver.at) * reaches(one.flat.at, rest))
  );
}

function openingGain(opening: Standing, receiver: Receiver, panels: readonly Standing[]): number {
  const { flat } = opening;
  const direct = receivedPast(flat, receiver, panels);
  return direct + thrown(receiver, panels, (one) => sentOfFlat(one, flat, receiver.at));
}

/** Light from all round: its radiance by direction, what a receiver gets of it in the open, and what a card does. */
interface Field {
  radiance: (way: Place) => number;
  onReceiver: (receiver: Receiver) => number;
  onCard: (faces: Place) => number;
}

/** The same from everywhere: 1 on a dome, and as much on a card that faces the camera. */
const EVEN: Field = {
  radiance: () => 1 / DOME_SPHERE,
  onReceiver: ({ answers, shadedFromDeg }) =>
    shadedFromDeg === undefined || answers === 'card' ? 1 : OWN_HALF_OF_EVEN,
  onCard: () => Math.PI / DOME_SPHERE,
};

/**
 * Brightest in the middle of the open side, and falling off with the cosine: 1 on a dome facing it. For two half spheres
 * whose axes lie ψ apart: `∫cosφ·cosθ = ⅔((π − ψ)cosψ + sinψ)`, `∫cosφ over both = π(1 + cosψ)/2`.
 */
const sideOf = (towards: Place): Field => {
  const apart = (faces: Place) => (angleDeg(towards, faces) * Math.PI) / 180;
  const both = (psi: number) => (2 / 3) * ((Math.PI - psi) * Math.cos(psi) + Math.sin(psi));
  return {
    radiance: (way) => Math.max(0, dot(way, towards)) / SIDE_ON_DOME,
    onCard: (faces) => both(apart(faces)) / SIDE_ON_DOME,
    onReceiver: ({ faces, answers, shadedFromDeg }) => {
      const psi = apart(faces);
      if (answers === 'card') return both(psi) / SIDE_ON_DOME;
      if (shadedFromDeg === undefined) return (Math.PI / 2 + (Math.PI / 3) * Math.cos(psi)) / SIDE_ON_DOME;
      return ((Math.PI * (1 + Math.cos(psi))) / 4 + both(psi) / 2) / SIDE_ON_DOME;
    },
  };
};

/** Panels never hide all of it. */
const LEAST_LEFT = 0.05;

function fieldGain(field: Field, receiver: Receiver, panels: readonly Standing[]): number {
  const open = field.onReceiver(receiver);
  // an even field counts on a card as on a dome, so what is hidden counts alike
  const hidden = panels.reduce((sum, one) => (isOpening(one) ? sum : sum + hiddenBy(one, receiver, field.radiance)), 0);
  return (
    Math.max(LEAST_LEFT * open, open - hidden) +
    thrown(receiver, panels, ({ panel, flat }) =>
      sentOfField({ panel, flat }, field.onCard(flat.faces), field.radiance, receiver.at),
    )
  );
}

/** A sheet as bright as this against a white one that faces the sun dazzles. */
const DAZZLES = 1;

/** Whether a panel throws the sun at the eyes of whoever stands there: what it shows from the eyes is brighter than white cloth in it. */
export function throwsSunAtEyes(setup: Setup, kit: Kit): boolean {
  const sun = sunStand(setup.stage);
  if (sun === null || sun.altitudeDeg <= 0 || isIndoors(setup)) return false;
  const panels = standing(setup, kit, AS_IT_STANDS);
  return panels.some((one) => {
    const rest = panels.filter((other) => other !== one);
    const { at } = one.flat;
    const reached = through(rest, at, movedBy(at, sun.towards, FAR_M)) * through(rest, at, EYES);
    return sentOfBeam(one, sun.towards, EYES) * reached > DAZZLES;
  });
}
