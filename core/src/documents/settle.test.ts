import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { DEFAULT_PREFERENCES } from '../gear';
import { SAMPLE_HALL, sampleId } from '../sample';
import { newPoint, type Setup } from '../setup';
import { askedSetting } from './askedSetting';
import { type Document, documentSchema } from './document';
import type { Conflict } from './edit';
import { judge } from './judge';
import { mended } from './mend';
import { type Collision, differences, type FieldPath, mergeByField, sameValue, valueAt, withValueAt } from './merge';
import { settle } from './settle';

const { setup, spot, shoot } = SAMPLE_HALL;
const [reading] = SAMPLE_HALL.readings;
if (reading === undefined) throw new Error('the sample has no reading');
const look = (holdBackStops: number, from: Setup = setup): Setup => ({
  ...from,
  look: { ...from.look, holdBackStops },
});
const value = fc.jsonValue({ maxDepth: 4 });
const things = fc.uniqueArray(fc.record({ id: fc.constantFrom('a', 'b', 'c'), x: fc.nat(3), y: fc.nat(3) }), {
  selector: ({ id }) => id,
});

describe('merging by field', () => {
  it('tells of every field that both changed, and lets one of both values stand there', () => {
    const state = fc.record({ list: things, n: fc.nat(2) });
    fc.assert(
      fc.property(state, state, things, (mine, theirs, list) => {
        const base = { list, n: 0 };
        const told: Collision[] = [];
        const merged = mergeByField(base, mine, theirs, { onCollision: (one) => told.push(one) });
        for (const { path, ...both } of told)
          expect([both.mine, both.theirs].some((one) => sameValue(one, valueAt(merged, path)))).toBe(true);
        const isTold = (path: FieldPath) =>
          told.some((one) => one.path.join().startsWith(path.join()) || path.join().startsWith(one.path.join()));
        // whatever either side changed stands, or is told
        for (const { path, to } of [mine, theirs].flatMap((side) => differences(base, side)))
          if (!isTold(path)) expect([path, valueAt(merged, path)]).toEqual([path, to]);
      }),
      { numRuns: 1000 },
    );
  });

  it('with nothing known of what both started from, keeps what either has', () => {
    expect(mergeByField(undefined, [{ id: 'a', x: 1 }], [{ id: 'b', x: 2 }])).toEqual([
      { id: 'a', x: 1 },
      { id: 'b', x: 2 },
    ]);
  });

  it('a thing that one side changed outlives its removal by the other, and that is told', () => {
    const told: unknown[] = [];
    const base = [{ id: 'a', x: 1 }];
    const merged = mergeByField(base, [], [{ id: 'a', x: 2 }], { onCollision: (one) => told.push(one) });
    expect(merged).toEqual([{ id: 'a', x: 2 }]);
    expect(told).toEqual([{ path: ['a'], base: base[0], mine: undefined, theirs: { id: 'a', x: 2 } }]);
  });

  it('differences, laid one by one on the one state, give the other', () => {
    fc.assert(
      fc.property(value, value, (before, after) => {
        let now: unknown = { value: before };
        for (const { path, to } of differences({ value: before }, { value: after })) now = withValueAt(now, path, to);
        expect(sameValue(withoutUndefined(now), { value: after })).toBe(true);
      }),
    );
  });
});

/** As it would be written: what is undefined is not there. */
const withoutUndefined = (now: unknown): unknown => JSON.parse(JSON.stringify(now));

describe('two states of a document as one', () => {
  it('always hold to the schema, and nothing is asked where each changed something else', () => {
    const mine = look(2);
    const theirs = { ...setup, title: 'Theirs' };
    expect(settle(setup, mine, theirs)).toEqual({ document: { ...mine, title: 'Theirs' }, collisions: [] });
  });

  it('lists that would be too long together are asked about as one', () => {
    const many = (from: number): Setup => ({
      ...setup,
      points: [
        ...setup.points,
        ...Array.from({ length: 20 - setup.points.length }, (_, index) => newPoint(`p${from + index}`, 'own', 'Point')),
      ],
    });
    const [mine, theirs] = [many(0), many(100)];
    expect(documentSchema.safeParse(mine).success).toBe(true);
    const { document, collisions } = settle(setup, mine, theirs);
    expect(document).toEqual(mine);
    expect(collisions.map(({ path }) => path)).toEqual([['points']]);
  });

  it('preferences that two devices made for themselves are merged from the usual ones', () => {
    const fresh = { type: 'preferences', version: 5, id: sampleId(1), ...DEFAULT_PREFERENCES } as const;
    const { document, collisions } = settle(null, { ...fresh, paces: true }, { ...fresh, mainsHz: 60 });
    expect([document, collisions]).toEqual([{ ...fresh, paces: true, mainsHz: 60 }, []]);
  });

  it('of facts and answers nothing is asked', () => {
    const struck = (at: string): Document => ({ ...reading, struckAt: at });
    const [one, two] = [struck('2026-02-27T15:00:00Z'), struck('2026-02-27T15:01:00Z')];
    expect(settle(reading, one, two)).toEqual({ document: one, collisions: [] });
  });
});

