import type { Kit, Surface } from '../gear';
import { domeResponse } from '../photometry';
import {
  angleDeg,
  CARD_ANSWER,
  coveredShare,
  DOME_ANSWER,
  dot,
  type Flat,
  type LitPlace,
  mirrored,
  movedBy,
  passesThrough,
  type Place,
  shareFromFlat,
  unitOf,
} from '../scene';
import { type MeteringPoint, type Panel, PANEL_FACTS, type PanelStand, type Setup } from '../setup';
import { clearSky } from '../sky';
import { panelFlat } from './panelPlace';
import { sunStand } from './sun';

/** Where a panel stands in a version of the scene; null: it is not there. */
export type Arrangement = (panel: Panel) => PanelStand | null;

/**
 * What the light at the face is made of, against what a dome there reads. Without panels the shares add to 1;
 * reflectors give the rest, and what panels cover is missing from the soft light.
 */
export interface AmbientShares {
  sun: number;
  /** as if no panel covered any of it */
  soft: number;
  /** by panel */
  openings: { panelId: string; share: number }[];
  /** the sun on a card that faces it with nothing in the way, against what a dome at the face reads */
  sunOnCard: number;
}

/**
 * The same as strengths, free of where things stand: sun on a card facing it, soft light on a dome, and what an
 * opening sends out.
 */
interface Field {
  sun: number;
  toSun: Place | null;
  soft: number;
  radiosity: number;
}

const FACE: Place = { x: 0, y: 0, z: 0 };
const FAR_M = 200;
const DOME_SPHERE = 2 * Math.PI;
const CARD_SPHERE = Math.PI;
/** Outdoors a dome held upright sees half of the sky and as much ground. */
const SKY_HALF = 0.5;
const GROUND_THROWS: Record<Setup['stage']['ground'], number> = { snow: 0.8, grass: 0.2, stone: 0.25, wood: 0.3 };
/** In a room without a reading of the dark side the rest of the room gives this part. */
const ROOM_SHARE = 0.2;
/** White throws this share of what falls on it evenly; silver and striped more, in a lobe. Usual values. */
const THROWS: Record<Exclude<Surface, 'black'>, { even: number; lobe: number; lobeDeg: number }> = {
  white: { even: 0.85, lobe: 0, lobeDeg: 90 },
  silver: { even: 0.3, lobe: 2.4, lobeDeg: 35 },
  striped: { even: 0.5, lobe: 1.2, lobeDeg: 45 },
};

const sunReaches = ({ points }: Setup): boolean =>
  points.find(({ role }) => role === 'face')?.standsIn === 'sun' ||
  points.find(({ role }) => role === 'face')?.standsIn === null;

/** True where the subject stands in a room. */
export const isIndoors = ({ points, panels }: Setup): boolean =>
  points.find(({ role }) => role === 'face')?.standsIn === 'indoors' ||
  panels.some(({ kind }) => PANEL_FACTS[kind].opening);

const litFace = (faces: Place): LitPlace => ({ at: FACE, faces });

/**
 * Takes the light apart that was metered at the face: openings against the rest of the room by the dark side's reading,
 * sun against sky by a clear sky of that altitude. Strengths are such that the arrangement gives 1 at the face.
 * @param shadowUnderStops how far the dark side lies under the face; null where it is not metered
 */
function fieldOf(setup: Setup, kit: Kit, arrangement: Arrangement, shadowUnderStops: number | null): Field {
  const face = litFace({ x: 0, y: 0, z: 1 });
  const openings = setup.panels.flatMap((panel): Flat[] => {
    const stand = arrangement(panel);
    return stand === null || !PANEL_FACTS[panel.kind].opening ? [] : [panelFlat(panel, kit, stand)];
  });
  const sun = sunStand(setup.stage);
  const unit: Field = { sun: 0, toSun: null, soft: 1, radiosity: 0 };
  if (openings.length > 0) {
    const soft = shadowUnderStops === null ? ROOM_SHARE : Math.min(0.95, 2 ** -Math.abs(shadowUnderStops));
    const seen = openings.reduce((sum, flat) => sum + shareFromFlat(flat, FACE, face.faces, DOME_ANSWER), 0);
    return { ...unit, soft, radiosity: seen < 1e-6 ? 0 : (1 - soft) / seen };
  }
  if (sun === null || sun.altitudeDeg <= 0 || !sunReaches(setup)) return unit;
  const { sunKlx, skyKlx } = clearSky(sun.altitudeDeg);
  const rise = Math.max(0, sun.towards.y);
  const soft = SKY_HALF * skyKlx + SKY_HALF * GROUND_THROWS[setup.stage.ground] * (sunKlx * rise + skyKlx);
  const all = soft + sunKlx * domeResponse(angleDeg(sun.towards, face.faces));
  return { sun: sunKlx / all, toSun: sun.towards, soft: soft / all, radiosity: 0 };
}

