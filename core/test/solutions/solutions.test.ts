import { beforeAll, describe, expect, it } from '@jest/globals';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

import { answersOf, answersToTyped, canonical, fingerprint } from './answers';
import { casesAfterBaseline, solutionCorpus } from './corpus';
import { ALL_KINDS } from './kinds';

/** Written once, with `WRITE_BASELINE=1 npm run unit -- solutions`; written anew only when figures change on purpose. */
const BASELINE = join(__dirname, 'baseline.json');
const wholeFile = (name: string): string => join(__dirname, 'whole', `${name}.json`);
const WHOLE_EVERY = 42;
/** Every run looks at a sixteenth of the cases; `npm run corpus` at all of them, and whoever writes the baseline. */
const ALL = process.env['CORPUS'] === 'all' || process.env['WRITE_BASELINE'] === '1';
const EVERY = ALL ? 1 : 16;
const isLookedAt = (index: number): boolean => index % EVERY === 0 || index % WHOLE_EVERY === 0;

/** Cases whose answer was mended on purpose since the baseline, and why. */
const MENDED: Record<string, string> = {};

const corpus = solutionCorpus();
const prints: Record<string, string> = {};
const whole: Record<string, string> = {};
const reached = new Set<string>();

beforeAll(() => {
  corpus.forEach(({ name }, index) => {
    if (!isLookedAt(index)) return;
    if (prints[name] !== undefined) throw new Error(`two cases are called ${name}`);
    const answers = answersOf(corpus, index, reached);
    prints[name] = fingerprint(answers);
    if (index % WHOLE_EVERY === 0) whole[String(index)] = `${canonical(answers, 1)}\n`;
  });
  // these are there for the kinds that they reach, which only the whole corpus is asked for
  const later = ALL ? casesAfterBaseline() : [];
  later.forEach((_, index) => answersOf(later, index, reached));
  const typed = answersToTyped();
  prints['typed'] = fingerprint(typed);
  whole['typed'] = `${canonical(typed, 1)}\n`;
  if (process.env['WRITE_BASELINE'] !== '1') return;
  mkdirSync(join(__dirname, 'whole'), { recursive: true });
  for (const [name, text] of Object.entries(whole)) writeFileSync(wholeFile(name), text);
  writeFileSync(BASELINE, `${JSON.stringify(prints, null, 1)}\n`);
}, 600_000);

describe('the solutions of the corpus', () => {
  it('some are kept whole, to see what differs', () => {
    for (const [name, text] of Object.entries(whole))
      expect([name, text]).toEqual([name, readFileSync(wholeFile(name), 'utf8')]);
  });

  (ALL ? it : it.skip)(
    'reach every kind of warning, question, action, caution, move, way out, cure and placement',
    () => {
      expect(ALL_KINDS.filter((kind) => !reached.has(kind))).toEqual([]);
      expect([...reached].filter((kind) => !ALL_KINDS.includes(kind))).toEqual([]);
    },
  );

  it('all are equal to the last bit and letter to those that were written down', () => {
    const kept = JSON.parse(readFileSync(BASELINE, 'utf8')) as Record<string, string>;
    expect(corpus.length).toBeGreaterThanOrEqual(500);
    const lookedAt = [...corpus.filter((_, index) => isLookedAt(index)).map(({ name }) => name), 'typed'];
    expect(Object.keys(kept).sort()).toEqual([...corpus.map(({ name }) => name), 'typed'].sort());
    expect(Object.keys(prints).sort()).toEqual([...lookedAt].sort());
    expect(lookedAt.filter((name) => kept[name] !== prints[name] && MENDED[name] === undefined)).toEqual([]);
  });
});
