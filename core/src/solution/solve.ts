import { cautionsFor, cheaperSettings, meteringOrder, nextAction, waysOut } from '../advice';
import { balance, colourSolution, disagreements, secondBody, solveLamps, solvePanels, videoSolution } from '../balance';
import { dialMatrix, whyChains } from '../explain';
import { clipsAboveAt } from '../exposure';
import type { Kit } from '../gear';
import { groupLight, stayingPower } from '../lights';
import { type Fact, meterScene } from '../metering';
import type { Setup } from '../setup';
import { solveStage } from '../stage';
import type { Solution } from './solution';

/**
 * The only way from documents to numbers: camera settings, powers in each unit's scale, where every tone lands,
 * the next thing to do, the ways out when the wish cannot be met, warnings and cautions.
 * Pure: the same documents and clock give the same solution.
 * @param facts all readings of the setup and what changed in its scene; those of other setups and struck-out ones are left aside
 * @param clock the moment that reading ages are counted from
 */
export function solve(setup: Setup, kit: Kit, facts: readonly Fact[], clock: Date): Solution {
  const scene = meterScene(setup, kit, facts, clock);
  const now = balance(setup, kit, scene);
  const { waysOut: ways, notHelping } = waysOut(setup, kit, scene, now);
  const { camera, cameraBody } = now;
  const group = groupLight(setup, kit, now.usable);
  return {
    look: now.look,
    camera,
    depth: now.depth,
    latitude:
      cameraBody === null
        ? null
        : {
            clipsAboveStops: clipsAboveAt(cameraBody, camera?.sv ?? cameraBody.baseSv),
            noiseBelowStops: cameraBody.noiseBelowStops,
          },
    second: secondBody(setup, kit, now),
    video: videoSolution(setup, kit, now),
    dials: dialMatrix(setup, kit, now),
    why: whyChains(now),
    lights: now.lights,
    powersExact: now.powersExact,
    ratios: now.ratios,
    together: now.together,
    disagreements: disagreements(setup, kit, scene.standing, now.usable),
    colour: colourSolution(setup, kit, now.usable, now.lights, now.points),
    staying: stayingPower(setup, now.lights),
    cheaper: cheaperSettings(setup, kit, scene, now),
    group,
    lamps: solveLamps(setup, kit, now.points),
    panels: solvePanels(setup, kit, scene, now.points),
    stage: solveStage(setup, kit, scene, now, group),
    meteringOrder: meteringOrder(now).map(({ lightId }) => lightId),
    points: now.points,
    contrast: now.contrast,
    dome: now.dome,
    questions: now.questions,
    meterAgain: now.meterAgain,
    waysOut: ways,
    notHelping,
    nextAction: nextAction(now, ways),
    warnings: now.warnings,
    cautions: cautionsFor(now, setup, kit),
  };
}
