import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { usualLamp, usualPanel } from '../../test/panels';
import { ambientReading, usualPoint } from '../../test/points';
import { english } from '../english';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import { type Light, newLight, type Panel, type Setup } from '../setup';
import { solve } from '../solution';
import { reflectorPlaces } from './panelPlaces';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const hall = SAMPLE_HALL.setup;
const facts = [ambientReading(hall, 951, 'face', 9), ambientReading(hall, 952, 'shadow', 7.2)];
const key: Light = { ...newLight(sampleId(21), 'key', sampleId(111), 'face', []), placeSaid: true, distanceM: 2 };
/** Put up after everything was read. */
const reflector = (over: Partial<Panel> = {}): Panel =>
  usualPanel('reflector', { movedAt: '2026-02-27T15:35:00Z', before: null, ...over });
const setupWith = (panels: Panel[], over: Partial<Setup> = {}): Setup => ({
  ...hall,
  points: [usualPoint('face', 'face'), usualPoint('shadow', 'shadow')],
  panels,
  lights: [key],
  ...over,
});
const solved = (setup: Setup) => solve(setup, SAMPLE_KIT, facts, CLOCK);
const totalAt = (setup: Setup, role: 'face' | 'shadow') =>
  solved(setup).points.find((point) => point.role === role)?.totalStops ?? NaN;

