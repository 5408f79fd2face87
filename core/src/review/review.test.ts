import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { type Change, settingChanges } from '../documents';
import { SAMPLE_HALL, SAMPLE_KIT, SAMPLE_TERRACE, SAMPLE_TESTS, sampleId } from '../sample';
import { newSetup, type Reading, type Setting, type Setup, withSettings } from '../setup';
import { solve } from '../solution';
import { learnedId } from '../calibration';
import { type RecordedSetup, reviewShoot, sceneKindOf, tasteDrift, type TasteSample, usualLooks } from '.';

const { setup: hall } = SAMPLE_HALL;
const [test] = SAMPLE_TESTS.filter(({ setupId }) => setupId === hall.id) as [Reading];
const at = (minutes: number): string => new Date(Date.parse(test.at) + minutes * 60_000).toISOString();
const recorded = (over: Partial<RecordedSetup> = {}): RecordedSetup => ({
  setup: hall,
  kit: SAMPLE_KIT,
  facts: [...SAMPLE_HALL.readings, test],
  changes: [],
  framesAt: [],
  ...over,
});
const again = (number: number, minutes: number): Reading => ({ ...test, id: sampleId(number), at: at(minutes) });

describe('the review of a shoot', () => {
  it('counts the pops of each light, and minutes without long pauses', () => {
    const facts = [...SAMPLE_HALL.readings, test, again(901, 3), again(902, 6), again(903, 300)];
    const [one] = reviewShoot([recorded({ facts })], SAMPLE_KIT).setups;
    expect(one?.pops).toEqual([{ lightId: hall.lights[0]!.id, count: 4 }]);
    // 14:12 to 14:22, and the one of five hours later stands for itself
    expect(one?.minutes).toBeCloseTo(10, 6);
  });

  it('leaves struck-out readings aside', () => {
    const facts = [...SAMPLE_HALL.readings, { ...test, struckAt: at(1) }];
    const [one] = reviewShoot([recorded({ facts })], SAMPLE_KIT).setups;
    expect(one?.tests).toBe(0);
  });

  it('tells tests that were made while a reading was due', () => {
    const soon = reviewShoot([recorded()], SAMPLE_KIT).setups[0];
    expect(soon).toMatchObject({ tests: 1, staleTests: 0 });
    // low sun: an hour later nobody knows what the face is in
    const { setup, readings } = SAMPLE_TERRACE;
    const [terraceTest] = SAMPLE_TESTS.filter(({ setupId }) => setupId === setup.id) as [Reading];
    const late = { ...terraceTest, at: new Date(Date.parse(terraceTest.at) + 3_600_000).toISOString() };
    const review = reviewShoot([recorded({ setup, facts: [...readings, late] })], SAMPLE_KIT);
    expect(review.setups[0]).toMatchObject({ tests: 1, staleTests: 1 });
    expect(review.suggestions[0]).toMatchObject({ kind: 'meter-sooner', staleTests: 1, tests: 1 });
  });

  it('knows a way out that was taken, and none where something else was set', () => {
    const { setup, readings } = SAMPLE_TERRACE;
    const clock = new Date(Date.parse(readings.at(-1)!.at) + 60_000);
    const [way] = solve(setup, SAMPLE_KIT, readings, clock).waysOut.filter(({ settings }) => settings.length > 0);
    const changeOf = (settings: readonly Setting[], id: string): [Setup, Change] => {
      const after = withSettings(setup, settings);
      if (!after.ok) throw new Error('the way can be taken');
      const changed = settingChanges(setup, settings);
      const change: Change = {
        type: 'change',
        version: 8,
        id,
        setupId: setup.id,
        at: clock.toISOString(),
        settings: changed,
        by: null,
        undoes: [],
      };
      return [after.value, change];
    };
    const [after, change] = changeOf(way!.settings, sampleId(910));
    const taken = recorded({ setup: after, facts: readings, changes: [change] });
    expect(reviewShoot([taken], SAMPLE_KIT).setups[0]?.waysUsed).toMatchObject([{ way: { kind: way!.way.kind } }]);
    const [other, note] = changeOf([{ path: 'note', value: 'Wind from the left.' }], sampleId(911));
    const noted = recorded({ setup: other, facts: readings, changes: [note] });
    expect(reviewShoot([noted], SAMPLE_KIT).setups[0]?.waysUsed).toEqual([]);
  });

  it('tells gear that plainly strays from its plate, where it was used', () => {
    const unit = learnedId('unit', hall.lights[0]!.unitId);
    const calibration = { ids: [unit], meanStops: [-0.5], covariance: [[0.01]], readings: [4] };
    const kit = { ...SAMPLE_KIT, calibration };
    const review = reviewShoot([recorded()], kit);
    expect(review.strayed).toMatchObject([{ kind: 'unit', stops: -0.5, readings: 4 }]);
    expect(review.suggestions[0]).toMatchObject({ kind: 'correct-plate' });
    const unsure = { ...kit, calibration: { ...calibration, covariance: [[0.2]] } };
    expect(reviewShoot([recorded()], unsure).strayed).toEqual([]);
    expect(reviewShoot([recorded({ setup: { ...hall, lights: [] } })], kit).strayed).toEqual([]);
  });

  it('suggests three things at most, each kind once, and nothing where there is nothing to say', () => {
    const facts = [...SAMPLE_HALL.readings, ...[1, 2, 3, 4, 5].map((n) => again(920 + n, 500 + n))];
    const many = [recorded({ facts }), recorded({ facts })];
    const { suggestions } = reviewShoot(many, SAMPLE_KIT);
    expect(suggestions.length).toBeLessThanOrEqual(3);
    expect(new Set(suggestions.map(({ kind }) => kind)).size).toBe(suggestions.length);
    const names = { title: 'Fresh', face: 'Face', background: 'Background' };
    const fresh = newSetup({ id: sampleId(930), shootId: hall.shootId, spotId: hall.spotId }, names, null);
    const empty = reviewShoot([recorded({ setup: fresh, facts: [] })], SAMPLE_KIT);
    expect(empty.suggestions).toEqual([]);
    expect(empty.setups[0]).toMatchObject({ minutes: null, tests: 0 });
  });
});

