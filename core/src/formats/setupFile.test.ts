import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

import { solveSaid } from '../../test/said';
import { english } from '../english';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import {
  factsOfFile,
  imagesOfFile,
  kitInUse,
  readSetupFile,
  type SetupFile,
  setupFileJsonSchema,
  withNewIds,
  writeSetupFile,
} from './setupFile';

const file: SetupFile = {
  format: 'sphene-setup',
  version: 13,
  exportedAt: '2026-02-27T15:00:00.000Z',
  ...SAMPLE_HALL,
  kit: kitInUse(SAMPLE_HALL.setup, SAMPLE_KIT),
  sceneChanges: [],
  frames: [],
  changes: [
    {
      type: 'change',
      version: 8,
      by: null,
      id: sampleId(801),
      setupId: SAMPLE_HALL.setup.id,
      at: '2026-02-27T14:00:00Z',
      settings: [{ path: 'look.holdBackStops', from: 0.5, to: 1 }],
      undoes: [],
    },
  ],
};
const solutionOf = ({ setup, kit, readings, sceneChanges, exportedAt }: SetupFile) =>
  solveSaid(setup, kit, [...readings, ...sceneChanges], new Date(exportedAt));
/** A solution without the ids of readings, which a copy has of its own. */
const nameless = (solution: ReturnType<typeof solveSaid>) => ({
  ...solution,
  points: solution.points.map((point) => ({ ...point, readingId: null })),
});

describe('setup file', () => {
  it('holds all that the solution depends on, and no more of the kit', () => {
    const read = readSetupFile(writeSetupFile(file));
    expect(read).toEqual({ ok: true, value: file });
    expect(solutionOf(file)).toEqual(
      solveSaid(SAMPLE_HALL.setup, SAMPLE_KIT, SAMPLE_HALL.readings, new Date(file.exportedAt)),
    );
    expect(file.kit.cameras).toHaveLength(1);
    expect(file.kit.flashUnits).toHaveLength(1);
  });

  it('comes under new ids with the same solution, and its references hold', () => {
    let number = 9000;
    const copy = withNewIds(file, () => sampleId((number += 1)));
    expect(readSetupFile(writeSetupFile(copy)).ok).toBe(true);
    expect(copy.setup.id).not.toBe(file.setup.id);
    expect(nameless(solutionOf(copy))).toEqual(nameless(solutionOf(file)));
  });

  it.each<[string, unknown, RegExp]>([
    ['no JSON', 'abc', /not JSON/],
    ['another file', { a: 1 }, /format/],
    ['a later version', { ...file, version: 14 }, /version/],
    ['brackets without end', '['.repeat(200_000), /too deep/],
    ['too many letters', 'x'.repeat(20_000_001), /too large/],
    ['a reading that is not a number', { ...file, readings: [{ ...file.readings[0], av: null }] }, /readings\[0\]\.av/],
    [
      'a reading of another setup',
      { ...file, readings: [{ ...file.readings[0], setupId: sampleId(77) }] },
      /belongs to another setup/,
    ],
    ['a spot of another shoot', { ...file, spot: { ...file.spot, shootId: sampleId(77) } }, /shootId/],
    ['an unknown field', { ...file, colour: 'red' }, /colour/],
  ])('says what is wrong with %s', (_name, content, message) => {
    const read = readSetupFile(typeof content === 'string' ? content : JSON.stringify(content));
    expect(!read.ok && english.setupFileFault(read.reason)).toMatch(message);
  });

  it('of five thousand faults says the first twenty and how many there are', () => {
    const readings = Array.from({ length: 5000 }, () => ({ ...file.readings[0], av: 'wide' }));
    const read = readSetupFile(JSON.stringify({ ...file, readings }));
    const said = read.ok ? '' : english.setupFileFault(read.reason);
    expect(said.split('\n')).toHaveLength(22);
    expect(said).toMatch(/And 4980 more; 5000 in all\.$/);
  });

  it('brings the picture of a frame along, of this version and of one that kept it within', () => {
    const image = 'data:image/jpeg;base64,AQID';
    const bins = new Array<number>(64).fill(0);
    const frame = {
      type: 'frame' as const,
      id: sampleId(802),
      setupId: SAMPLE_HALL.setup.id,
      at: '2026-02-27T14:20:00+01:00',
      name: 'Frame',
      takenAt: null,
      av: 3,
      tv: 7,
      sv: 2,
      settingsFrom: 'exif' as const,
      byItself: { exposure: null, compensationStops: null, whiteBalance: null, flashFired: null },
      widthPx: 60,
      heightPx: 40,
      image,
      histogram: { red: bins, green: bins, blue: bins },
      clipped: { highlights: [0, 0, 0] as [number, number, number], shadows: [0, 0, 0] as [number, number, number] },
      struckAt: null,
    };
    const changes = file.changes.map(({ by: _by, ...change }) => ({ ...change, version: 1 }));
    for (const whole of [
      { ...file, frames: [{ ...frame, version: 3 }] },
      { ...file, version: 4, frames: [{ ...frame, version: 1 }], changes },
    ]) {
      const read = readSetupFile(JSON.stringify(whole));
      if (!read.ok) throw new Error(english.setupFileFault(read.reason));
      expect([...imagesOfFile(read.value)]).toEqual([[frame.id, image]]);
      expect(factsOfFile(read.value).find(({ id }) => id === frame.id)).not.toHaveProperty('image');
    }
  });

  it('never throws on a damaged file', () => {
    const text = writeSetupFile(file);
    fc.assert(
      fc.property(fc.nat(text.length - 1), fc.string({ maxLength: 4 }), (at, junk) => {
        const read = readSetupFile(text.slice(0, at) + junk + text.slice(at + junk.length));
        if (read.ok) expect(solutionOf(read.value).nextAction.text).toBeTruthy();
        else expect(english.setupFileFault(read.reason).length).toBeGreaterThan(20);
      }),
      { numRuns: 200 },
    );
  });

  it('has its JSON Schema in the documentation, up to date', () => {
    const kept: unknown = JSON.parse(readFileSync(join(__dirname, '../../../docs/setup-file.schema.json'), 'utf8'));
    expect(kept).toEqual(JSON.parse(JSON.stringify(setupFileJsonSchema())));
  });
});
