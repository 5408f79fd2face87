import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import holdBacks from '../../test/golden/holdback.json';
import apertures from '../../test/golden/notation-aperture.json';
import shutters from '../../test/golden/notation-shutter.json';
import twoExposureErrors from '../../test/golden/two-exposures-errors.json';
import twoExposures from '../../test/golden/two-exposures.json';
import { english } from '../english';
import {
  apertureNumber,
  formatAperture,
  formatIso,
  formatShutter,
  formatStops,
  parseAperture,
  parseIso,
  parseShutter,
} from '../notation';
import {
  avFromN,
  ev100,
  ev100FromLux,
  isoFromSv,
  luxFromEv100,
  nFromAv,
  secondsFromTv,
  svFromIso,
  tvFromSeconds,
} from './exposure';
import { flashMinusAmbient, holdBackFromFlashMinusAmbient, holdBackFromShare, shareFromHoldBack } from './holdBack';
import type { Increment } from './increments';
import { addLight, remainingLight, roundToStep } from './stops';
import { separateFlashAv, separateFlashN, shareFromFlashMinusAmbient, totalAv } from './twoExposures';

const stops = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('notation', () => {
  it.each(apertures.cases)('reads the aperture $text', ({ text, av }) => {
    const read = parseAperture(text);
    expect(read.ok && read.value).toBeCloseTo(av, 5);
  });

  it.each(shutters.cases)('reads the shutter $text', ({ text, tv }) => {
    const read = parseShutter(text);
    expect(read.ok && read.value).toBeCloseTo(tv, 5);
  });

  it.each([
    ['400', 2],
    ['ISO 400', 2],
    ['iso640', 8 / 3],
    ['12,800', 7],
    ['100', 0],
    ['50', -1],
  ])('reads the ISO %s', (text, sv) => {
    const read = parseIso(text);
    expect(read.ok && read.value).toBeCloseTo(sv, 6);
  });

  it.each(['', 'abc', 'f/', '5.6 44', '5..6', '0', '-4', 'f/500', '1/125', '5.6 9/2', 'NaN', 'Infinity'])(
    'says what would be right instead of the aperture “%s”',
    (text) => {
      const read = parseAperture(text);
      expect(read.ok).toBe(false);
      expect(!read.ok && english.typedFault(read.reason)).toMatch(/Write it as 5\.6/);
    },
  );

  it.each(['', 'abc', '1/0', '0', '1/1000000', '-2s', '5.6 4'])(
    'says what would be right instead of the shutter “%s”',
    (text) => {
      const read = parseShutter(text);
      expect(!read.ok && english.typedFault(read.reason)).toMatch(/1\/125/);
    },
  );

  it.each(['', 'x', '0', '1', '4.5', '9999999'])('says what would be right instead of the ISO “%s”', (text) => {
    const read = parseIso(text);
    expect(!read.ok && english.typedFault(read.reason)).toMatch(/ISO 400/);
  });

  it('never throws and never gives a number that is not finite, whatever is typed', () => {
    const typed = fc.oneof(fc.string(), fc.stringMatching(/^[f/ 0-9.,+⅓½⅔⁴"s]{0,9}$/));
    fc.assert(
      fc.property(typed, (text) => {
        for (const read of [parseAperture(text), parseShutter(text), parseIso(text)])
          if (read.ok) expect(Number.isFinite(read.value)).toBe(true);
          else expect(english.typedFault(read.reason).length).toBeGreaterThan(10);
      }),
    );
  });
});

describe('display', () => {
  it.each<Increment>(['third', 'half', 'tenth'])('apertures in %ss are read back as the same stop', (increment) => {
    const perStop = { third: 3, half: 2, tenth: 10 }[increment];
    for (let k = -1 * perStop; k <= 13 * perStop; k += 1) {
      const av = k / perStop;
      const read = parseAperture(formatAperture(av, increment), increment);
      expect([av, read.ok && read.value]).toEqual([av, expect.closeTo(av, 6)]);
      const spoken = parseAperture(english.aperture(av, increment), increment);
      expect(spoken.ok && spoken.value).toBeCloseTo(av, 6);
    }
  });

  it.each<Increment>(['third', 'half'])('shutter times in %ss are read back as the same stop', (increment) => {
    const perStop = increment === 'third' ? 3 : 2;
    for (let k = -5 * perStop; k <= 13 * perStop; k += 1) {
      const tv = k / perStop;
      const read = parseShutter(formatShutter(tv, increment), increment);
      expect([tv, formatShutter(tv, increment), read.ok && read.value]).toEqual([
        tv,
        expect.any(String),
        expect.closeTo(tv, 6),
      ]);
    }
  });

  it('ISO numbers are read back as the same stop', () => {
    for (let k = -6; k <= 36; k += 1) {
      const read = parseIso(formatIso(k / 3));
      expect(read.ok && read.value).toBeCloseTo(k / 3, 9);
    }
  });

  it('sets f-numbers and stops as photographers write them', () => {
    expect(formatAperture(5.4, 'tenth')).toBe('f/5.6⁴');
    expect(apertureNumber(5.3333, 'third')).toBe('6.3');
    expect(apertureNumber(5.5, 'half')).toBe('6.7');
    expect(formatShutter(23 / 3, 'third')).toBe('1/200');
    expect(formatShutter(-1, 'third')).toBe('2 s');
    expect(formatStops(-4 / 3, 'third')).toBe('−1⅓');
    expect(formatStops(0.04)).toBe('0.0');
    expect(formatStops(2 / 3, 'third')).toBe('+⅔');
    expect(english.stops(-1.3)).toBe('1.3 stops darker');
    expect(english.stops(1)).toBe('1.0 stop brighter');
    expect(english.stops(0.01)).toBe('no change');
  });
});

describe('exposure', () => {
  it('turns numbers into stops and back', () => {
    fc.assert(
      fc.property(stops(-2, 14), (x) => {
        expect(avFromN(nFromAv(x))).toBeCloseTo(x, 9);
        expect(tvFromSeconds(secondsFromTv(x))).toBeCloseTo(x, 9);
        expect(svFromIso(isoFromSv(x))).toBeCloseTo(x, 9);
        expect(ev100FromLux(luxFromEv100(x))).toBeCloseTo(x, 9);
      }),
    );
    expect(ev100({ av: 8, tv: 7, sv: 0 })).toBe(15);
    expect(luxFromEv100(0)).toBeCloseTo(3.3, 9);
    expect(luxFromEv100(0, 'disc')).toBeCloseTo(2.5, 9);
  });

  it('rounds to thirds without dust', () => {
    expect(roundToStep(0.99, 1 / 3)).toBe(1);
    expect(roundToStep(-0.5, 1)).toBe(-1);
    expect(Object.is(roundToStep(-0.01, 1 / 3), 0)).toBe(true);
  });
});

describe('two exposures', () => {
  it.each(twoExposures.cases)('f/$ambientN ambient and f/$totalN total', (c) => {
    const flash = separateFlashN(c.ambientN, c.totalN);
    expect(flash.ok && flash.value).toBeCloseTo(c.flashN, 4);
    expect(nFromAv(totalAv(avFromN(c.ambientN), avFromN(c.flashN)))).toBeCloseTo(c.totalN, 5);
    const difference = avFromN(c.flashN) - avFromN(c.ambientN);
    expect(difference).toBeCloseTo(c.flashMinusAmbientStops, 5);
    expect(shareFromFlashMinusAmbient(difference)).toBeCloseTo(c.flashShare, 5);
    expect(holdBackFromShare(c.flashShare)).toBeCloseTo(c.holdbackStops, 4);
  });

  it.each(twoExposureErrors.cases)('f/$totalN over f/$ambientN is no flash', ({ ambientN, totalN }) => {
    const flash = separateFlashN(ambientN, totalN);
    expect(!flash.ok && flash.reason.kind).toBe('no-flash-measured');
  });

  it.each(holdBacks.cases)('hold-back $holdbackStops', (c) => {
    expect(shareFromHoldBack(c.holdbackStops)).toBeCloseTo(c.flashShare, 5);
    expect(flashMinusAmbient(c.holdbackStops)).toBeCloseTo(c.flashMinusAmbientStops, 5);
  });

  it('hold-back, share and stops convert into each other and back', () => {
    fc.assert(
      fc.property(stops(0.05, 8), (h) => {
        expect(holdBackFromShare(shareFromHoldBack(h))).toBeCloseTo(h, 8);
        expect(holdBackFromFlashMinusAmbient(flashMinusAmbient(h))).toBeCloseTo(h, 8);
      }),
    );
  });

  it('separation takes addition back', () => {
    fc.assert(
      fc.property(stops(-2, 12), stops(-6, 10), (ambient, above) => {
        const flash = separateFlashAv(ambient, totalAv(ambient, ambient + above));
        expect(flash.ok && flash.value).toBeCloseTo(ambient + above, 5);
      }),
    );
  });

  it('adding light never darkens, and equal levels give one stop more', () => {
    fc.assert(
      fc.property(stops(-20, 20), stops(-20, 20), (a, b) =>
        expect(addLight(a, b)).toBeGreaterThanOrEqual(Math.max(a, b)),
      ),
    );
    expect(addLight(3, 3)).toBeCloseTo(4, 12);
    expect(addLight()).toBe(-Infinity);
    expect(remainingLight(2, -Infinity)).toBe(2);
    expect(remainingLight(1, 1)).toBeUndefined();
  });
});