const sample = (holdBackStops: number | null, over: Partial<TasteSample> = {}): TasteSample => ({
  setupId: sampleId(940),
  atMs: Date.UTC(2026, 1, 27),
  scene: 'indoors',
  figures: { holdBackStops, flashShare: null, faceRatioStops: null, feelStops: 0 },
  ...over,
});

describe('one’s own taste', () => {
  it('is the median with the middle half, from three setups on, by kind of scene', () => {
    expect(usualLooks([sample(1), sample(2)])).toEqual([]);
    const [indoors, ...others] = usualLooks([sample(1), sample(2), sample(4), sample(3), sample(9, { scene: 'dusk' })]);
    expect(others).toMatchObject([{ scene: 'any', setups: 5 }]);
    expect(indoors).toMatchObject({ scene: 'indoors', setups: 4 });
    expect(indoors?.figures.holdBackStops).toEqual({ median: 2.5, low: 1.75, high: 3.25, count: 4 });
    expect(indoors?.figures.flashShare).toBeNull();
  });

  it('lies within what was chosen, and is not moved by order', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 5, noNaN: true }), { minLength: 3, maxLength: 40 }), (values) => {
        const [usual] = usualLooks(values.map((value) => sample(value)));
        const { median, low, high } = usual!.figures.holdBackStops!;
        expect(Math.min(...values) <= low && low <= median && median <= high && high <= Math.max(...values)).toBe(true);
        const [turned] = usualLooks([...values].reverse().map((value) => sample(value)));
        expect(turned?.figures.holdBackStops?.median).toBe(median);
      }),
    );
  });

  it('drifts by month, the oldest first', () => {
    const march = Date.UTC(2026, 2, 5);
    const drift = tasteDrift([sample(2, { atMs: march }), sample(1), sample(1.5), sample(null)], 'holdBackStops');
    expect(drift).toEqual([
      { fromMs: Date.UTC(2026, 1, 1), median: 1.25, count: 2 },
      { fromMs: Date.UTC(2026, 2, 1), median: 2, count: 1 },
    ]);
  });

  it('tells scenes by the spot and the sun', () => {
    const of = (light: 'open' | 'shade' | 'indoors' | null, altitudeDeg: number | null) =>
      sceneKindOf({ light }, altitudeDeg === null ? null : { altitudeDeg });
    expect(of('indoors', 40)).toBe('indoors');
    expect(of('shade', 40)).toBe('shade');
    expect(of('shade', -4)).toBe('dusk');
    expect(of('open', 6)).toBe('low-sun');
    expect(of(null, 40)).toBe('open');
    expect(of(null, null)).toBe('unsaid');
  });
});
