import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { formatAperture, formatIso, formatShutter } from './format';
import { readMeterText } from './meanings';
import { readWhole } from './wholeReading';

const HELD = { av: 5, tv: 7, sv: 0 };
const said = (text: string): string | null => {
  const read = readWhole(text, HELD);
  if (read === null) return null;
  const { av, tv, sv } = read.settings;
  return `${formatShutter(tv, 'third')}, ${formatAperture(av, 'tenth')}, ${formatIso(sv)}`;
};

describe('a whole reading in one line', () => {
  it.each([
    ['f4 1/50', '1/50, f/4, ISO 100'],
    ['f/4 at a fiftieth, ISO 1600', '1/50, f/4, ISO 1600'],
    ['five six and four, one twenty-five, two hundred', '1/125, f/5.6⁴, ISO 200'],
    ['f four at a sixtieth, ISO two hundred', '1/60, f/4, ISO 200'],
    ['two eight, one sixtieth, sixteen hundred', '1/60, f/2.8, ISO 1600'],
    ['1/160 f/4 ISO 200', '1/160, f/4, ISO 200'],
    ['one twenty fifth at f eight', '1/125, f/8, ISO 100'],
    ['four, a thousandth', '1/1000, f/4, ISO 100'],
    ['eight and a third, two fifty', '1/250, f/8³, ISO 100'],
    ['iso 800 f2.8', '1/125, f/2.8, ISO 800'],
    ['f5.6 4 1/125', '1/125, f/5.6⁴, ISO 100'],
    ['2 s f/8', '2 s, f/8, ISO 100'],
    // figures alone by what stands on which dial
    ['125, 5.6', '1/125, f/5.6, ISO 100'],
    ['5.6, 125, 400', '1/125, f/5.6, ISO 400'],
  ])('%s', (text, settings) => expect(said(text)).toBe(settings));

  it.each([
    '5.6',
    '2,8',
    '12,800',
    '5.6 4',
    'f/4 1/3',
    '8 and a half',
    'f/4, f/8',
    'thirty two hundred',
    'f/4, 1/50, 200, 7',
    '',
  ])('is no whole reading: %s', (text) => expect(readWhole(text, HELD)).toBeNull());

  it('says which values were named, and holds the rest', () => {
    const read = readMeterText('f4 1/50', { read: 'aperture', held: HELD, increment: 'tenth', expectedEv100: null });
    expect(read.ok && read.value.best).toMatchObject({ named: ['aperture', 'shutter'], settings: { sv: 0 } });
  });

  it('reads what cameras print, in any order', () => {
    const dial = (least: number, most: number) =>
      fc.integer({ min: least * 3, max: most * 3 }).map((third) => third / 3);
    fc.assert(
      fc.property(dial(0, 9), dial(3, 12), dial(0, 8), fc.integer({ min: 0, max: 5 }), (av, tv, sv, order) => {
        const three = [formatAperture(av, 'third'), formatShutter(tv, 'third'), formatIso(sv)];
        const [a = 0, b = 1, c = 2] = [
          [0, 1, 2],
          [0, 2, 1],
          [1, 0, 2],
          [1, 2, 0],
          [2, 0, 1],
          [2, 1, 0],
        ][order] ?? [0, 1, 2];
        const read = readWhole([three[a], three[b], three[c]].join(' '), HELD);
        expect(read?.settings.av).toBeCloseTo(av, 1);
        expect(read?.settings.tv).toBeCloseTo(tv, 1);
        expect(read?.settings.sv).toBeCloseTo(sv, 1);
      }),
    );
  });
});

describe('tenths behind a nought', () => {
  it('are tenths of a stop where the meter shows tenths', () => {
    const read = (text: string) =>
      readMeterText(text, { read: 'aperture', held: HELD, increment: 'tenth', expectedEv100: null });
    for (const [text, av] of [
      ['8.03', 6.3],
      ['11.07', 7.7],
    ] as const) {
      const its = read(text);
      expect([text, its.ok && its.value.best.settings.av]).toEqual([text, expect.closeTo(av, 3)]);
    }
  });
});