describe('what a panel does, source by source', () => {
  it('is together what it does to all the light there: with it and without it, powers held', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('white' as const, 'silver' as const, 'gold' as const, 'black' as const),
        fc.integer({ min: -130, max: -30 }),
        fc.integer({ min: 5, max: 25 }),
        (surface, sideDeg, dm) => {
          // neither camera nor flash follows what the panel does
          const over = {
            lights: [{ ...key, dialledStops: -4, locked: true }],
            camera: { ...hall.camera, pins: { av: 3, tv: 7, sv: 2 } },
          };
          const panel = reflector({ surface, sideDeg, distanceM: dm / 10 });
          const [without, withIt] = [setupWith([], over), setupWith([panel], over)];
          const [its] = solved(withIt).panels;
          for (const role of ['face', 'shadow'] as const) {
            const rise = totalAt(withIt, role) - totalAt(without, role);
            expect(its?.[role]?.togetherStops).toBeCloseTo(rise, 1);
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  it('tells ambient, flash and lamp apart, and gold warms by its share', () => {
    const parts = (surface: Panel['surface'], over: Partial<Setup> = {}) =>
      solved(setupWith([reflector({ surface, distanceM: 0.7 })], over)).panels[0]?.shadow;
    expect(parts('white')?.parts.map(({ of }) => of.kind)).toEqual(['ambient', 'light']);
    expect(parts('white', { lights: [], lamps: [usualLamp()] })?.parts.map(({ of }) => of.kind)).toContain('lamp');
    expect(parts('white')?.tintMired).toBe(0);
    const gold = parts('gold');
    const share = 1 - 2 ** -(gold?.togetherStops ?? NaN);
    expect(gold?.tintMired).toBeCloseTo(55 * share, 6);
    const setup = setupWith([reflector({ surface: 'gold', distanceM: 0.7 })]);
    const [line] = english.panelParts(solved(setup).panels[0]!, { setup, kit: SAMPLE_KIT });
    expect(line).toMatch(/^Dark side: ambient \+\d\.\d, key A \+\d\.\d, together \+\d\.\d, \d+ mired warmer\.$/);
  });

  it('black takes where white gives', () => {
    const at = (surface: Panel['surface']) =>
      solved(setupWith([reflector({ surface, distanceM: 0.6 })])).panels[0]?.shadow?.togetherStops ?? NaN;
    expect(at('black')).toBeLessThan(0);
    expect(at('white')).toBeGreaterThan(0.3);
  });
});

describe('usual places of a reflector', () => {
  const places = (setup: Setup) => reflectorPlaces({ setup, kit: SAMPLE_KIT, facts, clock: CLOCK }, sampleId(401));

  /** the sun behind, to the right of the camera */
  const backlit = (over: Partial<Setup> = {}) =>
    setupWith([reflector({ surface: 'silver' })], {
      lights: [],
      stage: { ...hall.stage, sun: { by: 'hand', sideDeg: 140, altitudeDeg: 30 } },
      points: [{ ...usualPoint('face', 'face'), standsIn: 'sun' }, usualPoint('shadow', 'shadow')],
      ...over,
    });

  it('low ones open, each does from there what it said, and none shades the face', () => {
    const setup = setupWith([reflector()]);
    const found = places(setup);
    expect(found.map(({ place }) => place)).toEqual(['low-front', 'low-opposite']);
    expect(places(backlit()).map(({ place }) => place)).toContain('high-light-side');
    for (const { stand, faceStops, shadowStops } of found) {
      const [its] = solved({ ...setup, panels: [reflector(stand)] }).panels;
      expect(its?.face?.togetherStops).toBeCloseTo(faceStops ?? NaN, 6);
      expect(its?.shadow?.togetherStops).toBeCloseTo(shadowStops ?? NaN, 6);
      expect(faceStops).toBeGreaterThan(-0.06);
    }
    const [front, opposite] = found;
    expect(opposite?.shadowStops).toBeGreaterThan((front?.shadowStops ?? NaN) + 0.3);
  });

  it('tells where it shows in the eyes, and what comes from below', () => {
    const [front, opposite] = places(setupWith([reflector()]));
    const high = places(backlit()).find(({ place }) => place === 'high-light-side');
    expect(high?.faceStops).toBeGreaterThan(0.1);
    expect(front).toMatchObject({ catchLightHour: 6, fromBelow: true });
    expect(opposite).toMatchObject({ catchLightHour: 8 });
    expect(high).toMatchObject({ fromBelow: false });
    expect(high?.catchLightHour).toBeLessThan(4);
    // the other way round, the other hour
    const [, mirrored] = places(setupWith([reflector()], { lights: [{ ...key, sideDeg: -40 }] }));
    expect(mirrored?.catchLightHour).toBe(4);
    const behind = solved(setupWith([reflector({ sideDeg: 170 })])).panels[0]?.onEyes;
    expect(behind?.catchLightHour).toBeNull();
    expect(english.panelOnEyes({ catchLightHour: 6, fromBelow: true }, 'gold')).toContain('metal theatrical');
    expect(english.panelOnEyes({ catchLightHour: 6, fromBelow: true }, 'white')).not.toContain('metal');
  });
});

describe('a panel in the sun', () => {
  const inSun = (over: Partial<Panel>, altitudeDeg = 35) =>
    solved(
      setupWith([reflector({ sideDeg: 0, heightM: -0.4, distanceM: 1, ...over })], {
        lights: [],
        stage: { ...hall.stage, sun: { by: 'hand', sideDeg: 180, altitudeDeg } },
        points: [{ ...usualPoint('face', 'face'), standsIn: 'sun' }, usualPoint('shadow', 'shadow')],
      }),
    ).cautions.map(({ kind }) => kind);

  it('that throws it at the eyes is cautioned, flash or not; white, turned away and without sun it is not', () => {
    expect(inSun({ surface: 'silver' })).toContain('sun-thrown');
    expect(inSun({ surface: 'gold' })).toContain('sun-thrown');
    expect(inSun({ surface: 'white' })).not.toContain('sun-thrown');
    expect(inSun({ surface: 'silver', turnedDeg: 70 })).not.toContain('sun-thrown');
    expect(inSun({ surface: 'silver' }, -5)).not.toContain('sun-thrown');
    const setup = setupWith([reflector()]);
    expect(english.caution({ kind: 'sun-thrown' }, { setup, kit: SAMPLE_KIT })).toMatch(/count/);
  });
});
