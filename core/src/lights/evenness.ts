import { AS_IT_STANDS, EYES, flashAt, type Receiver, standing } from '../gain';
import type { Kit } from '../gear';
import { addLight } from '../photometry';
import { direction, type LightStand, type Place } from '../scene';
import type { Setup } from '../setup';
import type { UsableLight } from './usable';

/** How far people stand from the one that the light aims at, metres: towards the camera, away from it, to its left and right. */
export interface People {
  nearerM: number;
  fartherM: number;
  leftM: number;
  rightM: number;
}

/** Where someone of a group stands. */
export type PersonPlace = 'front-left' | 'front-right' | 'back-left' | 'back-right' | 'middle';

/** The outermost people; the one in the middle is among them. */
export const peoplePlaces = ({ nearerM, fartherM, leftM, rightM }: People): { id: PersonPlace; at: Place }[] => [
  { id: 'front-left', at: { x: -leftM, y: 0, z: nearerM } },
  { id: 'front-right', at: { x: rightM, y: 0, z: nearerM } },
  { id: 'back-left', at: { x: -leftM, y: 0, z: -fartherM } },
  { id: 'back-right', at: { x: rightM, y: 0, z: -fartherM } },
  { id: 'middle', at: { x: 0, y: 0, z: 0 } },
];

/** Light on each person against the one aimed at, stops, and how far brightest and darkest lie apart. */
export interface Evenness {
  spreadStops: number;
  people: { id: PersonPlace; stops: number }[];
}

/** A light as it stands or would stand, with what it is made of. */
export type Shining = Pick<UsableLight, 'light' | 'config'>;

/** Where a beam ends there is next to nothing, stops under the one aimed at. */
const LEAST_STOPS = -10;

/**
 * Light on the people from lights that each give the one aimed at the same: distances, beams, panels, and a dome at each
 * person that faces the camera.
 */
export function evenness(setup: Setup, kit: Kit, lights: readonly Shining[], people: People): Evenness {
  const panels = standing(setup, kit, AS_IT_STANDS);
  const givesAt = ({ light, config }: Shining, at: Place): number | null => {
    const receiver: Receiver = { at, faces: direction(0), answers: 'dome' };
    return flashAt(light, config, 0, receiver, setup, panels);
  };
  const inMiddle = lights.map((one) => givesAt(one, EYES) ?? 0);
  const lit = peoplePlaces(people).map(({ id, at }) => {
    const levels = lights.flatMap((one, index) => {
      const level = givesAt(one, at);
      return level === null ? [] : [level - (inMiddle[index] ?? 0)];
    });
    const level = levels.length === 0 ? LEAST_STOPS : addLight(...levels) - Math.log2(lights.length);
    return { id, stops: Math.max(LEAST_STOPS, level) };
  });
  const all = lit.map(({ stops }) => stops);
  return { spreadStops: Math.max(...all) - Math.min(...all), people: lit };
}

const MOST_DISTANCE_M = 15;
const MOST_HEIGHT_M = 4;
const STEP_M = 0.05;

/** Ways to bring a group under a bound, each the least that does; null where it does not reach. */
export interface EvennessCures {
  /** farther back, in the same direction */
  distanceM: number | null;
  /** higher, over the same place on the ground: distance and height then */
  height: { heightM: number; distanceM: number } | null;
  /** an equal light at the mirrored place, both at this distance, and the spread that is left */
  second: { distanceM: number; spreadStops: number } | null;
}

/** The first of the rising values that meets the wish; steps of 5 cm, as a stand is moved. */
function firstFrom(least: number, most: number, meets: (value: number) => boolean): number | null {
  for (let value = Math.ceil(least / STEP_M) * STEP_M; value <= most + 1e-9; value += STEP_M)
    if (meets(value)) return Number(value.toFixed(2));
  return null;
}

/** The distance, the height or the second light that brings a group under a wanted bound. */
export function evennessCures(
  setup: Setup,
  kit: Kit,
  { light, config }: Shining,
  people: People,
  withinStops: number,
): EvennessCures {
  const rise = light.heightM / light.distanceM;
  const as = (stand: Partial<LightStand>): Shining => ({ light: { ...light, ...stand }, config });
  const at = (distanceM: number) => ({ distanceM, heightM: distanceM * rise });
  const spread = (...stands: Partial<LightStand>[]) => evenness(setup, kit, stands.map(as), people).spreadStops;
  const pair = (distanceM: number) => spread(at(distanceM), { ...at(distanceM), sideDeg: -light.sideDeg });
  const secondM = firstFrom(light.distanceM, MOST_DISTANCE_M, (distanceM) => pair(distanceM) <= withinStops);
  const across = Math.sqrt(Math.max(0, light.distanceM ** 2 - light.heightM ** 2));
  const raised = (heightM: number) => ({ heightM, distanceM: Math.hypot(across, heightM) });
  const heightM = firstFrom(Math.max(0, light.heightM), MOST_HEIGHT_M, (value) => spread(raised(value)) <= withinStops);
  return {
    distanceM: firstFrom(light.distanceM, MOST_DISTANCE_M, (distanceM) => spread(at(distanceM)) <= withinStops),
    height: heightM === null ? null : { heightM, distanceM: Number(raised(heightM).distanceM.toFixed(2)) },
    second: secondM === null ? null : { distanceM: secondM, spreadStops: pair(secondM) },
  };
}
