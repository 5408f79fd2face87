import { createHash } from 'node:crypto';

import { diagnose, lightToAdd, SYMPTOMS } from '../../src/advice';
import { sunStand } from '../../src/gain';
import { settingChanges } from '../../src/documents';
import { english } from '../../src/english';
import { equalLooks, ripple } from '../../src/explain';
import { LOOK_WAY_IDS } from '../../src/gear';
import {
  answerStops,
  parseAperture,
  parseIso,
  parseShutter,
  READ_VALUES,
  readMeterText,
  type ReadValue,
  type TypedFault,
} from '../../src/notation';
import type { Outcome } from '../../src/photometry';
import { sampleId } from '../../src/sample';
import {
  LIGHT_ROLE_FACTS,
  LIGHT_ROLES,
  type LightRole,
  type Setting,
  SETTING_PATHS,
  settingAt,
  withSettings,
} from '../../src/setup';
import { solve } from '../../src/solution';
import { placementsFor } from '../../src/stage';
import {
  said,
  saidDiagnosis,
  saidEqualLook,
  saidOutcome,
  saidPlacement,
  saidReadText,
  saidRipple,
  saidStops,
} from '../said';
import type { SolutionCase } from './corpus';
import { kindsOf } from './kinds';

/** JSON with the keys of every object in order: what does not hang on the order in which fields are written. */
export function canonical(value: unknown, indent?: number): string {
  const ordered = (_key: string, one: unknown): unknown =>
    typeof one === 'object' && one !== null && !Array.isArray(one)
      ? Object.fromEntries(Object.entries(one).sort(([a], [b]) => (a < b ? -1 : 1)))
      : one;
  return JSON.stringify(value, ordered, indent);
}

export const fingerprint = (value: unknown): string =>
  createHash('sha256').update(canonical(value)).digest('hex').slice(0, 24);

/** Changes whose ripple is foretold in every case. */
const RIPPLES: Setting[][] = [
  [{ path: 'look.holdBackStops', value: 2.2 }],
  [{ path: 'camera.wantedAv', value: 5 }],
  [{ path: 'look.exposeBy', value: 'background' }],
  [{ path: 'lights.0.distanceM', value: 2.9 }],
  [{ path: 'lights', value: [] }],
  [{ path: 'camera.filterIds', value: [sampleId(131)] }],
  [{ path: 'camera.cameraId', value: sampleId(102) }],
  [
    { path: 'lights.0.modifierId', value: null },
    { path: 'look.faceStops', value: 0.7 },
  ],
];

/**
 * All that the core says of a case: the solution, and what is asked beside it. Fields are changed to what the
 * next case has, for the log.
 * @param reached gets every kind that the answers have
 */
export function answersOf(corpus: readonly SolutionCase[], index: number, reached: Set<string>) {
  const { setup, kit, facts, clock, around } = corpus[index] as SolutionCase;
  const other = corpus[(index + 1) % corpus.length] as SolutionCase;
  // what costs much is asked of every case in turn: one role, one light, two ripples
  const role = LIGHT_ROLES[index % LIGHT_ROLES.length] as LightRole;
  const light = setup.lights.length === 0 ? 0 : index % setup.lights.length;
  const ids = {
    lightId: sampleId(990),
    pointId: 'made',
    pointName: english.pointRole(LIGHT_ROLE_FACTS[role].aims).name,
  };
  const settings = SETTING_PATHS.flatMap((path): Setting[] => {
    const value = settingAt(other.setup, path);
    return value === undefined ? [] : [{ path, value }];
  });
  const context = { setup, kit };
  const ripples = RIPPLES.filter((_, place) => (index + place) % 4 === 0);
  const solution = solve(setup, kit, facts, clock, around);
  const diagnoses = SYMPTOMS.map((symptom, place) =>
    diagnose(symptom, setup, kit, facts, clock, (index + place) % 3 === 0 ? 0.7 : null),
  );
  const placements = setup.lights.map((_, place) => placementsFor(setup, place, solution.stage.openSide?.side ?? null));
  const placementIds = placements.flat().map(({ id }) => id);
  for (const kind of kindsOf(solution, diagnoses, placementIds)) reached.add(kind);
  return {
    solution: said(solution, english, context),
    diagnoses: diagnoses.map((one) => saidDiagnosis(one, english, context)),
    ripples: ripples.map((change) => {
      const changed = withSettings(setup, change);
      const after = changed.ok ? changed.value : setup;
      // lights are named as they are then, points as they are now
      const then = { kit, setup: { ...after, points: setup.points } };
      return saidRipple(ripple(setup, kit, facts, clock, change), english, then);
    }),
    equalLooks: equalLooks(setup, kit, facts, clock, light).map((look) => saidEqualLook(look, english, context)),
    placements: placements.map((all) => all.map((placement) => saidPlacement(placement, english, context))),
    lightToAdd: index % 4 === 0 ? lightToAdd(setup, kit, facts, clock, role, ids) : null,
    changes: settingChanges(setup, settings).map((change) =>
      english.change({ settings: [change] }, context, (sun) => sunStand({ sun })),
    ),
    methods: facts.flatMap((fact) => (fact.type === 'reading' ? [english.method(fact.method)] : [])),
  };
}

