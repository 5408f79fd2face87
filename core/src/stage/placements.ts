import { sunStand } from '../gain';
import { wrapDeg } from '../scene';
import {
  changedPanel,
  type Happening,
  type Light,
  lightPath,
  type LightRole,
  type OpenSide,
  type Panel,
  PANEL_FACTS,
  type Setting,
  type Setup,
} from '../setup';
import { suggestedKeySide } from './keySide';

/** Starting places by role, and the mirrored one that every light has. */
export const PLACEMENT_IDS = [
  'loop',
  'triangle',
  'butterfly',
  'split',
  'near',
  'axis',
  'oppositeSun',
  'withSun',
  'overhead',
  'lowFront',
  'highBehind',
  'onAxis',
  'below',
  'farSide',
  'hair',
  'asSun',
  'aside',
  'low',
  'lowSun',
  'lamp',
  'otherSide',
] as const;
export type PlacementId = (typeof PLACEMENT_IDS)[number];

/** A starting place for a light, in one tap. */
export interface Placement {
  id: PlacementId;
  /** how far it then stands from what it aims at; null for a mirrored place */
  distanceM: number | null;
  settings: Setting[];
}

type Stand = Pick<Light, 'distanceM' | 'sideDeg' | 'heightM'> & Partial<Pick<Light, 'featherDeg'>>;

const wholeDeg = (degrees: number): number => Math.round(wrapDeg(degrees));

interface Placed {
  id: PlacementId;
  stand: Stand;
}

const placedAt = (id: PlacementId, distanceM: number, sideDeg: number, heightM: number): Placed => ({
  id,
  stand: { distanceM, sideDeg, heightM },
});

/** A fill stands by the camera, within these distances. */
const byCamera = ({ stage }: Setup, least: number, most: number): number =>
  Math.max(least, Math.min(most, stage.cameraM));

/** Placements by role; sources: usual placements of portrait lighting. @param side the side that the light is on now, −1 or 1 */
function stands(role: LightRole, setup: Setup, side: number): Placed[] {
  const key = setup.lights.find((light) => light.role === 'key');
  const keySide = (key?.sideDeg ?? 40) < 0 ? -1 : 1;
  const from = (noseDeg: number) => wholeDeg(setup.stage.subject.turnDeg + noseDeg);
  switch (role) {
    case 'key':
      return [
        placedAt('loop', 1.4, from(40 * side), 0.45),
        placedAt('triangle', 1.5, from(50 * side), 0.75),
        placedAt('butterfly', 1.4, from(0), 0.75),
        placedAt('split', 1.6, from(90 * side), 0.15),
        placedAt('near', 0.9, from(40 * side), 0.4),
        placedAt('axis', byCamera(setup, 1, 6), wholeDeg(10 * side), 0.4),
        placedAt('overhead', 1.3, from(0), 1.25),
        placedAt('lowFront', 1.3, from(0), -0.45),
        ...keyBySun(setup),
      ];
    case 'fill':
      return [placedAt('onAxis', byCamera(setup, 1.2, 4), 0, 0.2), placedAt('below', 1.1, from(10 * keySide), -0.6)];
    case 'rim':
      return [
        placedAt('farSide', 1.8, wholeDeg(-145 * keySide), 0.6),
        placedAt('hair', 2.2, 180, 1.4),
        placedAt('highBehind', 3, wholeDeg(-160 * keySide), 1.8),
        ...rimAsSun(setup),
      ];
    case 'background':
      return [placedAt('aside', 1.5, 55 * side, 0.3), placedAt('low', 1.2, 0, -0.9)];
    case 'motivated':
      return [placedAt('lowSun', 6, from(75 * side), 1.2), placedAt('lamp', 1.2, from(100 * side), -0.1)];
  }
}

/** A key opposite to a sun from behind, or on the side of a sun from the front. */
function keyBySun({ stage }: Setup): Placed[] {
  const sun = sunStand(stage);
  if (sun === null) return [];
  const placements: Placed[] = [];
  if (Math.abs(sun.sideDeg) >= 90) placements.push(placedAt('oppositeSun', 1.5, wholeDeg(sun.sideDeg + 180), 0.45));
  if (Math.abs(sun.sideDeg) <= 120) placements.push(placedAt('withSun', 1.5, wholeDeg(sun.sideDeg), 0.45));
  return placements;
}

/** A rim where the sun stands, as high as stands reach. */
function rimAsSun({ stage }: Setup): Placed[] {
  const sun = sunStand(stage);
  if (sun === null) return [];
  const riseDeg = Math.max(5, Math.min(50, sun.altitudeDeg));
  const heightM = Number((3 * Math.sin((riseDeg * Math.PI) / 180)).toFixed(2));
  return [placedAt('asSun', 3, wholeDeg(sun.sideDeg), heightM)];
}

/** A key goes to the side that is asked for; everything else stays on its own. */
const sideFor = ({ role, sideDeg }: Light, setup: Setup, openSide: OpenSide | null): number =>
  (role === 'key' ? suggestedKeySide(setup, openSide) : null) ?? (sideDeg < 0 ? -1 : 1);

