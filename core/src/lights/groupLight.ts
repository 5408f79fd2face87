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

/** How even the key is across the group. */
export interface GroupLight {
  spreadStops: number;
  withinStops: number;
  even: boolean;
  people: Evenness['people'];
}

/** A change with its settings and the spread that is left then. */
export type SolvedGroupCure = GroupCure & { spreadStops: number; settings: Setting[] };

const standOf = ({ distanceM, sideDeg, heightM }: Light): LightStand => ({ distanceM, sideDeg, heightM });
const keysOf = (usable: readonly UsableLight[]) => usable.filter(({ light }) => light.role === 'key');

/**
 * The light on the outermost people against the one aimed at, from key and any light of the same role beside it.
 */
export function groupLight(setup: Setup, kit: Kit, usable: readonly UsableLight[]): GroupLight | null {
  const { people } = setup;
  const keys = keysOf(usable);
  if (keys.length === 0 || people === null) return null;
  const { withinStops } = people;
  const now = evenness(setup, kit, keys, people);
  const even = now.spreadStops <= withinStops + 1e-9;
  return { spreadStops: now.spreadStops, withinStops, even, people: now.people };
}

/** What brings an uneven group under its bound: each by the least change that does, none where it is even. */
export function groupCures(
  setup: Setup,
  kit: Kit,
  usable: readonly UsableLight[],
  group: GroupLight | null,
): SolvedGroupCure[] {
  const [key] = keysOf(usable);
  const { people } = setup;
  if (key === undefined || people === null || group === null || group.even) return [];
  const { index, light } = key;
  const { distanceM, height, second } = evennessCures(setup, kit, key, people, people.withinStops);
  const spread = (stand: LightStand) =>
    evenness(setup, kit, [{ ...key, light: { ...light, ...stand } }], people).spreadStops;
  const rise = light.heightM / light.distanceM;
  const cures: SolvedGroupCure[] = [];
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
  if (second !== null && spare !== undefined && setup.lights.length < RADIO_GROUPS.length)
    cures.push({
      id: 'second',
      unitName: spare.name,
      distanceM: second.distanceM,
      spreadStops: second.spreadStops,
      settings: [{ path: 'lights', value: withTwin(setup, light, spare.id, second.distanceM) }],
    });
  return cures;
}

/** All lights with the key moved to a distance, as high in proportion, and its mirrored twin on another unit. */
function withTwin({ lights }: Setup, key: Light, unitId: string, distanceM: number): Light[] {
  const heightM = Number(Math.min(5, (distanceM * key.heightM) / key.distanceM).toFixed(2));
  const twin: Light = {
    ...key,
    id: mirroredId(key.id),
    unitId,
    sideDeg: -key.sideDeg,
    distanceM,
    heightM,
    group: RADIO_GROUPS.find((letter) => lights.every(({ group }) => group !== letter)) ?? 'F',
    dialledStops: null,
  };
  return [...lights.map((one) => (one.id === key.id ? { ...one, distanceM, heightM } : one)), twin];
}

/** A light's id turned into the one of its mirrored twin: the core has no randomness of its own, and a twin is added once. */
const mirroredId = (id: string): string => `${id.slice(0, -1)}${((parseInt(id.slice(-1), 16) + 8) % 16).toString(16)}`;
