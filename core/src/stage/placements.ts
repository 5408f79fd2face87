import { sunStand } from '../ambient';
import { wrapDeg } from '../scene';
import { changedPanel, type Light, lightPath, type LightRole, type Panel, type Setting, type Setup } from '../setup';

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

/** Placements by role; sources: usual placements of portrait lighting. @param side the side that the light is on now, −1 or 1 */
// eslint-disable-next-line max-lines-per-function -- a list of placements with their figures
function stands(role: LightRole, setup: Setup, side: number): Placed[] {
  const { turnDeg } = setup.stage.subject;
  const sun = sunStand(setup.stage);
  const key = setup.lights.find((light) => light.role === 'key');
  const keySide = (key?.sideDeg ?? 40) < 0 ? -1 : 1;
  const from = (noseDeg: number) => wholeDeg(turnDeg + noseDeg);
  switch (role) {
    case 'key':
      return [
        {
          id: 'loop',
          stand: { distanceM: 1.4, sideDeg: from(40 * side), heightM: 0.45 },
        },
        {
          id: 'triangle',
          stand: { distanceM: 1.5, sideDeg: from(50 * side), heightM: 0.75 },
        },
        {
          id: 'butterfly',
          stand: { distanceM: 1.4, sideDeg: from(0), heightM: 0.75 },
        },
        {
          id: 'split',
          stand: { distanceM: 1.6, sideDeg: from(90 * side), heightM: 0.15 },
        },
        {
          id: 'near',
          stand: { distanceM: 0.9, sideDeg: from(40 * side), heightM: 0.4 },
        },
        {
          id: 'axis',
          stand: {
            distanceM: Math.max(1, Math.min(6, setup.stage.cameraM)),
            sideDeg: wholeDeg(10 * side),
            heightM: 0.4,
          },
        },
        ...(sun === null || Math.abs(sun.sideDeg) < 90
          ? []
          : [
              {
                id: 'oppositeSun' as const,
                stand: { distanceM: 1.5, sideDeg: wholeDeg(sun.sideDeg + 180), heightM: 0.45 },
              },
            ]),
        ...(sun === null || Math.abs(sun.sideDeg) > 120
          ? []
          : [
              {
                id: 'withSun' as const,
                stand: { distanceM: 1.5, sideDeg: wholeDeg(sun.sideDeg), heightM: 0.45 },
              },
            ]),
      ];
    case 'fill':
      return [
        {
          id: 'onAxis',
          stand: { distanceM: Math.max(1.2, Math.min(4, setup.stage.cameraM)), sideDeg: 0, heightM: 0.2 },
        },
        {
          id: 'below',
          stand: { distanceM: 1.1, sideDeg: from(10 * keySide), heightM: -0.6 },
        },
      ];
    case 'rim':
      return [
        {
          id: 'farSide',
          stand: { distanceM: 1.8, sideDeg: wholeDeg(-145 * keySide), heightM: 0.6 },
        },
        {
          id: 'hair',
          stand: { distanceM: 2.2, sideDeg: 180, heightM: 1.4 },
        },
        ...(sun === null
          ? []
          : [
              {
                id: 'asSun' as const,
                stand: {
                  distanceM: 3,
                  sideDeg: wholeDeg(sun.sideDeg),
                  heightM: Number(
                    (3 * Math.sin((Math.max(5, Math.min(50, sun.altitudeDeg)) * Math.PI) / 180)).toFixed(2),
                  ),
                },
              },
            ]),
      ];
    case 'background':
      return [
        {
          id: 'aside',
          stand: { distanceM: 1.5, sideDeg: 55 * side, heightM: 0.3 },
        },
        {
          id: 'low',
          stand: { distanceM: 1.2, sideDeg: 0, heightM: -0.9 },
        },
      ];
    case 'motivated':
      return [
        {
          id: 'lowSun',
          stand: { distanceM: 6, sideDeg: from(75 * side), heightM: 1.2 },
        },
        {
          id: 'lamp',
          stand: { distanceM: 1.2, sideDeg: from(100 * side), heightM: -0.1 },
        },
      ];
  }
}

/** Starting placements for a light of a setup. */
export function placementsFor(setup: Setup, index: number): Placement[] {
  const light = setup.lights[index];
  if (light === undefined) return [];
  const to = (stand: Stand): Setting[] =>
    (Object.keys(stand) as (keyof Stand)[]).map((field) => ({
      path: lightPath(index, field),
      value: stand[field] ?? 0,
    }));
  return [
    ...stands(light.role, setup, light.sideDeg < 0 ? -1 : 1).map(({ id, stand }) => ({
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
    { path: 'stage.subject.turnDeg', value: flip(setup.stage.subject.turnDeg) },
  ];
}
