import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import golden from '../../test/golden/flash-power.json';
import { english } from '../english';
import { effectiveDistanceM } from '../modifiers';
import { parseAperture } from '../notation';
import { roundToStep, svFromIso } from '../photometry';
import { automaticStart } from './automatic';
import { highSpeedSyncLossStops, zoomGainStops } from './flashUnit';
import { flashAv, flashPowerStops, guideNumberFromWs } from './guideNumber';
import {
  lowestPowerStops,
  type PowerScale,
  powerScaleSchema,
  powerSettings,
  powerInScales,
  readPower,
  snapPower,
  writePower,
} from './powerScale';

const SCALES: [string, PowerScale][] = [
  ['fractions in thirds', { kind: 'fraction', step: 'third', lowestStops: -7 }],
  ['fractions in tenths', { kind: 'fraction', step: 'tenth', lowestStops: -8 }],
  ['fractions to 1/512 in halves', { kind: 'fraction', step: 'half', lowestStops: -9 }],
  ['10.0 down to 2.0', { kind: 'stopNumber', step: 'tenth', lowestStops: -8, topNumber: 10 }],
  ['9 down to 1', { kind: 'stopNumber', step: 'third', lowestStops: -8, topNumber: 9 }],
  ['watt-seconds', { kind: 'wattSeconds', step: 'tenth', lowestStops: -6, fullWs: 1000 }],
  ['percent', { kind: 'percent', step: 'third', lowestStops: -7 }],
];
const anyScale = fc.constantFrom(...SCALES.map(([, scale]) => scale));

describe('power scales', () => {
  it.each(SCALES)('every setting of %s is read back as written', (_name, scale) => {
    expect(powerScaleSchema.parse(scale)).toEqual(scale);
    const settings = powerSettings(scale);
    expect(settings[0]).toBe(0);
    expect(settings.at(-1)).toBeCloseTo(lowestPowerStops(scale), 9);
    expect(new Set(settings.map((stops) => writePower(scale, stops))).size).toBe(settings.length);
    for (const stops of settings)
      expect(readPower(scale, writePower(scale, stops))).toEqual({ ok: true, value: stops });
  });

  it('writes each kind in its own words', () => {
    const [thirds, tenths, , numbers, , energy, percent] = SCALES.map(([, scale]) => scale) as [
      PowerScale,
      PowerScale,
      PowerScale,
      PowerScale,
      PowerScale,
      PowerScale,
      PowerScale,
    ];
    expect(writePower(thirds, 0)).toBe('1/1');
    expect(writePower(thirds, -5 + 1 / 3)).toBe('1/32 +0.3');
    expect(writePower(thirds, -4 - 1 / 3)).toBe('1/32 +0.7');
    expect(writePower(tenths, -3.6)).toBe('1/16 +0.4');
    expect(writePower(numbers, -2.7)).toBe('7.3');
    expect(writePower(energy, -3)).toBe('125 Ws');
    expect(writePower(percent, -3)).toBe('12.5 %');
  });

  it.each([
    ['1/16+⅓', -11 / 3],
    ['1/16 + 0.3', -11 / 3],
    ['1/16 +1/3', -11 / 3],
    ['32', -5],
    ['full', 0],
    ['1/8 -0.3', -10 / 3],
    ['1/8 and a third', -8 / 3],
  ])('reads %s on a dial of thirds', (text, stops) => {
    const read = readPower({ kind: 'fraction', step: 'third', lowestStops: -7 }, text);
    expect(read.ok && read.value).toBeCloseTo(stops, 9);
  });

  it.each([
    ['half', -1],
    ['a quarter', -2],
    ['one over sixteen', -4],
    ['a sixteenth', -4],
    ['32 power', -5],
    ['500 of 1000', -1],
    ['one eighth', -3],
    ['full', 0],
  ])('reads what is said of it on every scale: %s', (text, stops) => {
    const scales: PowerScale[] = [
      { kind: 'fraction', step: 'third', lowestStops: -8 },
      { kind: 'percent', step: 'tenth', lowestStops: -8 },
      { kind: 'wattSeconds', step: 'tenth', lowestStops: -8, fullWs: 500 },
    ];
    for (const scale of scales) {
      const read = readPower(scale, text);
      expect([scale.kind, read.ok && read.value]).toEqual([scale.kind, expect.closeTo(stops, 9)]);
    }
  });

  it('reads the number on the dial as a level, and writes a power in every scale', () => {
    const scale: PowerScale = { kind: 'stopNumber', step: 'tenth', lowestStops: -8, topNumber: 10 };
    expect(readPower(scale, 'level six')).toEqual({ ok: true, value: -4 });
    expect(powerInScales(scale, -4)).toEqual(['6.0', '1/16', '6.25 %', '−4.0']);
    expect(powerInScales({ kind: 'wattSeconds', step: 'tenth', lowestStops: -8, fullWs: 400 }, -2)).toEqual([
      '100 Ws',
      '1/4',
      '25 %',
      '−2.0',
    ]);
  });

  it('says what would be right for anything else, and never gives a value outside the dial', () => {
    fc.assert(
      fc.property(anyScale, fc.oneof(fc.string(), fc.stringMatching(/^[0-9/+. %Ws⅓]{0,8}$/)), (scale, text) => {
        const read = readPower(scale, text);
        if (!read.ok) expect(english.powerFault(read.reason)).toMatch(/Write it as|range/);
        else expect(read.value >= lowestPowerStops(scale) - 1e-9 && read.value <= 0).toBe(true);
      }),
    );
  });

  it('takes a share in per cent on every scale, and refuses the sign of another one', () => {
    const wattSeconds: PowerScale = { kind: 'wattSeconds', step: 'tenth', lowestStops: -7, fullWs: 400 };
    const number: PowerScale = { kind: 'stopNumber', step: 'tenth', lowestStops: -7, topNumber: 10 };
    const fraction: PowerScale = { kind: 'fraction', step: 'third', lowestStops: -7 };
    const percent: PowerScale = { kind: 'percent', step: 'tenth', lowestStops: -7 };
    for (const scale of [wattSeconds, number, fraction, percent])
      expect(readPower(scale, '25%')).toEqual({ ok: true, value: -2 });
    expect(readPower(wattSeconds, '100 Ws')).toEqual({ ok: true, value: -2 });
    for (const scale of [number, fraction, percent]) expect(readPower(scale, '30 Ws').ok).toBe(false);
  });

  it('wants the figure that its scale is counted from', () => {
    expect(powerScaleSchema.safeParse({ kind: 'stopNumber', step: 'tenth', lowestStops: -8 }).success).toBe(false);
    expect(powerScaleSchema.safeParse({ kind: 'wattSeconds', step: 'tenth', lowestStops: -8 }).success).toBe(false);
  });

  it('snaps to the nearest setting inside the range', () => {
    fc.assert(
      fc.property(anyScale, fc.double({ min: -20, max: 6, noNaN: true }), (scale, stops) => {
        const snapped = snapPower(scale, stops);
        expect(powerSettings(scale).some((setting) => Math.abs(setting - snapped) < 1e-9)).toBe(true);
      }),
    );
  });
});

