import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { usualPanel } from '../../test/panels';
import { ambientReading, usualPoint } from '../../test/points';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import { type Panel, type Reading, type Setup, stoodOf, withSettings } from '../setup';
import { solve } from '../solution';
import { type ContrastWay, contrastWays } from './contrastWays';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const { setup: hall } = SAMPLE_HALL;
const window = usualPanel('window', { distanceM: 1.6, sideDeg: 75 });
const room = (wantedStops: number, panels: Panel[] = [window]): Setup => ({
  ...hall,
  points: [usualPoint('face', 'face'), usualPoint('shadow', 'shadow'), usualPoint('background', 'background')],
  lights: [],
  panels,
  look: { ...hall.look, faceContrastStops: wantedStops },
});
/** Both sides of the face and the background, read while all stood as in a setup. */
const factsFor = (setup: Setup, apartStops: number): Reading[] =>
  [
    ambientReading(hall, 951, 'face', 9),
    ambientReading(hall, 952, 'shadow', 9 - apartStops),
    ambientReading(hall, 953, 'background', 8),
  ].map((reading) => ({ ...reading, stood: stoodOf(setup) }));
const waysFor = (setup: Setup, apartStops: number): ContrastWay[] =>
  contrastWays(
    { setup, kit: SAMPLE_KIT, facts: factsFor(setup, apartStops), clock: CLOCK },
    { panelId: sampleId(501), lampId: sampleId(502) },
  );
const contrastOf = (setup: Setup, facts: Reading[]): number => {
  const { points } = solve(setup, SAMPLE_KIT, facts, CLOCK);
  const level = (role: string) => points.find((point) => point.role === role)?.totalStops ?? NaN;
  return level('face') - level('shadow');
};

describe('ways to the contrast of the face that is wished', () => {
  it('each gives what it says, and brings it nearer, whichever way it is wished', () => {
    const apart = fc.integer({ min: 5, max: 35 }).map((tenths) => tenths / 10);
    fc.assert(
      fc.property(apart, apart, fc.integer({ min: -80, max: 80 }), (apartStops, wantedStops, sideDeg) => {
        const setup = room(wantedStops, [{ ...window, sideDeg }]);
        for (const { contrastStops, met, settings } of waysFor(setup, apartStops)) {
          const changed = withSettings(setup, settings);
          if (!changed.ok) throw new Error(JSON.stringify(changed.reason));
          expect(contrastOf(changed.value, factsFor(setup, apartStops))).toBeCloseTo(contrastStops, 6);
          expect(Math.abs(contrastStops - wantedStops)).toBeLessThan(Math.abs(apartStops - wantedStops));
          if (met) expect(Math.abs(contrastStops - wantedStops)).toBeLessThanOrEqual(0.15);
        }
      }),
      { numRuns: 12 },
    );
  });

  it('are a turn, a step, a reflector and a lamp against too much of it, and black against too little', () => {
    const kinds = (wantedStops: number, apartStops: number) =>
      waysFor(room(wantedStops), apartStops)
        .map(({ way }) => way.kind)
        .sort();
    expect(kinds(1.5, 3)).toEqual(['lamp', 'reflector', 'step', 'turn']);
    expect(kinds(3, 1)).toEqual(['black', 'step', 'turn']);
  });

  it('hold cloth into the sun where it is the sun that parts the sides', () => {
    const stage = { ...hall.stage, sun: { by: 'hand' as const, sideDeg: 80, altitudeDeg: 35 } };
    const setup = { ...room(1, []), stage };
    expect(waysFor(setup, 3).map(({ way }) => way.kind)).toContain('diffuser');
  });

  it('are none before both sides were metered', () => {
    const setup = room(1);
    const [face] = factsFor(setup, 3);
    const trial = { setup, kit: SAMPLE_KIT, facts: face === undefined ? [] : [face], clock: CLOCK };
    expect(contrastWays(trial, { panelId: sampleId(501), lampId: sampleId(502) })).toEqual([]);
  });
});
