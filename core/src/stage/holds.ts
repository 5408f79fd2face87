import { AS_IT_STANDS, flashAt, receiverForAim, standing } from '../gain';
import type { Kit } from '../gear';
import type { UsableLight } from '../lights';
import { heightAt, type Setup } from '../setup';

/** From where to where a light may stand, metres from what it aims at. */
export interface HeldRange {
  nearestM: number;
  farthestM: number;
}

const [LEAST_M, MOST_M] = [0.3, 30];
/** Halvings of the way: a centimetre in thirty metres. */
const HALVINGS = 14;

/**
 * How far a light may be moved towards what it aims at and away from it, at the same rise and power, until its light
 * there has changed by so much: with its size, its beam, panels and the way that it is turned.
 * @param stops the change that is let pass, in stops
 * @returns null where nothing of it arrives
 */
export function holdsWithin({ light, config }: UsableLight, setup: Setup, kit: Kit, stops: number): HeldRange | null {
  const panels = standing(setup, kit, AS_IT_STANDS);
  const levelAt = (distanceM: number): number | null => {
    const stand = { ...light, distanceM, heightM: heightAt(light, distanceM) };
    return flashAt(stand, config, 0, receiverForAim(setup, stand), setup, panels);
  };
  const level = levelAt(light.distanceM);
  if (level === null) return null;
  const isHeld = (distanceM: number): boolean => {
    const there = levelAt(distanceM);
    return there !== null && Math.abs(there - level) <= stops;
  };
  const edge = (limitM: number): number => {
    if (isHeld(limitM)) return limitM;
    let [held, lost] = [light.distanceM, limitM];
    for (let i = 0; i < HALVINGS; i += 1) {
      const middle = (held + lost) / 2;
      if (isHeld(middle)) held = middle;
      else lost = middle;
    }
    return held;
  };
  return { nearestM: edge(LEAST_M), farthestM: edge(MOST_M) };
}