/** Starting placements for a light of a setup. @param openSide where the ambient comes from; null: nothing tells */
export function placementsFor(setup: Setup, index: number, openSide: OpenSide | null): Placement[] {
  const light = setup.lights[index];
  if (light === undefined) return [];
  const to = (stand: Stand): Setting[] =>
    (Object.keys(stand) as (keyof Stand)[]).map((field) => ({
      path: lightPath(index, field),
      value: stand[field] ?? 0,
    }));
  return [
    ...stands(light.role, setup, sideFor(light, setup, openSide)).map(({ id, stand }) => ({
      id,
      distanceM: stand.distanceM,
      settings: to({ ...stand, featherDeg: 0 }),
    })),
    {
      id: 'otherSide',
      distanceM: null,
      settings: to({
        distanceM: light.distanceM,
        heightM: light.heightM,
        sideDeg: wholeDeg(2 * setup.stage.subject.turnDeg - light.sideDeg),
        featherDeg: -light.featherDeg,
      }),
    },
  ];
}

/** The other of two sides; what is on neither stays. */
const mirrored = <S extends OpenSide | null>(side: S): S | 'left' | 'right' =>
  side === 'left' ? 'right' : side === 'right' ? 'left' : side;

/**
 * The whole stage mirrored: lights, lamps, panels and the turn of the face.
 * @param now the moment, for panels that readings have seen  @param newestReadingAt the newest ambient reading; null for none
 */
export function mirroredStage(setup: Setup, now: string, newestReadingAt: string | null): Setting[] {
  const flip = (value: number) => (value === 0 || Math.abs(value) === 180 ? value : -value);
  const panel = (one: Panel): Panel =>
    changedPanel(one, { sideDeg: flip(one.sideDeg), turnedDeg: flip(one.turnedDeg) }, now, newestReadingAt);
  return [
    ...setup.lights.flatMap((light, index): Setting[] => [
      { path: lightPath(index, 'sideDeg'), value: flip(light.sideDeg) },
      ...(light.featherDeg === 0 ? [] : [{ path: lightPath(index, 'featherDeg'), value: -light.featherDeg }]),
    ]),
    ...(setup.lamps.length === 0
      ? []
      : [{ path: 'lamps' as const, value: setup.lamps.map((lamp) => ({ ...lamp, sideDeg: flip(lamp.sideDeg) })) }]),
    ...(setup.panels.length === 0 ? [] : [{ path: 'panels' as const, value: setup.panels.map(panel) }]),
    {
      path: 'stage.subject',
      value: {
        ...setup.stage.subject,
        turnDeg: flip(setup.stage.subject.turnDeg),
        betterSide: mirrored(setup.stage.subject.betterSide),
      },
    },
    ...(setup.stage.openSide === null
      ? []
      : [{ path: 'stage.openSide' as const, value: mirrored(setup.stage.openSide) }]),
  ];
}

/** The open sides that lie round the subject, degrees from the line to the camera. */
const ROUND_DEG = { camera: 0, right: 90, behind: 180, left: -90 } as const satisfies Partial<Record<OpenSide, number>>;

/** The ambient stays where it comes from in the world: against a camera that walked it comes from the side that lies nearest. */
function openSideTurned(openSide: OpenSide | null, byDeg: number): OpenSide | null {
  if (openSide === null || openSide === 'above' || openSide === 'all-round') return openSide;
  const deg = ROUND_DEG[openSide] - byDeg;
  const offOf = (side: keyof typeof ROUND_DEG) => Math.abs(wrapDeg(ROUND_DEG[side] - deg));
  const sides = Object.keys(ROUND_DEG) as (keyof typeof ROUND_DEG)[];
  return sides.reduce((best, side) => (offOf(side) < offOf(best) ? side : best), openSide);
}

/** The set turned about the subject, and what that means. */
export interface TurnedSet {
  settings: Setting[];
  happening: Happening;
  /** what stays where it is in the world, and so stands elsewhere against the camera: sun and openings */
  stays: { sun: boolean; panelIds: string[] };
  /** what went along: lights, lamps, and panels that are no openings; the camera always does */
  along: { lights: number; lamps: number; panels: number };
}

/**
 * Turns camera, lights, lamps and panels about the subject, who goes on facing as before against the camera. Against it sun
 * and openings wander the other way, and the background is another one.
 * @param byDeg positive: the camera walks to its own right
 * @param now the moment, for panels that readings have seen  @param newestReadingAt the newest ambient reading; null for none
 */
export function turnedSet(setup: Setup, byDeg: number, now: string, newestReadingAt: string | null): TurnedSet {
  const { sun } = setup.stage;
  const side = (deg: number) => wholeDeg(deg - byDeg);
  const isOpening = ({ kind }: Panel) => PANEL_FACTS[kind].opening;
  const openings = setup.panels.filter(isOpening);
  const panels = setup.panels.map((panel) =>
    isOpening(panel) ? changedPanel(panel, { sideDeg: side(panel.sideDeg) }, now, newestReadingAt) : panel,
  );
  const settings: Setting[] = [];
  if (sun?.by === 'hand') settings.push({ path: 'stage.sun', value: { ...sun, sideDeg: side(sun.sideDeg) } });
  if (sun?.by === 'time')
    settings.push({
      path: 'stage.sun',
      // the sun's side is half a turn less how far it lies clockwise of where the camera looks
      value: { ...sun, cameraLooksDeg: (((sun.cameraLooksDeg - byDeg) % 360) + 360) % 360 },
    });
  if (openings.length > 0) settings.push({ path: 'panels', value: panels });
  const openSide = openSideTurned(setup.stage.openSide, byDeg);
  if (openSide !== setup.stage.openSide) settings.push({ path: 'stage.openSide', value: openSide });
  return {
    settings,
    happening: { what: 'set-turned', thingId: null },
    stays: { sun: sun !== null, panelIds: openings.map(({ id }) => id) },
    along: {
      lights: setup.lights.length,
      lamps: setup.lamps.length,
      panels: setup.panels.length - openings.length,
    },
  };
}
