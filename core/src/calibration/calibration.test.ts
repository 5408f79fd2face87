import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { calibrationSchema, expectedOffset, learn, type Observation, type Taught, UNTAUGHT } from './calibration';

const unit = (id: string): Taught => ({ id: `unit:${id}`, priorSdStops: 0.5 });
const modifier = (id: string): Taught => ({ id: `modifier:${id}`, priorSdStops: 0.5 });
const seen = (things: Taught[], offsetStops: number, over: Partial<Observation> = {}): Observation => ({
  readingId: '019c9c00-0000-7000-8000-000000000001',
  things,
  offsetStops,
  noiseStops: 0.1,
  confirmed: false,
  ...over,
});
const WRONG = '019c9c00-0000-7000-8000-000000000002';
const offset = fc.double({ min: -0.8, max: 0.8, noNaN: true });

describe('what readings teach', () => {
  it('one reading moves the pair nearly all the way, and halves the doubt between unit and modifier', () => {
    const calibration = learn(UNTAUGHT, [seen([unit('a'), modifier('o')], -0.6)]);
    const pair = expectedOffset(calibration, [unit('a'), modifier('o')]);
    expect(pair.offsetStops).toBeCloseTo(-0.6 * (0.5 / 0.51), 6);
    expect(pair.sdStops).toBeCloseTo(0.1, 2);
    expect(expectedOffset(calibration, [unit('a'), modifier('box')]).offsetStops).toBeCloseTo(-0.294, 2);
    expect(expectedOffset(calibration, [unit('a'), modifier('box')]).sdStops).toBeLessThan(0.7);
  });

  it('finds hidden offsets of two units and three modifiers from noisy readings', () => {
    fc.assert(
      fc.property(
        fc.record({ a: offset, b: offset, o: offset, p: offset, q: offset }),
        fc.array(fc.double({ min: -0.15, max: 0.15, noNaN: true }), { minLength: 18, maxLength: 18 }),
        (hidden, noise) => {
          const pairs = (['a', 'b'] as const).flatMap((u) => (['o', 'p', 'q'] as const).map((m) => [u, m] as const));
          const readings = noise.map((error, index) => {
            const [u, m] = pairs[index % pairs.length] ?? ['a', 'o'];
            return seen([unit(u), modifier(m)], hidden[u] + hidden[m] + error, { confirmed: true });
          });
          const calibration = learn(UNTAUGHT, readings);
          expect(calibrationSchema.safeParse(calibration).success).toBe(true);
          for (const [u, m] of pairs) {
            const { offsetStops, sdStops } = expectedOffset(calibration, [unit(u), modifier(m)]);
            expect(Math.abs(offsetStops - hidden[u] - hidden[m])).toBeLessThan(0.2);
            expect(sdStops).toBeLessThan(0.08);
          }
        },
      ),
    );
  });

  it('every reading sharpens the next prediction, and the order does not matter', () => {
    fc.assert(
      fc.property(fc.array(offset, { minLength: 2, maxLength: 8 }), (offsets) => {
        const readings = offsets.map((one, index) =>
          seen([unit('a'), modifier(index % 2 === 0 ? 'o' : 'p')], one, { confirmed: true }),
        );
        let before = Infinity;
        for (let count = 0; count <= readings.length; count += 1) {
          const { sdStops } = expectedOffset(learn(UNTAUGHT, readings.slice(0, count)), [unit('a'), modifier('o')]);
          expect(sdStops).toBeLessThanOrEqual(before + 1e-12);
          before = sdStops;
        }
        const forth = expectedOffset(learn(UNTAUGHT, readings), [unit('a'), modifier('o')]);
        const back = expectedOffset(learn(UNTAUGHT, [...readings].reverse()), [unit('a'), modifier('o')]);
        expect([back.offsetStops, back.sdStops]).toEqual([
          expect.closeTo(forth.offsetStops, 9),
          expect.closeTo(forth.sdStops, 9),
        ]);
      }),
    );
  });

  it('questions a reading that disagrees, does not learn from it, and does once it is confirmed', () => {
    const taught = [seen([unit('a'), modifier('o')], 0), seen([unit('a'), modifier('o')], 0.05)];
    const wrong = seen([unit('a'), modifier('o')], -2, { readingId: WRONG });
    const calibration = learn(UNTAUGHT, [...taught, wrong]);
    expect(calibration.outliers).toEqual([
      { readingId: WRONG, offStops: expect.closeTo(-2.02, 1), expectedSdStops: expect.closeTo(0.12, 2) },
    ]);
    expect({ ...calibration, outliers: [] }).toEqual(learn(UNTAUGHT, taught));
    expect(learn(UNTAUGHT, [...taught, { ...wrong, confirmed: true }]).outliers).toEqual([]);
  });
});
