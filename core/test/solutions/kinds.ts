import { SYMPTOMS } from '../../src/advice';
import { ACTION_KINDS } from '../../src/advice/action';
import { CAUTION_KINDS } from '../../src/advice/cautions';
import { CURE_KINDS, type Diagnosis } from '../../src/advice/symptom';
import { WAY_KINDS } from '../../src/advice/wayOut';
import { WARNING_KINDS } from '../../src/balance/warning';
import type { Doubt } from '../../src/metering/questions';
import type { Solution } from '../../src/solution';
import { STAGE_MOVE_KINDS } from '../../src/stage/cures';
import { STAGE_WATCH_KINDS } from '../../src/stage/watches';
import { PLACEMENT_IDS } from '../../src/stage/placements';

/** What a reading can be questioned for; the compiler says when a kind is missing. */
const DOUBTS: Record<Doubt['kind'], true> = {
  'shadow-above-face': true,
  'sun-in-shade': true,
  'flash-mode': true,
  'from-future': true,
  surprise: true,
};

/** Everything of which the core can tell one kind from another, as `what kind`. */
export const ALL_KINDS: readonly string[] = [
  ...WARNING_KINDS.map((kind) => `warning ${kind}`),
  ...Object.keys(DOUBTS).map((kind) => `question ${kind}`),
  ...ACTION_KINDS.map((kind) => `action ${kind}`),
  ...CAUTION_KINDS.map((kind) => `caution ${kind}`),
  ...STAGE_WATCH_KINDS.map((kind) => `stage ${kind}`),
  ...STAGE_MOVE_KINDS.map((kind) => `move ${kind}`),
  ...WAY_KINDS.map((kind) => `way ${kind}`),
  ...CURE_KINDS.map((kind) => `cure ${kind}`),
  ...SYMPTOMS.map((kind) => `symptom ${kind}`),
  ...PLACEMENT_IDS.map((kind) => `placement ${kind}`),
];

/** The kinds that one answer has. */
export const kindsOf = (
  { warnings, questions, nextAction, laterAction, cautions, stage, stageCures, waysOut, notHelping }: Solution,
  diagnoses: readonly Diagnosis[],
  placementIds: readonly string[],
): string[] => [
  ...warnings.map(({ kind }) => `warning ${kind}`),
  ...questions.map(({ kind }) => `question ${kind}`),
  `action ${nextAction.kind}`,
  ...(laterAction === null ? [] : [`action ${laterAction.kind}`]),
  ...cautions.map(({ kind }) => `caution ${kind}`),
  ...stage.watches.map(({ kind }) => `stage ${kind}`),
  ...stageCures.flatMap(({ moves }) => moves.map(({ kind }) => `move ${kind}`)),
  ...[...waysOut, ...notHelping].map(({ way }) => `way ${way.kind}`),
  ...diagnoses.flatMap(({ symptom, cures }) => [`symptom ${symptom}`, ...cures.map(({ kind }) => `cure ${kind}`)]),
  ...placementIds.map((id) => `placement ${id}`),
];
