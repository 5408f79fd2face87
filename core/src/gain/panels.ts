import type { Kit, Surface } from '../gear';
import {
  angleDeg,
  CARD_ANSWER,
  DOME_ANSWER,
  type Answer,
  dot,
  type Flat,
  flatAxes,
  minus,
  mirrored,
  movedBy,
  overFlat,
  partsOf,
  passesThrough,
  type Place,
  shareFromFlat,
  unitOf,
} from '../scene';
import { type Panel, PANEL_FACTS, type PanelStand, type Setup } from '../setup';
import { panelFlat } from './panelPlace';
import type { Receiver } from './receiver';

/** Where a panel stands in a version of the scene; null: it is not there. */
export type Arrangement = (panel: Panel) => PanelStand | null;
/** All panels as they stand in the document. */
export const AS_IT_STANDS: Arrangement = (panel) => panel;

/** A panel in a place. */
export interface Standing {
  panel: Panel;
  flat: Flat;
}

/** The panels of a setup as they stand in an arrangement. */
export const standing = (
  { panels }: Pick<Setup, 'panels'>,
  kit: Pick<Kit, 'reflectors'>,
  as: Arrangement,
): Standing[] =>
  panels.flatMap((panel): Standing[] => {
    const stand = as(panel);
    return stand === null ? [] : [{ panel, flat: panelFlat(panel, kit, stand) }];
  });

export const isOpening = ({ panel }: Standing): boolean => PANEL_FACTS[panel.kind].opening;

/** The panels with one that sends nothing on: what a scene loses by that is what came by way of it. */
export const withoutSending = (panels: readonly Standing[], panelId: string): Standing[] =>
  panels.map((one) =>
    one.panel.id === panelId
      ? {
          ...one,
          panel: { ...one.panel, kind: one.panel.kind === 'diffuser' ? 'flag' : one.panel.kind, surface: 'black' },
        }
      : one,
  );

/** White and metal send back this share of what falls on them. Usual value of clean cloth and foil. */
const SENDS = 0.85;
/** Metal mirrors, blurred by its grain: one standard deviation, degrees. */
const BLUR_DEG: Record<Exclude<Surface, 'black' | 'white'>, number> = { silver: 22, striped: 30, gold: 22 };
const RADIANS = Math.PI / 180;

/** What a panel of a kind lets through of light that crosses it. */
const passes = ({ kind, takesStops }: Panel): number => (kind === 'diffuser' ? 2 ** -takesStops : 0);

/** The share of light on a straight way from a place to another that panels let through, 0 to 1. */
export const through = (panels: readonly Standing[], from: Place, to: Place): number =>
  panels.reduce(
    (share, one) => (!isOpening(one) && passesThrough(one.flat, from, to) ? share * passes(one.panel) : share),
    1,
  );

/** How a panel sends light back. */
export interface Mirror {
  /** share of what falls on it */
  sends: number;
  /** where it mirrors towards a place, unit; null for what sends evenly all round */
  towards: Place | null;
  /** of its blur, degrees */
  blurDeg: number;
}

/** How a panel sends light to a place; null for what sends none. A diffuser sends on what comes through its back. */
export function mirrorOf({ panel, flat }: Standing, to: Place): Mirror | null {
  if (panel.kind !== 'reflector' || panel.surface === 'black') return null;
  if (panel.surface === 'white') return { sends: SENDS, towards: null, blurDeg: 90 };
  const away = unitOf(minus(to, flat.at));
  // what it shows a place lies where the look from there is mirrored to
  const looks = { x: -away.x, y: -away.y, z: -away.z };
  return { sends: SENDS, towards: mirrored(looks, flat.faces), blurDeg: BLUR_DEG[panel.surface] };
}

/** How much of a mirror's look lies at an angle from its middle, a steradian: a Gaussian lobe of unit sum. */
function lobe(angle: number, blurDeg: number): number {
  const blur = blurDeg * RADIANS;
  return Math.exp(-0.5 * (angle / blurDeg) ** 2) / (2 * Math.PI * blur ** 2);
}

/**
 * What a panel sends towards a place of light from one direction, as if it sent as much all round, against that light
 * on a card facing it: white `ρ·cosθ`; metal `ρ·π·K(α)`, K its lobe and α the angle from the mirrored direction.
 */
export function sentOfBeam(one: Standing, toSource: Place, to: Place): number {
  const cosine = dot(unitOf(toSource), one.flat.faces);
  const mirror = mirrorOf(one, to);
  if (mirror === null || cosine <= 0) return 0;
  if (mirror.towards === null) return mirror.sends * cosine;
  return mirror.sends * Math.PI * lobe(angleDeg(toSource, mirror.towards), mirror.blurDeg);
}

