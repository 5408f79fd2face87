import { readFileSync } from 'node:fs';
import { join } from 'node:path';

import { migrateDocument } from '../../src/documents';
import { EMPTY_KIT, type Kit, POWER_NOT_SAID, USUAL_BOUNDS } from '../../src/gear';
import type { Fact } from '../../src/metering';
import type { Setup } from '../../src/setup';
import type { SolutionCase } from './corpus';

interface Kept {
  kits: Partial<Kit>[];
  cases: { name: string; kit: number; clock: string; setup: unknown; facts: unknown[] }[];
}

const { kits, cases } = JSON.parse(readFileSync(join(__dirname, 'fromTests.json'), 'utf8')) as Kept;

/** The kit of that day, without what nobody said of gear then; its lamps were dimmed to anything. */
function kitOf(index: number): Kit {
  const kept = { ...EMPTY_KIT, ...kits[index] };
  return {
    ...kept,
    flashUnits: kept.flashUnits.map((unit) => ({ ...unit, coldShare: null, hotAfterPops: null, charge: null })),
    lamps: kept.lamps.map((lamp) => ({ ...lamp, ...POWER_NOT_SAID, dimmer: { leastPercent: 1, stepPercent: 1 } })),
    stands: kept.stands.map((stand) => ({ ...stand, boomM: null, wheels: false })),
    preferences: { ...kept.preferences, bounds: USUAL_BOUNDS },
  };
}

/** What the tests of the core solved on the day the corpus was made: up to three documents a test, brought up to date. */
export const SCENES_FROM_TESTS: SolutionCase[] = cases.map(({ name, kit, clock, setup, facts }) => ({
  name,
  kit: kitOf(kit),
  clock: new Date(clock),
  setup: migrateDocument(setup) as Setup,
  facts: facts.map((fact) => migrateDocument(fact) as Fact),
}));
