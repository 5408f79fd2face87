import { describe, expect, it } from '@jest/globals';

import { ambientReading, usualPoint } from '../../test/points';
import { usualPanel } from '../../test/panels';
import { english } from '../english';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import { type Light, type Motive, newLight, type PlacedLamp, type Reading, type Setup, withSettings } from '../setup';
import { solve } from '../solution';
import { placementsFor } from './placements';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const hall = SAMPLE_HALL.setup;
const facts = [ambientReading(hall, 951, 'face', 9), ambientReading(hall, 952, 'background', 8)];
const ORANGE = SAMPLE_KIT.gels.reduce((warmest, gel) => (gel.shiftMired > warmest.shiftMired ? gel : warmest));
const motivated = (standsFor: Motive | null, over: Partial<Light> = {}): Light => ({
  ...newLight(sampleId(21), 'motivated', sampleId(111), 'face', []),
  placeSaid: true,
  standsFor,
  ...over,
});
const setupWith = (light: Light, over: Partial<Setup> = {}): Setup => ({
  ...hall,
  points: [usualPoint('face', 'face'), usualPoint('background', 'background')],
  lights: [light],
  panels: [],
  ...over,
});
const solved = (setup: Setup, read: readonly Reading[] = facts) => solve(setup, SAMPLE_KIT, read, CLOCK);
const watched = (setup: Setup) =>
  solved(setup)
    .stage.watches.map(({ kind }) => kind)
    .filter((kind) => kind.startsWith('motive') || kind === 'two-suns');
const lowSun = (sideDeg: number): Setup['stage'] => ({
  ...hall.stage,
  sun: { by: 'hand', sideDeg, altitudeDeg: 8 },
});

describe('a motivated light and what it stands for', () => {
  it('is left alone while nobody said what that is, and names it in every sentence', () => {
    expect(watched(setupWith(motivated(null, { sideDeg: 170, heightM: 3 })))).toEqual([]);
    const setup = setupWith(motivated('fire', { heightM: 0.5 }));
    const said = solved(setup).stage.watches.map((one) => english.stageWatch(one, { setup, kit: SAMPLE_KIT }));
    expect(said.filter((text) => text.includes('stands for a fire')).length).toBeGreaterThan(1);
  });

  it('comes from where that would be: the sun, a window, a lamp; the move that is offered cures it', () => {
    const sun = setupWith(motivated('lowSun', { sideDeg: -70, heightM: 0.5 }), { stage: lowSun(60) });
    const window = setupWith(motivated('window', { sideDeg: -70 }), {
      panels: [usualPanel('window', { sideDeg: 70 })],
    });
    const lamp = setupWith(motivated('lamp', { sideDeg: -70 }), {
      lamps: [placedLamp({ id: sampleId(32), role: null, sideDeg: 80, pointId: 'background' })],
    });
    for (const setup of [sun, window, lamp]) {
      expect(watched(setup)).toContain('motive-direction');
      const [move] = solved(setup).stageCures.find(({ watch }) => watch === 'motive-direction')?.moves ?? [];
      const changed = withSettings(setup, move?.settings ?? []);
      if (!changed.ok) throw new Error('not taken');
      expect(watched(changed.value)).not.toContain('motive-direction');
    }
  });

  it('two suns would show where the real one shines on something else', () => {
    const points = [
      usualPoint('face', 'face'),
      { ...usualPoint('background', 'background'), standsIn: 'sun' as const },
    ];
    const setup = setupWith(motivated('lowSun', { sideDeg: -70 }), { points, stage: lowSun(60) });
    expect(watched(setup)).toContain('two-suns');
    expect(
      watched(setupWith(motivated('lowSun', { sideDeg: 50, heightM: 0.5 }), { points, stage: lowSun(60) })),
    ).not.toContain('two-suns');
  });

  it('has its colour, its height and its level', () => {
    expect(watched(setupWith(motivated('lamp')))).toContain('motive-colour');
    expect(watched(setupWith(motivated('lamp', { gelIds: [ORANGE.id] })))).not.toContain('motive-colour');
    expect(watched(setupWith(motivated('headlight', { heightM: 0.6 })))).toContain('motive-height');
    expect(watched(setupWith(motivated('headlight', { heightM: -0.9 })))).not.toContain('motive-height');
    expect(watched(setupWith(motivated('lowSun', { distanceM: 2, heightM: 1.6 })))).toContain('motive-rise');
    const weak = {
      look: { ...hall.look, targets: [{ pointId: 'face', kind: 'value' as const, stops: 0, weight: 1 as const }] },
    };
    const level = (standsFor: Motive, dialledStops: number) =>
      watched(setupWith(motivated(standsFor, { locked: true, dialledStops }), weak));
    expect(level('lowSun', -9)).toContain('motive-level');
    expect(level('lamp', 0)).toContain('motive-level');
  });

  it('a lamp that stands for something is held against it too', () => {
    const lamp = placedLamp({ role: 'motivated', standsFor: 'fire', kelvin: 5000, heightM: 0.5 });
    const setup = setupWith(motivated(null), { lights: [], lamps: [lamp] });
    expect(watched(setup)).toEqual(expect.arrayContaining(['motive-height', 'motive-colour']));
    const [said] = solved(setup).stage.watches.flatMap((one) =>
      one.kind === 'motive-colour' ? [english.stageWatch(one, { setup, kit: SAMPLE_KIT })] : [],
    );
    expect(said).toMatch(/^Motivated lamp stands for a fire and burns at 5000 K/);
  });
});