/** What a panel sends towards a place of light from an evenly lit flat thing, against what that sends out itself. */
export function sentOfFlat(one: Standing, source: Flat, to: Place): number {
  const mirror = mirrorOf(one, to);
  if (mirror === null) return 0;
  const { at, faces } = one.flat;
  const { towards } = mirror;
  if (towards === null) return mirror.sends * shareFromFlat(source, at, faces, CARD_ANSWER, 'parts');
  return (
    mirror.sends *
    overFlat(
      source,
      at,
      (way, solidAngle, leaving) =>
        leaving <= 0 || dot(way, faces) <= 0 ? 0 : lobe(angleDeg(way, towards), mirror.blurDeg) * solidAngle,
      'parts',
    )
  );
}

/** The same of light from all round: `E` on a card as the panel faces, and the radiance from a direction. */
export function sentOfField(one: Standing, onCard: number, radiance: (way: Place) => number, to: Place): number {
  const mirror = mirrorOf(one, to);
  if (mirror === null) return 0;
  const { sends, towards, blurDeg } = mirror;
  return sends * (towards === null ? onCard : Math.PI * blurred(radiance, towards, blurDeg, one.flat.faces));
}

/** A Gaussian's rings of equal weight, in standard deviations: radii at which ⅙, ½ and ⅚ of it lie inside. */
const RINGS = [1 / 6, 1 / 2, 5 / 6].map((inside) => Math.sqrt(-2 * Math.log(1 - inside)));
const RING_WAYS = 8;

/** A field's radiance from a direction, blurred as metal shows it; what lies behind the metal it does not show. */
function blurred(radiance: (way: Place) => number, towards: Place, blurDeg: number, faces: Place): number {
  const { across, up } = flatAxes(towards);
  let sum = 0;
  for (const ring of RINGS)
    for (let i = 0; i < RING_WAYS; i += 1) {
      const turn = (2 * Math.PI * i) / RING_WAYS;
      const off = Math.tan(Math.min(80, ring * blurDeg) * RADIANS);
      const way = unitOf(movedBy(movedBy(towards, across, Math.cos(turn) * off), up, Math.sin(turn) * off));
      if (dot(way, faces) > 0) sum += radiance(way);
    }
  return sum / (RINGS.length * RING_WAYS);
}

/** A receiver's answer by the cosine of the angle from where it faces. */
export const answerOf = ({ answers, shadedFromDeg }: Receiver): Answer => {
  const from = shadedFromDeg === undefined ? -2 : Math.cos(shadedFromDeg * RADIANS);
  return answers === 'dome'
    ? (cosine) => (cosine < from ? 0 : DOME_ANSWER(cosine))
    : (cosine) => (cosine < from ? 0 : Math.max(0, cosine));
};

/** The share of what a flat thing sends out that a receiver gets: its configuration factor. */
export const receivedFrom = (flat: Flat, receiver: Receiver): number =>
  shareFromFlat(flat, receiver.at, receiver.faces, answerOf(receiver));

/**
 * What a receiver gets of what a panel sends, part by part of the panel, because near it one part mirrors another place, and is
 * lit more, than the next.
 * @param sent by the panel as if it were all at that part, as if evenly all round
 */
export function receivedOfParts(one: Standing, receiver: Receiver, sent: (part: Standing) => number): number {
  const received = receivedFrom(one.flat, receiver);
  if (received <= 0) return 0;
  const answer = answerOf(receiver);
  let [sum, weights] = [0, 0];
  for (const at of partsOf(one.flat)) {
    const to = minus(at, receiver.at);
    const r2 = Math.max(1e-4, dot(to, to));
    const way = unitOf(to);
    const weight = (Math.max(0, -dot(way, one.flat.faces)) * Math.max(0, answer(dot(way, receiver.faces)))) / r2;
    if (weight <= 0) continue;
    weights += weight;
    sum += weight * sent({ ...one, flat: { ...one.flat, at } });
  }
  return weights <= 0 ? 0 : (received * sum) / weights;
}

/** The same of an opening, part by part past panels that hide some of it. */
export function receivedPast(flat: Flat, receiver: Receiver, panels: readonly Standing[]): number {
  const inTheWay = panels.filter((one) => !isOpening(one));
  if (inTheWay.length === 0) return receivedFrom(flat, receiver);
  const answer = answerOf(receiver);
  const sum = overFlat(flat, receiver.at, (way, solidAngle, leaving, cell) => {
    const answered = leaving <= 0 ? 0 : answer(dot(way, receiver.faces));
    return answered <= 0 ? 0 : answered * solidAngle * through(inTheWay, receiver.at, cell);
  });
  return sum / Math.PI;
}

/** What a panel hides from a receiver of a field of light: a diffuser lets its part through. */
export function hiddenBy({ panel, flat }: Standing, receiver: Receiver, radiance: (way: Place) => number): number {
  const answer = answerOf(receiver);
  const behind = overFlat(
    flat,
    receiver.at,
    (way, solidAngle) => radiance(way) * answer(dot(way, receiver.faces)) * solidAngle,
  );
  return behind * (1 - passes(panel));
}
