import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { saidReadText } from '../../test/said';
import { english } from '../english';
import { discResponse, domeResponse, ev100, TONES } from '../photometry';
import { luxFromEv100 } from '../photometry/exposure';
import { formatIso } from './format';
import { READ_VALUES, settingsAt } from './heldValues';
import { parseIso } from './parse';
import { type ReadingContext, readMeterText } from './meanings';

const context = (over: Partial<ReadingContext> = {}): ReadingContext => ({
  read: 'aperture',
  held: { av: 5, tv: 7, sv: 2 },
  increment: 'tenth',
  expectedEv100: null,
  ...over,
});
const best = (text: string, over: Partial<ReadingContext> = {}) => {
  const read = readMeterText(text, context(over));
  if (!read.ok) throw new Error(JSON.stringify(read.reason));
  return saidReadText(read.value, english);
};
const stops = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });

describe('the heads of a meter', () => {
  it('a source at 0°, 90° and 180°', () => {
    expect([0, 90, 180].map(domeResponse)).toEqual([1, 0.5, 0]);
    expect([0, 90, 180].map(discResponse)).toEqual([1, 0, 0]);
  });

  it('the dome sees at least what the disc sees, both fall with the angle and are the same to either side', () => {
    fc.assert(
      fc.property(stops(0, 180), stops(0, 180), (a, b) => {
        const [near, far] = a < b ? [a, b] : [b, a];
        expect(domeResponse(far)).toBeLessThanOrEqual(domeResponse(near) + 1e-12);
        expect(discResponse(far)).toBeLessThanOrEqual(discResponse(near) + 1e-12);
        expect(domeResponse(a)).toBeGreaterThanOrEqual(discResponse(a) - 1e-12);
        expect(domeResponse(-a)).toBeCloseTo(domeResponse(a), 12);
        expect(discResponse(360 - a)).toBeCloseTo(discResponse(a), 9);
      }),
    );
  });
});

describe('held values', () => {
  it('any value read back at any held pair is the same light', () => {
    fc.assert(
      fc.property(
        stops(-2, 16),
        fc.constantFrom(...READ_VALUES),
        fc.constantFrom(...READ_VALUES),
        stops(0, 10),
        stops(0, 12),
        stops(0, 8),
        (level, first, second, av, tv, sv) => {
          const there = settingsAt(level, first, { av, tv, sv });
          expect(ev100(there)).toBeCloseTo(level, 9);
          expect(ev100(settingsAt(ev100(there), second, { av: sv, tv: av, sv: tv }))).toBeCloseTo(level, 9);
        },
      ),
    );
  });

  it('a stop more of a held value moves the one that is read by a stop', () => {
    expect(settingsAt(12, 'aperture', { av: 0, tv: 7, sv: 2 }).av).toBe(7);
    expect(settingsAt(12, 'shutter', { av: 7, tv: 0, sv: 2 }).tv).toBe(7);
    expect(settingsAt(12, 'iso', { av: 7, tv: 7, sv: 0 }).sv).toBe(2);
  });
});

describe('ISO steps in halves', () => {
  it.each([
    [140, 0.5],
    [280, 1.5],
    [560, 2.5],
    [1100, 3.5],
  ])('ISO %d stands for its true value', (iso, sv) => {
    expect(parseIso(String(iso))).toEqual({ ok: true, value: sv });
    expect(formatIso(sv)).toBe(`ISO ${iso}`);
  });
});

