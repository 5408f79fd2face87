import { describe, expect, it, jest } from '@jest/globals';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';

import { migrateDocument, MIGRATED_TYPES } from '../../src/documents';
import type { IsRaw, Raw, Step } from '../../src/documents/migrations/step';
import STEPS from './steps.json';

const FOLDER = join(__dirname, '../../src/documents/migrations');
const isRaw: IsRaw = (value): value is Raw => typeof value === 'object' && value !== null && !Array.isArray(value);

/** A frozen step by its type and version, such as `setup 1`, which stands in `setup1.ts`. */
function stepOf(name: string): Step {
  const file = name.replace(' ', '');
  const { [file]: step } = jest.requireActual<Record<string, Step>>(join(FOLDER, file));
  if (step === undefined) throw new Error(`${file}.ts has no step of its name`);
  return step;
}

describe('frozen migrations', () => {
  it.each(STEPS.map(({ step, old, next }) => [`${step}, ${JSON.stringify(old).length} letters`, step, old, next]))(
    '%s: the old document becomes exactly what it became when it was new',
    (_title, name, old, next) => {
      const step = stepOf(name as string);
      expect(step(old as Raw, isRaw)).toStrictEqual(next);
    },
  );

  it('every step has an old document here, and is gone through on the way to the present', () => {
    const files = readdirSync(FOLDER).map((name) => name.replace(/\.ts$/, ''));
    const steps = new Set(STEPS.map(({ step }) => step.replace(' ', '')));
    expect([...steps].sort()).toEqual(files.filter((name) => name !== 'step').sort());
    for (const { old, next } of STEPS) expect(migrateDocument(old)).toStrictEqual(migrateDocument(next));
    expect(new Set(STEPS.map(({ old }) => old.type))).toEqual(new Set(MIGRATED_TYPES));
  });

  it('an old document of no use is left to the schema and never a crash', () => {
    for (const { old } of STEPS)
      for (const junk of [null, 'x', 7, [], [null], {}])
        for (const key of ['look', 'camera', 'points', 'lights', 'versions', 'fired', 'meter', 'output', 'shape'])
          expect(() => migrateDocument({ ...old, [key]: junk })).not.toThrow();
  });
});
