import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { usualPanel } from '../../test/panels';
import { ambientReading, usualPoint } from '../../test/points';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import { newLight, type Panel, type Reading, type Setup } from '../setup';
import { solve } from '../solution';
import { backdropAt, panelAnswers } from './panelAnswers';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const hall = SAMPLE_HALL.setup;
const read = (number: number, pointId: string, ev: number) => ambientReading(hall, number, pointId, ev);
/** Face, dark side and background, read before the panel was there; or with it where it is an opening. */
const scene = (panel: Panel, apartStops: number, over: Partial<Setup> = {}): { setup: Setup; facts: Reading[] } => ({
  setup: {
    ...hall,
    points: [usualPoint('face', 'face'), usualPoint('shadow', 'shadow'), usualPoint('background', 'background')],
    panels: [panel],
    lights: [],
    backgroundM: 2,
    ...over,
  },
  facts: [read(951, 'face', 9), read(952, 'shadow', 9 - apartStops), read(953, 'background', 8)],
});
const reflector = (over: Partial<Panel> = {}): Panel =>
  usualPanel('reflector', { distanceM: 1.2, sideDeg: -60, movedAt: '2026-02-27T15:35:00Z', before: null, ...over });
const trial = (setup: Setup, facts: readonly Reading[]) => ({ setup, kit: SAMPLE_KIT, facts, clock: CLOCK });
const contrastOf = (setup: Setup, facts: readonly Reading[]): number => {
  const { points } = solve(setup, SAMPLE_KIT, facts, CLOCK);
  const [lit, dark] = ['face', 'shadow'].map((role) => points.find((point) => point.role === role)?.totalStops ?? NaN);
  return (lit ?? NaN) - (dark ?? NaN);
};

describe('from how far a panel gives a wished contrast', () => {
  it('is where it then gives it, in any light: by itself, on any of its sides, or by another of the kit', () => {
    let found = 0;
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 30 }).map((tenths) => tenths / 10),
        fc.integer({ min: 2, max: 8 }).map((tenths) => tenths / 10),
        fc.constantFrom('white' as const, 'silver' as const),
        fc.boolean(),
        (apartStops, lessStops, surface, flashed) => {
          const wantedStops = apartStops - lessStops;
          const panel = reflector({ surface });
          const key = { ...newLight(sampleId(21), 'key', sampleId(111), 'face', []), placeSaid: true };
          const { setup, facts } = scene(panel, apartStops, flashed ? { lights: [key] } : {});
          for (const { at, reflectorId, surface: side, stand } of panelAnswers(
            trial(setup, facts),
            panel.id,
            wantedStops,
          )) {
            if (at === null) continue;
            found += 1;
            const moved = {
              ...panel,
              ...stand,
              distanceM: at.distanceM,
              reflectorId,
              surface: side,
              movedAt: CLOCK.toISOString(),
            };
            const contrast = contrastOf({ ...setup, panels: [moved] }, facts);
            expect(Math.abs(contrast - wantedStops)).toBeLessThan(0.1);
            expect(Math.abs(contrast - at.contrastStops)).toBeLessThan(1e-6);
          }
        },
      ),
      { numRuns: process.env['CORPUS'] === 'all' ? 200 : 12 },
    );
    expect(found).toBeGreaterThan(5);
  });

  it('does not hang on a clock that lags behind the newest reading', () => {
    const { setup, facts } = scene(reflector(), 2);
    const at = (clock: string) =>
      panelAnswers({ ...trial(setup, facts), clock: new Date(clock) }, sampleId(401), 1.7)[0]?.at;
    expect(at('2026-02-27T15:29:30Z')?.distanceM).toBeCloseTo(at('2026-02-27T15:30:30Z')?.distanceM ?? NaN, 1);
  });

  it('says what comes nearest where nothing gives it, and nothing before both sides are metered', () => {
    const { setup, facts } = scene(reflector(), 2.5);
    const [own] = panelAnswers(trial(setup, facts), sampleId(401), 0.05);
    expect(own?.at).toBeNull();
    expect(own?.nearest.contrastStops).toBeLessThan(2.5);
    expect(panelAnswers(trial(setup, facts.slice(0, 1)), sampleId(401), 1)).toEqual([]);
    expect(panelAnswers(trial(setup, facts), sampleId(999), 1)).toEqual([]);
  });

  it('from a window it is how far people step from it', () => {
    const window = usualPanel('window', { distanceM: 1.5, sideDeg: 80 });
    const { setup, facts } = scene(window, 3);
    const [answer] = panelAnswers(trial(setup, facts), window.id, 2.5);
    if (answer?.at == null) throw new Error('no answer');
    const { distanceM, sideDeg, heightM, turnedDeg } = window;
    const before = { distanceM, sideDeg, heightM, turnedDeg };
    const stepped = { ...window, distanceM: answer.at.distanceM, before, movedAt: CLOCK.toISOString() };
    expect(Math.abs(contrastOf({ ...setup, panels: [stepped] }, facts) - 2.5)).toBeLessThan(0.1);
  });
});

describe('where the backdrop goes for one stop darker', () => {
  it('is where it then is one stop darker', () => {
    const window = usualPanel('window', { distanceM: 1.5, sideDeg: 60 });
    const { setup, facts } = scene(window, 2);
    // the readings have written down where it stood
    const stood = { turnDeg: setup.stage.subject.turnDeg, backgroundM: 2, sun: setup.stage.sun, lamps: [] };
    const read2 = facts.map((one) => ({ ...one, stood }));
    const placed = (backgroundM: number | null) =>
      solve({ ...setup, backgroundM }, SAMPLE_KIT, read2, CLOCK).points.find(({ role }) => role === 'background')
        ?.placedStops ?? NaN;
    const darker = backdropAt(trial(setup, read2), -0.7);
    if (darker === null) throw new Error('no place');
    expect(placed(darker) - placed(2)).toBeCloseTo(-0.7, 1);
    expect(backdropAt(trial({ ...setup, backgroundM: null }, facts), -1)).toBeNull();
  });
});
