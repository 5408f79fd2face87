import { effectiveDistanceM, type SourceShape } from '../modifiers';
import { lengthM, lightPlace, type LightStand, minus, type Place } from '../scene';

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

const AIM: Place = { x: 0, y: 0, z: 0 };

/** Light on the people from equal lights, by their distances alone: aim them across the group. */
export function evenness(lights: readonly { stand: LightStand; shape: SourceShape }[], people: People): Evenness {
  const light = (at: Place) =>
    lights.reduce(
      (sum, { stand, shape }) =>
        sum + effectiveDistanceM(shape, Math.max(0.1, lengthM(minus(lightPlace(AIM, stand), at)))) ** -2,
      0,
    );
  const middle = light(AIM);
  const lit = peoplePlaces(people).map(({ id, at }) => ({ id, stops: Math.log2(light(at) / middle) }));
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
  stand: LightStand,
  shape: SourceShape,
  people: People,
  withinStops: number,
): EvennessCures {
  const rise = stand.heightM / stand.distanceM;
  const at = (distanceM: number): LightStand => ({ ...stand, distanceM, heightM: distanceM * rise });
  const pair = (distanceM: number) =>
    evenness(
      [at(distanceM), { ...at(distanceM), sideDeg: -stand.sideDeg }].map((one) => ({ stand: one, shape })),
      people,
    ).spreadStops;
  const secondM = firstFrom(stand.distanceM, MOST_DISTANCE_M, (distanceM) => pair(distanceM) <= withinStops);
  const spread = (one: LightStand) => evenness([{ stand: one, shape }], people).spreadStops;
  const across = Math.sqrt(Math.max(0, stand.distanceM ** 2 - stand.heightM ** 2));
  const raised = (heightM: number): LightStand => ({ ...stand, heightM, distanceM: Math.hypot(across, heightM) });
  const heightM = firstFrom(Math.max(0, stand.heightM), MOST_HEIGHT_M, (value) => spread(raised(value)) <= withinStops);
  return {
    distanceM: firstFrom(stand.distanceM, MOST_DISTANCE_M, (distanceM) => spread(at(distanceM)) <= withinStops),
    height: heightM === null ? null : { heightM, distanceM: Number(raised(heightM).distanceM.toFixed(2)) },
    second: secondM === null ? null : { distanceM: secondM, spreadStops: pair(secondM) },
  };
}
