import { type Fact, balance } from './balance';
import { cautionsFor } from './cautions';
import type { Kit } from './kit';
import { nextAction } from './nextAction';
import type { Setup } from './setup';
import type { Solution } from './solution';
import { waysOut } from './waysOut';

/**
 * The only way from documents to numbers: camera settings, powers in each unit's scale, where every tone lands,
 * the next thing to do, the ways out when the wish cannot be met, warnings and cautions.
 * Pure: the same documents and clock give the same solution.
 * @param facts all readings of the setup and what changed in its scene; those of other setups and struck-out ones are left aside
 * @param clock the moment that reading ages are counted from
 */
export function solve(setup: Setup, kit: Kit, facts: readonly Fact[], clock: Date): Solution {
  const now = balance(setup, kit, facts, clock);
  const ways = waysOut(setup, kit, facts, clock, now);
  return {
    look: now.look,
    camera: now.camera,
    lights: now.lights,
    points: now.points,
    contrast: now.contrast,
    dome: now.dome,
    questions: now.questions,
    meterAgain: now.meterAgain,
    waysOut: ways,
    nextAction: nextAction(now, ways),
    warnings: now.warnings,
    cautions: cautionsFor(now),
  };
}
