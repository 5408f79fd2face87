import { lightPlace, type LightStand, minus, type Place, turned, unitOf } from '../scene';
import type { Light, Setup } from '../setup';
import { EYES, pointPlace, type Receiver, receiverOf } from './receiver';

/** Where a light stands, seen from what it aims at, as it is now or as it was when it was fired. */
export type FlashStand = Pick<Light, 'aimPointId' | 'featherDeg'> & LightStand;

/** Where a light points: at its aim, turned past it by its feathering. */
export const lightAxis = (from: Place, aim: Place, featherDeg: number): Place => turned(minus(aim, from), featherDeg);

/** Where a point lies that lights aim at; the face where nothing says it. */
export const aimPlace = (setup: Setup, pointId: string): Place => {
  const point = setup.points.find(({ id }) => id === pointId);
  return (point === undefined ? null : pointPlace(point, setup))?.at ?? EYES;
};

/** A point that lies nowhere in the scene is lit as what aims at it says: straight on, at its distance. */
export function receiverForAim(setup: Setup, stand: FlashStand): Receiver {
  const point = setup.points.find(({ id }) => id === stand.aimPointId);
  const known = point === undefined ? null : receiverOf(point, setup);
  const aim = aimPlace(setup, stand.aimPointId);
  return known ?? { at: aim, faces: unitOf(minus(lightPlace(aim, stand), aim)), answers: 'dome' };
}