const TYPED = [
  '',
  ' ',
  '5.6',
  '5.6 4',
  'f/5.6⅔',
  '56',
  '564',
  '8.5',
  '8 and a half',
  'f/0.1',
  'f/300',
  'abc',
  '1/125',
  '125',
  '0.5"',
  '2s',
  '1.25',
  '1.250',
  '1/0',
  '99999',
  'EV 12.3',
  '12.3 EV',
  'EV -2',
  'EV 99',
  '2500 lx',
  '2.5 klx',
  '0 lx',
  '400',
  'ISO 400',
  '12,800',
  'iso 9999999',
  '3k',
  'five six and a half',
  'two eight',
  '11 3',
  '13',
  '1.3',
  '37 %',
  '0.37',
  '0 %',
  '140 %',
  '1.6',
  '-0.8',
  '0.8 over',
  '0.8 under',
  '⅔',
  '1⅓',
  'match',
  'even',
  '1 over',
  '9',
  '+1',
  '−',
  'f/5 to f/7.1',
  '1/60 to 1/200',
  'ISO 100 to 640',
  '35 to 90 Ws',
  '2 to 3 m',
  '6 to 9 ft',
  '3:1',
  'f/4 + 1⅓',
  'f/4 - 1',
  '1/16 power to 1/64',
  'full to 1/4 power',
  '1/125 + 1',
  'ISO 200 minus 2',
  '2 m + 2',
  '1⅓ stops',
  '-2',
  '0:1',
  '1e9:1',
  'f/4 to f/4',
  '5.6 to 8',
  'lorem ipsum',
];

/** What is said of texts that people type. */
export function answersToTyped() {
  const held = { av: 5, tv: 7, sv: 0 };
  const typed = (outcome: Outcome<number, TypedFault>) => saidOutcome(outcome, english.typedFault);
  return TYPED.map((text) => {
    const stops = answerStops(text);
    const read = (value: ReadValue, expectedEv100: number | null) => {
      const outcome = readMeterText(text, { read: value, held, increment: 'tenth', expectedEv100 });
      return outcome.ok
        ? { ok: true, value: saidReadText(outcome.value, english) }
        : saidOutcome(outcome, english.readingFault);
    };
    return {
      text,
      aperture: (['third', 'half'] as const).map((increment) => typed(parseAperture(text, increment))),
      shutter: typed(parseShutter(text)),
      iso: typed(parseIso(text)),
      stops: stops.ok ? { ok: true, value: saidStops(stops.value, english) } : saidOutcome(stops, english.stopFault),
      looks: LOOK_WAY_IDS.map((way) => saidOutcome(english.readLook(way, text), english.lookFault)),
      readings: READ_VALUES.flatMap((value) => [null, 9].map((expectedEv100) => read(value, expectedEv100))),
      paces: Number.isFinite(Number(text)) ? english.paces(Math.abs(Number(text))) : null,
    };
  });
}
