import { describe, expect, it } from '@jest/globals';

import { balance } from '../balance';
import { meterScene } from '../metering';
import { SAMPLE_HALL, SAMPLE_KIT, SAMPLE_TERRACE, sampleId } from '../sample';
import { newPoint, type Setup, withSettings } from '../setup';
import { diagnose } from './cures';
import { CURE_KINDS, screenMisleads, SYMPTOMS, takesOf } from './symptom';

const CLOCK = new Date('2026-02-27T15:40:00Z');

describe('what a cure takes', () => {
  it('is a dial exactly where one tap does it; head and chin are the sitter’s, what is held is a helper’s', () => {
    const seen = SYMPTOMS.flatMap(
      (symptom) => diagnose(symptom, SAMPLE_HALL.setup, SAMPLE_KIT, SAMPLE_HALL.readings, CLOCK).cures,
    );
    expect(seen.length).toBeGreaterThan(10);
    for (const cure of seen) {
      expect(CURE_KINDS).toContain(cure.kind);
      expect(takesOf(cure) === 'dial').toBe(cure.settings.length > 0);
      if (cure.asks === 'head-turned') expect(takesOf(cure)).toBe('sitter');
      if (cure.asks === 'reflector') expect(takesOf(cure)).toBe('helper');
    }
  });

  it('the screen misleads in glare and at night, and not in a hall', () => {
    const at = ({ setup, readings }: typeof SAMPLE_HALL, byStops: number) =>
      screenMisleads(
        balance(
          setup,
          SAMPLE_KIT,
          meterScene(
            setup,
            SAMPLE_KIT,
            readings.map((reading) => ({ ...reading, tv: reading.tv + byStops })),
            CLOCK,
          ),
        ).points,
      );
    expect(at(SAMPLE_HALL, 0)).toBeNull();
    expect(at(SAMPLE_HALL, -4)).toBe('night');
    expect(at(SAMPLE_TERRACE, 2)).toBe('glare');
  });
});

describe('what the stage and the colours tell', () => {
  const { setup, readings } = SAMPLE_HALL;
  const [key] = setup.lights;
  if (key === undefined) throw new Error('the hall has a key');
  const diagnosed = (symptom: (typeof SYMPTOMS)[number], changed: Setup) =>
    diagnose(symptom, changed, SAMPLE_KIT, readings, CLOCK);

  it('the light behind that reaches the lens is named, and only then a grid on it is a cure', () => {
    const behind = { ...key, role: 'rim' as const, sideDeg: 180, heightM: 0.3, distanceM: 2, aimPointId: 'face' };
    const flared = diagnosed('flare', { ...setup, lights: [{ ...behind, modifierId: null }] });
    expect(flared.found).toEqual({ kind: 'flare', lightIds: [key.id], sun: false });
    expect(flared.cures.map(({ kind }) => kind)).toContain('grid-on-back');
    const clean = diagnosed('flare', setup);
    expect(clean.found).toEqual({ kind: 'flare', lightIds: [], sun: false });
    expect(clean.cures.map(({ kind }) => kind)).not.toContain('grid-on-back');
  });

  it('two colours on the face: the gel that is offered brings them together, as one tap has it', () => {
    const ambient = [{ pointId: 'face', kelvin: 3200, greenCc: 0, from: 'typed' as const }];
    const warm: Setup = {
      ...setup,
      look: { ...setup.look, holdBackStops: 0.5 },
      colour: { ...setup.colour, ambient, relation: 'asIs' },
    };
    const before = diagnosed('mixed-colour', warm);
    if (before.found.kind !== 'colours' || before.found.mixed === null) throw new Error('they are mixed');
    const gel = before.cures.find(({ kind }) => kind === 'gel-light');
    const applied = withSettings(warm, gel?.settings ?? []);
    if (!applied.ok) throw new Error('it can be applied');
    const { found } = diagnosed('mixed-colour', applied.value);
    expect(found.kind === 'colours' && (found.mixed?.apartMired ?? 0)).toBeLessThan(before.found.mixed.apartMired / 2);
  });

  it('an outline is parted from what is behind it by as much as it lacks', () => {
    const points: Setup['points'] = [...setup.points, { ...newPoint('suit', 'dark', 'Suit'), toneStops: -2.5 }];
    const suit = readings.flatMap((one) =>
      one.pointId === 'face' ? [{ ...one, id: sampleId(90), pointId: 'suit', av: one.av + 1 }] : [],
    );
    const { found, byStops } = diagnose(
      'outline-merges',
      { ...setup, points },
      SAMPLE_KIT,
      [...readings, ...suit],
      CLOCK,
    );
    if (found.kind !== 'outline' || found.apartStops === null) throw new Error('both are metered');
    expect(byStops).toBeCloseTo(Math.max(0, found.wantedStops - found.apartStops), 9);
  });
});