/** What a panel of a kind lets through of light that crosses it. */
const passes = ({ kind, takesStops }: Panel): number => (kind === 'diffuser' ? 2 ** -takesStops : 0);

interface Standing {
  panel: Panel;
  flat: Flat;
}

const standing = ({ panels }: Setup, kit: Kit, arrangement: Arrangement): Standing[] =>
  panels.flatMap((panel): Standing[] => {
    const stand = arrangement(panel);
    return stand === null ? [] : [{ panel, flat: panelFlat(panel, kit, stand) }];
  });

/** The share of light on a straight way from a place to another that panels let through, 0 to 1. */
const through = (panels: readonly Standing[], from: Place, to: Place): number =>
  panels.reduce(
    (share, { panel, flat }) =>
      !PANEL_FACTS[panel.kind].opening && passesThrough(flat, from, to) ? share * passes(panel) : share,
    1,
  );

/**
 * The share of light from a light's place to another that panels let through, in stops lost; flags keep a
 * thousandth.
 */
export function blockedStops(setup: Setup, kit: Kit, from: Place, to: Place): number {
  const blockers = standing(setup, kit, (panel) => panel);
  return blockers.length === 0 ? 0 : -Math.log2(Math.max(2 ** -10, through(blockers, from, to)));
}

/**
 * The share of the light on it that a panel sends towards a place, as if it sent as much everywhere: white
 * evenly, silver
 * most round the mirrored direction, a diffuser what it lets through.
 * @param toSource where the light comes from; null: from all round
 */
export function thrownTowards(
  { panel, flat }: { panel: Panel; flat: Flat },
  toSource: Place | null,
  at: Place,
): number {
  if (panel.kind === 'diffuser') return passes(panel);
  if (panel.kind !== 'reflector' || panel.surface === 'black') return 0;
  const { even, lobe, lobeDeg } = THROWS[panel.surface];
  if (toSource === null) return even;
  const mirror = mirrored({ x: -toSource.x, y: -toSource.y, z: -toSource.z }, flat.faces);
  return (
    even +
    lobe * 2 ** -((angleDeg(mirror, { x: at.x - flat.at.x, y: at.y - flat.at.y, z: at.z - flat.at.z }) / lobeDeg) ** 2)
  );
}

/**
 * What a reflector sends to a receiver of the light from one direction, against that light on a card that faces it:
 * `ρ·cosθ₁·A·cosθ₂/(π·d²)`.
 */
export function thrownShare(one: { panel: Panel; flat: Flat }, toSource: Place, at: LitPlace): number {
  const cosine = dot(unitOf(toSource), one.flat.faces);
  return one.panel.kind !== 'reflector' || cosine <= 0
    ? 0
    : thrownTowards(one, toSource, at.at) * cosine * receivedShare(one.flat, at);
}

/** The configuration factor of a flat thing for a dome at a place, held to what the body shades. */
function receivedShare(flat: Flat, { at, faces, shadedFromDeg = 180 }: LitPlace): number {
  return angleDeg({ x: flat.at.x - at.x, y: flat.at.y - at.y, z: flat.at.z - at.z }, faces) > shadedFromDeg
    ? 0
    : shareFromFlat(flat, at, faces, DOME_ANSWER);
}

