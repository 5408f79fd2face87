import { type Kit, offered } from '../gear';
import type { LightStand } from '../scene';
import { type Light, lightPath, RADIO_GROUPS, type Setting, type Setup } from '../setup';
import { evenness, type Evenness, evennessCures } from './evenness';
import type { UsableLight } from './usable';

/** A change that brings a group under its bound. */
export type GroupCure =
  | { id: 'distance'; distanceM: number }
  | { id: 'height'; heightM: number }
  | { id: 'second'; unitName: string; distanceM: number };

/** How even the key is across the group, and what brings it under the bound. */
export interface GroupLight {
  spreadStops: number;
  withinStops: number;
  even: boolean;
  people: Evenness['people'];
  /** each brings the spread under the bound; the least change that does */
  cures: (GroupCure & { spreadStops: number; settings: Setting[] })[];
}

const standOf = ({ distanceM, sideDeg, heightM }: Light): LightStand => ({ distanceM, sideDeg, heightM });

/**
 * The light on the outermost people against the one aimed at, from key and any light of the same role beside it.
 */
export function groupLight(setup: Setup, kit: Kit, usable: readonly UsableLight[]): GroupLight | null {
  const keys = usable.filter(({ light }) => light.role === 'key');
  const key = keys[0];
  const { people } = setup;
  if (key === undefined || people === null) return null;
  const {
    index,
    light,
    config: {
      modifier: { shape },
    },
  } = key;
  const { withinStops } = people;
  const now = evenness(
    keys.map((one) => ({ stand: standOf(one.light), shape: one.config.modifier.shape })),
    people,
  );
  const even = now.spreadStops <= withinStops + 1e-9;
  const cures: GroupLight['cures'] = [];
  if (!even) {
    const { distanceM, height, second } = evennessCures(standOf(light), shape, people, withinStops);
    const spread = (stand: LightStand) => evenness([{ stand, shape }], people).spreadStops;
    const rise = light.heightM / light.distanceM;
    if (distanceM !== null) {
      const heightM = Number(Math.min(5, distanceM * rise).toFixed(2));
      cures.push({
        id: 'distance',
        distanceM,
        spreadStops: spread({ ...standOf(light), distanceM, heightM }),
        settings: [
          { path: lightPath(index, 'distanceM'), value: distanceM },
          { path: lightPath(index, 'heightM'), value: heightM },
        ],
      });
    }
    if (height !== null)
      cures.push({
        id: 'height',
        heightM: height.heightM,
        spreadStops: spread({ ...standOf(light), ...height }),
        settings: [
          { path: lightPath(index, 'heightM'), value: height.heightM },
          { path: lightPath(index, 'distanceM'), value: height.distanceM },
        ],
      });
    const spare = offered(kit.flashUnits).find(({ id }) => !setup.lights.some(({ unitId }) => unitId === id));
    if (second !== null && spare !== undefined && setup.lights.length < RADIO_GROUPS.length) {
      const rest: Light = {
        ...light,
        id: mirroredId(light.id),
        unitId: spare.id,
        sideDeg: -light.sideDeg,
        distanceM: second.distanceM,
        heightM: Number(Math.min(5, second.distanceM * rise).toFixed(2)),
        group: RADIO_GROUPS.find((letter) => setup.lights.every(({ group }) => group !== letter)) ?? 'F',
        dialledStops: null,
      };
      const moved = setup.lights.map((one) =>
        one.id === light.id ? { ...one, distanceM: rest.distanceM, heightM: rest.heightM } : one,
      );
      cures.push({
        id: 'second',
        unitName: spare.name,
        distanceM: second.distanceM,
        spreadStops: second.spreadStops,
        settings: [{ path: 'lights', value: [...moved, rest] }],
      });
    }
  }
  return { spreadStops: now.spreadStops, withinStops, even, people: now.people, cures };
}

/** A light's id turned into the one of its mirrored twin: the core has no randomness of its own, and a twin is added once. */
const mirroredId = (id: string): string => `${id.slice(0, -1)}${((parseInt(id.slice(-1), 16) + 8) % 16).toString(16)}`;
