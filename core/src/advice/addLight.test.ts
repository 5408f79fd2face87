import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { anyScene, build, CLOCK, KIT } from '../../test/randomScene';
import { offered } from '../gear';
import { sampleId } from '../sample';
import { type Light, LIGHT_ROLES, type LightRole, type Reading, type Setup, withSettings } from '../setup';
import { solveNumbers } from '../solution';
import { lightToAdd } from './addLight';

const LIGHT = sampleId(990);
/** No smaller example is looked for: each takes long. */
const RUNS = { numRuns: process.env['CORPUS'] === 'all' ? 2000 : 25, endOnFailure: true };

const added = (setup: Setup, facts: readonly Reading[], role: LightRole): Setup => {
  const ids = { lightId: LIGHT, pointId: 'made', pointName: 'Made' };
  const settings = lightToAdd(setup, KIT, facts, CLOCK, role, ids);
  const changed = settings === null ? null : withSettings(setup, settings);
  if (changed?.ok !== true) throw new Error('nothing was suggested');
  return changed.value;
};
/** What stands against the light that was added: cautions of the stage, and a power that is out of reach. */
function against(setup: Setup, facts: readonly Reading[]): string[] {
  const { stage, lights, camera } = solveNumbers(setup, KIT, facts, CLOCK).numbers;
  const its = lights.find(({ lightId }) => lightId === LIGHT);
  const watches = stage.watches.filter(({ lightId }) => lightId === LIGHT).map(({ kind }) => kind as string);
  const reaches = camera === null || its === undefined || (its.powerText !== null && its.outOfRange === null);
  return reaches ? watches : [...watches, 'out of reach'];
}

/** Every unit of the kit on a grid of places round the subject: whether any of them has nothing against it. */
function anyPlace(setup: Setup, facts: readonly Reading[]): Light | null {
  const index = setup.lights.findIndex(({ id }) => id === LIGHT);
  const light = setup.lights[index];
  if (light === undefined) return null;
  for (const { id: unitId } of offered(KIT.flashUnits)) {
    if (setup.lights.some((one) => one.id !== LIGHT && one.unitId === unitId)) continue;
    for (const distanceM of [0.9, 1.6, 3])
      for (const sideDeg of [-150, -100, -45, 0, 45, 100, 150])
        for (const riseDeg of [5, 30]) {
          const heightM = distanceM * Math.sin((riseDeg * Math.PI) / 180);
          const there = { ...light, unitId, distanceM, sideDeg, heightM };
          const tried = { ...setup, lights: setup.lights.map((one, place) => (place === index ? there : one)) };
          if (against(tried, facts).length === 0) return there;
        }
  }
  return null;
}

describe('a light that is suggested', () => {
  it('raises no caution and is in reach wherever any place of any unit does so', () => {
    fc.assert(
      fc.property(anyScene, fc.constantFrom(...LIGHT_ROLES), fc.boolean(), (scene, role, first) => {
        const [start, facts] = build(scene);
        const setup: Setup = first ? { ...start, lights: [] } : start;
        const suggested = added(setup, facts, role);
        const left = against(suggested, facts);
        // looking everywhere takes long: only where something is left
        if (left.length > 0) expect([left, anyPlace(suggested, facts)]).toEqual([left, null]);
      }),
      RUNS,
    );
  }, 600_000);
});