const placedLamp = (over: Partial<PlacedLamp>): PlacedLamp => ({
  id: sampleId(31),
  lampId: sampleId(165),
  pointId: 'face',
  distanceM: 1.5,
  sideDeg: 50,
  heightM: 0.2,
  offAxisDeg: 0,
  on: true,
  dimStops: 0,
  kelvin: 3200,
  role: 'key',
  standsFor: null,
  ...over,
});

describe('a backdrop of stated size', () => {
  const fill = (widthM: number, tallM: number, backgroundM: number | null, cameraM = 3) =>
    solved(
      setupWith(motivated(null), {
        backgroundM,
        backdrop: { widthM, tallM },
        camera: { ...hall.camera, lensId: null, focalMm: 50 },
        stage: { ...hall.stage, cameraM, cameraUpM: 0, upright: false },
      }),
    ).stage.backdrop;

  it('fills the frame where the field is smaller: half the field is half the sensor over the focal length', () => {
    // 36 mm of sensor at 50 mm, 3 + 1.5 m away: 3.24 m wide; 24 mm: 2.16 m, half of it over eyes at 1.6 m
    const wide = fill(3.4, 3, 1.5);
    expect(wide).toMatchObject({ fills: true });
    expect(wide?.spareAsideM).toBeCloseTo(1.7 - 1.62, 1);
    expect(wide?.spareAboveM).toBeCloseTo(3 - 1.6 - 1.08, 1);
    const narrow = fill(2.7, 3, 1.5);
    expect(narrow?.fills).toBe(false);
    expect(fill(2.7, 3, narrow?.upToM ?? 0)?.fills).toBe(true);
    expect(fill(2.7, 3, (narrow?.upToM ?? 0) + 0.2)?.fills).toBe(false);
    expect(narrow?.fromFocalMm).toBeCloseTo((50 * 1.62) / 1.35, -1);
    const setup = setupWith(motivated(null));
    expect(english.backdrop(narrow!, { setup, kit: SAMPLE_KIT })).toMatch(
      /does not fill the frame: 0\.\d+ m on each side missing/,
    );
  });

  it('too low is too low, however wide; and nothing is said before its place is', () => {
    expect(fill(9, 2.5, 1.5)).toMatchObject({ fills: false, upToM: expect.any(Number) });
    expect(fill(9, 1.2, 1.5)).toMatchObject({ fills: false, upToM: null });
    expect(fill(3, 3, null)).toBeNull();
  });
});