describe('guide number', () => {
  it.each(golden.cases)('GN $guideNumberM at $distanceM m, source radius $sourceRadiusM m, f/$nominalN', (c) => {
    const aperture = parseAperture(String(c.nominalN));
    const effective = effectiveDistanceM({ kind: 'round', diameterM: 2 * c.sourceRadiusM }, c.distanceM);
    const stops = flashPowerStops(
      { guideNumberM: c.guideNumberM, effectiveDistanceM: effective, lossStops: c.lossStops },
      aperture.ok ? aperture.value : NaN,
      svFromIso(c.iso),
    );
    expect(stops).toBeCloseTo(c.powerStops, 5);
    expect(roundToStep(stops, 1 / 3)).toBeCloseTo(c.nearestThird, 5);
    expect(roundToStep(stops, 1 / 10)).toBeCloseTo(c.nearestTenth, 5);
    expect(stops > 0 ? 'too weak' : stops < -8 ? 'too strong' : null).toBe(c.outOfRangeOf1to256);
  });

  const geometry = fc.record({
    guideNumberM: fc.double({ min: 5, max: 200, noNaN: true }),
    effectiveDistanceM: fc.double({ min: 0.3, max: 30, noNaN: true }),
    lossStops: fc.double({ min: -1, max: 6, noNaN: true }),
  });
  it('power and aperture take each other back, and more power never gives less light', () => {
    fc.assert(
      fc.property(
        geometry,
        fc.double({ min: -9, max: 0, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (g, power, more) => {
          expect(flashPowerStops(g, flashAv(g, power, 2), 2)).toBeCloseTo(power, 9);
          expect(flashAv(g, power + more, 2)).toBeGreaterThanOrEqual(flashAv(g, power, 2));
        },
      ),
    );
  });

  it('takes over what automatic fired, its compensation being in it already', () => {
    const scale: PowerScale = { kind: 'fraction', step: 'third', lowestStops: -7 };
    expect(automaticStart(scale, -4, -2 / 3)).toEqual({ manualStops: -4, plainStops: expect.closeTo(-10 / 3, 9) });
    expect(automaticStart(scale, -0.5, -1)).toMatchObject({ plainStops: null });
  });

  it('zooming a head gains about a stop from 35 to 105 mm, and half a stop more to 200', () => {
    expect([zoomGainStops(35, 105), zoomGainStops(35, 200), zoomGainStops(105, 35)]).toEqual([
      expect.closeTo(1, 9),
      expect.closeTo(1.5, 9),
      expect.closeTo(-1, 9),
    ]);
  });

  it('estimates a strobe from its energy, and high-speed sync from its entry loss', () => {
    expect(guideNumberFromWs(400)).toBeCloseTo(66, 9);
    expect(highSpeedSyncLossStops(1.7, 0)).toBe(0);
    expect(highSpeedSyncLossStops(1.7, 2)).toBeCloseTo(3.7, 9);
  });
});