describe('sloppy notation', () => {
  it.each([
    ['5.6', 5, null],
    ['f/5.6', 5, null],
    ['56', 5, 'decimal point left out'],
    ['28', 3, 'decimal point left out'],
    ['40', 4, 'decimal point left out'],
    ['80', 6, 'decimal point left out'],
    ['16', 8, null],
    ['22', 9, null],
    ['564', 5.4, 'decimal point left out, last figure in tenths'],
    ['8 and a half', 6.5, null],
    ['eight and a half', 6.5, null],
    ['five six', 5, null],
    ['4.5', 4.333, null],
    ['7.1', 5.667, null],
  ])('“%s” is Av %d', (text, av, assumption) => {
    const read = best(text);
    expect(read.best.settings.av).toBeCloseTo(av, 2);
    expect(read.best.assumption).toBe(assumption);
    expect(read.best.settings).toMatchObject({ tv: 7, sv: 2 });
  });

  it('4.5 on a meter in tenths is asked once, and then read as that meter means it', () => {
    const asked = best('4.5');
    expect(asked.best.settings.av).toBeCloseTo(4.333, 2);
    expect(asked.question?.other.settings.av).toBeCloseTo(4.5, 9);
    expect(readMeterText('4.5', context())).toMatchObject({
      value: { question: { remembers: { best: 'printed', other: 'tenths' } } },
    });
    for (const [decimalMeans, av] of [
      ['printed', 4.333],
      ['tenths', 4.5],
    ] as const) {
      const said = best('4.5', { decimalMeans });
      expect(said.best.settings.av).toBeCloseTo(av, 2);
      expect(said.question).toBeNull();
    }
    // whole stops, and meters in thirds, have one meaning
    for (const [text, increment] of [
      ['5.6', 'tenth'],
      ['2.8', 'tenth'],
      ['4.5', 'third'],
    ] as const)
      expect(best(text, { increment }).question).toBeNull();
  });

  it.each([
    ['1/125', 7],
    ['125', 7],
    ['1.25', 7],
    ['0.5"', 1],
    ['2s', -1],
    ['60', 6],
    ['125⅓', 7 + 1 / 3],
    ['60 5', 6.5],
  ])('a shutter read as “%s” is Tv %d', (text, tv) => {
    expect(best(text, { read: 'shutter' }).best.settings).toMatchObject({ av: 5, tv, sv: 2 });
  });

  it.each([
    ['400', 2],
    ['ISO 1600', 4],
    ['12.8k', 7],
  ])('an ISO read as “%s” is Sv %d', (text, sv) => {
    expect(best(text, { read: 'iso' }).best.settings).toMatchObject({ av: 5, tv: 7, sv });
  });

  it.each(['14', '20', '32', '18', '25'])(
    '%s on an aperture pad is an aperture, whatever the scene suggests',
    (text) => {
      for (const expectedEv100 of [null, 3, 8, 13]) {
        const { settings, notation } = best(text, { expectedEv100 }).best;
        expect([expectedEv100, notation]).toEqual([expectedEv100, 'aperture']);
        expect(settings.av).toBeCloseTo(2 * Math.log2(Number(text)), 0);
      }
    },
  );

  it('a label in the text outranks what the meter is said to show', () => {
    const read = best('1/250');
    expect(read.best).toMatchObject({
      notation: 'shutter',
      settings: { av: 5, tv: 8, sv: 2 },
      assumption: 'the meter showed the shutter',
    });
    expect(read.question).toBeNull();
  });

  it('takes EV and lux at whatever is held; a disc counts lux its own way', () => {
    expect(best('EV 12').best.settings.av).toBe(7);
    expect(ev100(best('12 ev', { read: 'shutter' }).best.settings)).toBe(12);
    expect(ev100(best(`${luxFromEv100(10)} lx`).best.settings)).toBeCloseTo(10, 9);
    expect(ev100(best(`${luxFromEv100(10, 'disc')} lux`, { receptor: 'disc' }).best.settings)).toBeCloseTo(10, 9);
  });

  it('asks one question only when the other meaning is plausible and matters', () => {
    expect(best('5.6').question).toBeNull();
    // f/2.8 at EV 8 in a dim room; f/28 would be sun: the scene settles it
    expect(best('28', { expectedEv100: 8 }).question).toBeNull();
    const sunny = best('28', { expectedEv100: 14.5 });
    expect(sunny.question?.text).toMatch(/^Taken as f\/.* Or was it f\//);
    expect(
      Math.abs(ev100(sunny.best.settings) - ev100(sunny.question?.other.settings ?? sunny.best.settings)),
    ).toBeGreaterThan(1 / 3);
  });

  it('the scene decides between 1/2 and 2 seconds', () => {
    expect(best('2', { read: 'shutter', expectedEv100: 5 }).best.settings.tv).toBe(1);
    expect(best('2', { read: 'shutter', expectedEv100: -1 }).best.settings.tv).toBe(-1);
  });

  it.each(['', 'fivesix', '?', '..', 'EV 40', '0'])('says what would be right instead of “%s”', (text) => {
    const read = readMeterText(text, context());
    expect(!read.ok && english.readingFault(read.reason)).toMatch(/Write it as|beyond what meters show/);
  });

  it('never throws, never gives a number that is not finite, and its plausibilities add up to 1', () => {
    const typed = fc.oneof(fc.string(), fc.stringMatching(/^[f/ 0-9.,+⅓½⅔⁴"sEVlxk]{0,9}$/));
    fc.assert(
      fc.property(
        typed,
        fc.constantFrom(...READ_VALUES),
        fc.option(stops(-5, 18), { nil: null }),
        (text, read, expectedEv100) => {
          const result = readMeterText(text, context({ read, expectedEv100 }));
          if (!result.ok) return expect(english.readingFault(result.reason).length).toBeGreaterThan(10);
          const all = [result.value.best, ...result.value.others];
          for (const { settings } of all) expect(Object.values(settings).every(Number.isFinite)).toBe(true);
          expect(all.reduce((sum, { plausibility }) => sum + plausibility, 0)).toBeCloseTo(1, 9);
          expect(all.every(({ plausibility }) => plausibility <= result.value.best.plausibility)).toBe(true);
        },
      ),
      { numRuns: 500 },
    );
  });
});

it('usual tones run from white cloth to dark cloth round mid grey', () => {
  expect([...TONES].sort((a, b) => b.offsetStops - a.offsetStops)).toEqual(TONES);
  expect(TONES.find(({ id }) => id === 'grey-card')?.offsetStops).toBe(0);
  expect(TONES.find(({ id }) => id === 'white-cloth')?.offsetStops).toBeCloseTo(2 + 1 / 3, 9);
});
