import { describe, expect, it } from '@jest/globals';

import { ambientReading, usualPoint } from '../../test/points';
import { usualLamp, usualPanel } from '../../test/panels';
import { english } from '../english';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import { type Light, type Motive, newLight, type Setup, withSettings } from '../setup';
import { solve } from '../solution';

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
const solved = (setup: Setup) => solve(setup, SAMPLE_KIT, facts, CLOCK);
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
      lamps: [usualLamp({ id: sampleId(32), sideDeg: 80, pointId: 'background' })],
    });
    const itself = setupWith(motivated(null), {
      lights: [],
      lamps: [usualLamp({ role: 'motivated', standsFor: 'window', sideDeg: -70, kelvin: 5500 })],
      panels: [usualPanel('window', { sideDeg: 70 })],
    });
    for (const setup of [sun, window, lamp, itself]) {
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
    const lamp = usualLamp({ role: 'motivated', standsFor: 'fire', heightM: 0.5 });
    const setup = setupWith(motivated(null), { lights: [], lamps: [lamp] });
    expect(watched(setup)).toEqual(expect.arrayContaining(['motive-height', 'motive-colour']));
    const [said] = solved(setup).stage.watches.flatMap((one) =>
      one.kind === 'motive-colour' ? [english.stageWatch(one, { setup, kit: SAMPLE_KIT })] : [],
    );
    expect(said).toMatch(/^Motivated lamp stands for a fire and burns at 5000 K/);
  });
});
