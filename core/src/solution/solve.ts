import { cautionsFor, cheaperSettings, meteringOrder, nextAction, waysOut } from '../advice';
import {
  type Balance,
  balance,
  colourSolution,
  contrastPairs,
  secondBody,
  solveLamps,
  videoSolution,
} from '../balance';
import { NOTHING_AROUND, type Surroundings } from '../documents';
import { dialMatrix, whyChains } from '../explain';
import { clipsAboveAt } from '../exposure';
import type { Kit } from '../gear';
import { groupCures, groupLight, stayingPower } from '../lights';
import { type Fact, type MeteredScene, meterScene } from '../metering';
import { solvePanels } from '../panels';
import type { Setup } from '../setup';
import { solveStage, stageCures } from '../stage';
import { type Solution, type SolutionAdvice, type SolutionNumbers, toldOf } from './solution';

/** The first breath of an answer, with what the second one starts from. */
export interface SolvedNumbers {
  numbers: SolutionNumbers;
  /** the advice on them; worked out when it is called */
  advise: () => SolutionAdvice;
}

/**
 * The numbers of a setup alone: a small part of the work, for what follows a thumb. Advice is worked out from them when
 * hands rest.
 * @param facts all readings of the setup and what changed in its scene; those of other setups and struck-out ones are left aside
 * @param clock the moment that reading ages are counted from
 * @param around the spot and its weather, for cautions, batteries and wind
 */
export function solveNumbers(
  setup: Setup,
  kit: Kit,
  facts: readonly Fact[],
  clock: Date,
  around: Surroundings = NOTHING_AROUND,
): SolvedNumbers {
  const scene = meterScene(setup, kit, facts, clock);
  const now = balance(setup, kit, scene);
  const numbers = numbersOf({ setup, kit, scene, now, around });
  return { numbers, advise: () => solveAdvice({ setup, kit, scene, now, around }, numbers) };
}

/**
 * The only way from documents to an answer: camera settings, powers in each unit's scale, where every tone lands, the
 * next thing to do, the ways out when the wish cannot be met, warnings and cautions. Figures, ids and typed reasons;
 * `words` makes sentences of them.
 * Pure: the same documents and clock give the same solution.
 */
export function solve(
  setup: Setup,
  kit: Kit,
  facts: readonly Fact[],
  clock: Date,
  around: Surroundings = NOTHING_AROUND,
): Solution {
  const { numbers, advise } = solveNumbers(setup, kit, facts, clock, around);
  return { ...numbers, ...advise() };
}

/** What both breaths start from. */
interface Solved {
  setup: Setup;
  kit: Kit;
  scene: MeteredScene;
  now: Balance;
  around: Surroundings;
}

function numbersOf({ setup, kit, scene, now, around }: Solved): SolutionNumbers {
  const { camera, cameraBody, lights, points } = now;
  const group = groupLight(setup, kit, now.usable);
  const temperatureC = around.weather?.temperatureC ?? null;
  const lamps = solveLamps(setup, kit, scene, now, temperatureC);
  const latitude =
    cameraBody === null
      ? null
      : {
          clipsAboveStops: clipsAboveAt(cameraBody, camera?.sv ?? cameraBody.baseSv),
          noiseBelowStops: cameraBody.noiseBelowStops,
        };
  return {
    ...toldOf(now),
    latitude,
    pairs: latitude === null ? [] : contrastPairs(setup, now.contrast, latitude),
    second: secondBody(setup, kit, now),
    video: videoSolution(setup, kit, now),
    colour: colourSolution(setup, kit, now.usable, lights, points, lamps),
    staying: stayingPower(setup, now.usable, lights, temperatureC),
    group,
    lamps,
    panels: solvePanels(setup, kit, scene, points),
    stage: solveStage(setup, kit, scene, now, group),
    meteringOrder: meteringOrder(now).map(({ lightId }) => lightId),
    cautions: cautionsFor(now, setup, kit, around),
  };
}

function solveAdvice(
  { setup, kit, scene, now, around }: Solved,
  { stage, group, lamps }: SolutionNumbers,
): SolutionAdvice {
  const evening = groupCures(setup, kit, now.usable, group);
  const ways = waysOut(setup, kit, scene, now);
  const next = nextAction(now, ways.waysOut, setup, lamps, scene.standing);
  return {
    dials: dialMatrix(setup, kit, now),
    why: whyChains(now),
    stageCures: stageCures(setup, kit, now.usable, stage, evening),
    groupCures: evening,
    cheaper: cheaperSettings(setup, kit, scene, now, around.weather?.temperatureC ?? null),
    ...ways,
    nextAction: next.now,
    laterAction: next.later,
  };
}