describe('a question about a setting', () => {
  const conflict = (path: Conflict['path'], claim: Conflict['claims'][number]['value']): Conflict => ({
    type: 'conflict',
    version: 1,
    id: sampleId(1),
    documentId: setup.id,
    shootId: shoot.id,
    path,
    base: null,
    claims: [
      { value: claim, by: null, at: null },
      { value: null, by: null, at: null },
    ],
    at: '2026-02-27T15:00:00Z',
    answer: null,
  });

  it('is about the setting that holds the field', () => {
    const lightId = setup.lights[0]?.id ?? '';
    expect(askedSetting(setup, conflict(['lights', lightId, 'distanceM'], 3), 0)).toEqual({
      path: 'lights.0.distanceM',
      value: 3,
    });
    expect(askedSetting(setup, conflict(['points', 'face', 'name'], 'Bride'), 0)).toMatchObject({
      path: 'points',
      value: expect.arrayContaining([expect.objectContaining({ id: 'face', name: 'Bride' })]),
    });
    // the thing was taken away
    expect(askedSetting(setup, conflict(['lights', lightId], null), 0)).toEqual({ path: 'lights', value: [] });
    expect(askedSetting(setup, conflict([], null), 0)).toBeNull();
  });
});

describe('what cannot be kept', () => {
  it.each([
    ['a zero', 'A\u0000B', 'AB'],
    ['half a character', 'face \ud83d', 'face'],
    ['too many letters', 'x'.repeat(200), 'x'.repeat(120)],
  ])('%s in a title is refused, and mended by leaving it out', (_name, title, better) => {
    const wrong = { ...spot, title };
    expect(documentSchema.safeParse(wrong).success).toBe(false);
    expect(mended(wrong)).toEqual({ ...spot, title: better });
  });

  it('whole characters of any plane are kept', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', minLength: 1, maxLength: 50 }), (title) => {
        const fits = title.trim() !== '' && !title.includes('\u0000');
        expect(documentSchema.safeParse({ ...spot, title }).success).toBe(fits && title.trim().length <= 120);
      }),
    );
  });

  it('a figure that is wrong is left to the person', () => {
    expect(mended({ ...reading, av: 999 })).toBeNull();
  });
});

describe('a mutation', () => {
  const at = '2026-02-27T15:00:00Z';
  const key = sampleId(2);
  const put = (document: Document, baseVersion: number) => ({ op: 'put', key, baseVersion, at, document }) as const;
  const held = (body: Document, version: number, deleted = false) => ({ body, version, deleted });

  it('is taken from whoever has seen the newest version, and from nobody else', () => {
    expect(judge(put(spot, 0), undefined)).toMatchObject({ status: 'applied' });
    expect(judge(put(spot, 3), undefined)).toEqual({ status: 'conflict' });
    expect(judge(put({ ...spot, title: 'B' }, 3), held(spot, 3))).toMatchObject({ status: 'applied' });
    expect(judge(put({ ...spot, title: 'B' }, 2), held(spot, 3))).toEqual({ status: 'conflict' });
    expect(judge({ op: 'delete', key, id: spot.id, baseVersion: 2, at }, held(spot, 3))).toEqual({
      status: 'conflict',
    });
    // what is deleted comes back by being put
    expect(judge(put(spot, 4), held(spot, 4, true))).toEqual({
      status: 'applied',
      next: { body: spot, deleted: false },
    });
  });

  it('of a fact strikes it out or restores it, whatever the version, and nothing else', () => {
    expect(judge(put({ ...reading, struckAt: at }, 0), held(reading, 7))).toMatchObject({ status: 'applied' });
    expect(judge(put({ ...reading, av: 1 }, 7), held(reading, 7))).toMatchObject({ status: 'refused' });
    expect(judge({ op: 'delete', key, id: reading.id, baseVersion: 7, at }, held(reading, 7))).toMatchObject({
      status: 'refused',
    });
    expect(judge(put({ ...spot, id: reading.id }, 7), held(reading, 7))).toMatchObject({ status: 'refused' });
  });
});