/** Light at a place in an arrangement, in units of what the face gets in the one that the field was taken apart in. */
function lightIn(field: Field, panels: readonly Standing[], place: LitPlace): number {
  const { at, faces, shadedFromDeg = 180 } = place;
  const sees = (from: Place) =>
    angleDeg({ x: from.x - at.x, y: from.y - at.y, z: from.z - at.z }, faces) <= shadedFromDeg;
  const { toSun } = field;
  const sunAt = (where: Place) =>
    toSun === null ? 0 : field.sun * through(panels, where, movedBy(where, toSun, FAR_M));
  const direct =
    toSun === null || angleDeg(toSun, faces) > shadedFromDeg ? 0 : sunAt(at) * domeResponse(angleDeg(toSun, faces));
  const openings = panels.filter(({ panel }) => PANEL_FACTS[panel.kind].opening);
  const inside = openings.reduce(
    (sum, { flat }) =>
      sees(flat.at)
        ? sum + field.radiosity * through(panels, at, flat.at) * shareFromFlat(flat, at, faces, DOME_ANSWER)
        : sum,
    0,
  );
  const covered = panels
    .filter(({ panel }) => !PANEL_FACTS[panel.kind].opening)
    .reduce((left, { flat }) => left * (1 - coveredShare(flat, at, faces, DOME_ANSWER, DOME_SPHERE)), 1);
  const thrown = panels.reduce((sum, one) => {
    if (one.panel.kind !== 'reflector' || one.panel.surface === 'black' || !sees(one.flat.at)) return sum;
    const others = panels.filter((other) => other !== one);
    const sunPart =
      toSun === null
        ? 0
        : field.sun * through(others, one.flat.at, movedBy(one.flat.at, toSun, FAR_M)) * thrownShare(one, toSun, place);
    const even = thrownTowards(one, null, at);
    const openPart = openings.reduce(
      (all, { flat }) => all + field.radiosity * shareFromFlat(flat, one.flat.at, one.flat.faces, CARD_ANSWER),
      0,
    );
    return (
      sum + sunPart + even * (openPart + field.soft * (CARD_SPHERE / DOME_SPHERE)) * receivedShare(one.flat, place)
    );
  }, 0);
  return direct + inside + field.soft * covered + thrown;
}

const now: Arrangement = (panel) => panel;

/** How panels that were moved since a reading change what it said, stops; 0 where nothing moved. */
export function panelChangeStops(
  setup: Setup,
  kit: Kit,
  point: MeteringPoint,
  place: LitPlace | null,
  then: Arrangement,
  shadowUnderStops: number | null,
): number {
  if (
    place === null ||
    point.role === 'background' ||
    point.role === 'sky' ||
    setup.panels.every((panel) => then(panel) === panel)
  )
    return 0;
  const field = fieldOf(setup, kit, then, shadowUnderStops);
  const before = lightIn(field, standing(setup, kit, then), place);
  const after = lightIn(field, standing(setup, kit, now), place);
  return before <= 0 || after <= 0 ? 0 : Math.log2(after / before);
}

/** What one panel does to a place now: the light with it against without it, stops. */
export function panelEffectStops(
  setup: Setup,
  kit: Kit,
  panel: Panel,
  place: LitPlace,
  shadowUnderStops: number | null,
): number {
  const without: Arrangement = (one) => (one.id === panel.id ? null : one);
  const opening = PANEL_FACTS[panel.kind].opening;
  const field = fieldOf(setup, kit, opening ? now : without, shadowUnderStops);
  const [a, b] = [
    lightIn(field, standing(setup, kit, without), place),
    lightIn(field, standing(setup, kit, now), place),
  ];
  return a <= 1e-9 || b <= 1e-9 ? 0 : Math.log2(b / a);
}

/** What the light at the face is made of now. */
export function ambientShares(setup: Setup, kit: Kit, shadowUnderStops: number | null): AmbientShares {
  const field = fieldOf(setup, kit, now, shadowUnderStops);
  const panels = standing(setup, kit, now);
  const { toSun } = field;
  const sun =
    toSun === null
      ? 0
      : field.sun *
        through(panels, FACE, movedBy(FACE, toSun, FAR_M)) *
        domeResponse(angleDeg(toSun, { x: 0, y: 0, z: 1 }));
  const openings = panels
    .filter(({ panel }) => PANEL_FACTS[panel.kind].opening)
    .map(({ panel, flat }) => ({
      panelId: panel.id,
      share: field.radiosity * shareFromFlat(flat, FACE, { x: 0, y: 0, z: 1 }, DOME_ANSWER),
    }));
  const all = Math.max(1e-9, lightIn(field, panels, litFace({ x: 0, y: 0, z: 1 })));
  return {
    sunOnCard: field.sun / all,
    sun: sun / all,
    soft: field.soft / all,
    openings: openings.map(({ panelId, share }) => ({ panelId, share: share / all })),
  };
}
