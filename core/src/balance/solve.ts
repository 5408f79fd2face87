import { balance } from './balance';
import { cautionsFor } from './cautions';
import type { Kit } from './kit';
import { nextAction } from './nextAction';
import type { Reading } from './reading';
import type { Setup } from './setup';
import type { Solution } from './solution';
import { waysOut } from './waysOut';

/**
 * The only way from documents to numbers: camera settings, powers in each unit's scale, where every tone lands,
 * the next thing to do, the ways out when the wish cannot be met, warnings and cautions.
 * Pure: the same documents and clock give the same solution.
 * @param readings all readings of the setup; those of other setups and struck-out ones are left aside
 * @param clock the moment that reading ages are counted from
 */
export function solve(setup: Setup, kit: Kit, readings: readonly Reading[], clock: Date): Solution {
  const now = balance(setup, kit, readings, clock);
  const ways = waysOut(setup, kit, readings, clock, now);
  return {
    look: now.look,
    camera: now.camera,
    lights: now.lights,
    points: now.points,
    waysOut: ways,
    nextAction: nextAction(now, ways),
    warnings: now.warnings,
    cautions: cautionsFor(now),
  };
}