describe('where the ambient comes from, told by readings', () => {
  const sides = (face: number, shadow: number, over: Partial<Setup> = {}) =>
    solved(
      setupWith(
        { ...motivated(null), role: 'key', sideDeg: 40 },
        {
          points: [usualPoint('face', 'face'), usualPoint('shadow', 'shadow')],
          ...over,
        },
      ),
      [ambientReading(hall, 951, 'face', face), ambientReading(hall, 952, 'shadow', shadow)],
    );
  const domes = (camera: number, light: number) =>
    solved(setupWith(motivated(null)), [
      ambientReading(hall, 951, 'face', camera),
      { ...ambientReading(hall, 952, 'face', light), method: { kind: 'incident', aim: 'light' } },
    ]).stage.openSide;

  it('the brighter side of a face lies towards it, and the key is put there', () => {
    expect(sides(9, 7.5).stage.openSide).toEqual({ side: 'right', by: 'both-sides' });
    const against = sides(8, 9.2);
    expect(against.stage.openSide).toEqual({ side: 'left', by: 'both-sides' });
    expect(against.stage.watches.map(({ kind }) => kind)).toContain('crossed-shadows');
    const [place] = placementsFor(setupWith({ ...motivated(null), role: 'key' }), 0, 'left');
    expect(place?.settings.find(({ path }) => path === 'lights.0.sideDeg')?.value).toBeLessThan(0);
    expect(sides(9, 8.9).stage.openSide).toBeNull();
    const said = sides(8, 9.2, { stage: { ...hall.stage, openSide: 'all-round' } });
    expect(said.stage.openSide).toEqual({ side: 'all-round', by: 'said' });
  });

  it('both ways to hold the dome tell front, side and behind', () => {
    expect(domes(9, 9.1)).toEqual({ side: 'camera', by: 'both-domes' });
    expect(domes(9, 9.8)?.by).toBe('both-domes');
    expect(['left', 'right']).toContain(domes(9, 9.8)?.side);
    expect(domes(9, 11)).toEqual({ side: 'behind', by: 'both-domes' });
  });
});

describe('lamps as lights', () => {
  const filmed = (lamps: PlacedLamp[], over: Partial<Setup> = {}): Setup =>
    setupWith(motivated(null), {
      lights: [],
      lamps,
      camera: { ...hall.camera, video: { framesPerSecond: 25, angleDeg: 180 } },
      points: [usualPoint('face', 'face'), usualPoint('shadow', 'shadow'), usualPoint('background', 'background')],
      ...over,
    });
  const key = placedLamp({ role: 'key', dimStops: -1 });
  const rim = placedLamp({ id: sampleId(32), role: 'rim', pointId: 'background', sideDeg: 150, distanceM: 3 });

  it('stand in the ratios, and a dimmer moves them by its stops', () => {
    const fill = (dimStops: number) =>
      placedLamp({ id: sampleId(33), role: 'fill', sideDeg: 0, distanceM: 3, dimStops });
    const ratio = (dimStops: number) => solved(filmed([key, fill(dimStops)])).ratios.keyOverFillStops ?? NaN;
    expect(ratio(-2) - ratio(0)).toBeCloseTo(2, 1);
    expect(solved(filmed([key, rim])).ratios.rimOverKeyStops).not.toBeNull();
    expect(solved(filmed([key])).ratios.rimOverKeyStops).toBeNull();
  });

  it('are turned to the colour that is wanted, as near as they go, and lead the white balance', () => {
    const colour = (kelvin: number) => ({
      ambient: [{ pointId: 'face', kelvin, greenCc: 0, from: 'typed' as const }],
      relation: 'match' as const,
      warmerMired: 30,
      whiteBalance: null,
    });
    const { kelvinLow, kelvinHigh } = SAMPLE_KIT.lamps.find(({ id }) => id === key.lampId)!;
    const within = (kelvinLow + kelvinHigh) / 2;
    const advised = (kelvin: number) =>
      solved(filmed([{ ...key, kelvin: kelvinHigh }], { colour: colour(kelvin) })).colour;
    expect(advised(within).lampAdvice).toEqual([{ lampId: key.id, kelvin: within, missMired: 0 }]);
    expect(advised(1800).lampAdvice).toEqual([
      { lampId: key.id, kelvin: kelvinLow, missMired: expect.closeTo(1e6 / 1800 - 1e6 / kelvinLow, 6) },
    ]);
    expect(advised(kelvinHigh).lampAdvice).toEqual([]);
    const asIs = solved(filmed([key], { colour: { ...colour(within), relation: 'asIs' } })).colour;
    expect(asIs.whiteBalance).toMatchObject({ kelvin: key.kelvin, because: 'to-lamp' });
  });
});
