import { describe, expect, it } from '@jest/globals';

import { type Surroundings, type WeatherNow } from '../documents';
import { SAMPLE_HALL, SAMPLE_KIT, SAMPLE_TERRACE, sampleId } from '../sample';
import { PLAIN_LIGHTING, type Setup, withSettings } from '../setup';
import { solve } from './solve';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const terrace = SAMPLE_TERRACE.setup;
const CALM: WeatherNow = { cloud: 0, windMps: 0, gustMps: 0, rainMmH: 0, temperatureC: 20 };
const [HEAVY, BOOM] = [sampleId(162), sampleId(163)];

const on = (standId: string, over: Partial<Setup> = {}): Setup => ({
  ...terrace,
  lights: terrace.lights.map((light) => ({ ...light, standId })),
  ...over,
});
const cautions = (setup: Setup, weather: Partial<WeatherNow> | null, facts: Surroundings['facts'] = []) =>
  solve(setup, SAMPLE_KIT, SAMPLE_TERRACE.readings, CLOCK, {
    facts,
    weather: weather === null ? null : { ...CALM, ...weather },
  }).cautions;
const of = <K extends string>(found: readonly { kind: string }[], kind: K) => found.filter((one) => one.kind === kind);

describe('cautions of a spot and its weather', () => {
  it('foretold gusts ask for ballast where nobody said a wind, and a smaller modifier that stands is named', () => {
    const quiet = on(HEAVY, { gustMps: null });
    expect(of(cautions(quiet, null), 'ballast')).toEqual([]);
    const [mild] = of(cautions(quiet, { gustMps: 5 }), 'ballast');
    expect(mild).toMatchObject({ gustMps: 5, foretold: true, smaller: null });
    const [storm] = cautions(quiet, { gustMps: 14 }).filter(
      (one) => one.kind === 'ballast' || one.kind === 'too-heavy',
    );
    if (storm === undefined || !('smaller' in storm)) throw new Error('a gale asks for ballast');
    expect(storm.kg).toBeGreaterThan(10);
    expect(storm.smaller!.kg).toBeLessThanOrEqual(10);
    // what somebody said comes before what is foretold
    expect(of(cautions(on(HEAVY, { gustMps: 4 }), { gustMps: 14 }), 'ballast')).toMatchObject([
      { gustMps: 4, foretold: false },
    ]);
  });

  it('a boom wants its counterweight; wheels stand neither on a slope nor on soft ground', () => {
    const kinds = (facts: Surroundings['facts']) => cautions(on(BOOM), null, facts).map(({ kind }) => kind);
    expect(kinds([])).toContain('boom');
    expect(kinds([])).not.toContain('wheels');
    expect(kinds(['slope'])).toContain('wheels');
    expect(kinds(['soft-ground'])).toContain('wheels');
    expect(cautions(on(HEAVY), null, ['slope']).map(({ kind }) => kind)).not.toContain('wheels');
  });

  it('panels on stands get ballast, held ones do not', () => {
    const panel: Setup['panels'][number] = {
      id: sampleId(960),
      kind: 'diffuser',
      sideDeg: 150,
      distanceM: 1,
      heightM: 0.6,
      turnedDeg: 0,
      reflectorId: null,
      standId: HEAVY,
      surface: 'white',
      widthM: 1.2,
      tallM: 1.2,
      takesStops: 1.5,
      movedAt: null,
      before: null,
    };
    const withPanel = (standId: string | null) => ({ ...terrace, lights: [], panels: [{ ...panel, standId }] });
    expect(of(cautions(withPanel(HEAVY), { gustMps: 6 }), 'panel-ballast')).toHaveLength(1);
    expect(of(cautions(withPanel(HEAVY), { gustMps: 20 }), 'panel-too-heavy')).toHaveLength(1);
    expect(cautions(withPanel(null), { gustMps: 20 })).toEqual([]);
  });

  it('rain and cold are told with what they do', () => {
    expect(of(cautions(terrace, { rainMmH: 0.6 }), 'rain')).toEqual([{ kind: 'rain', rainMmH: 0.6 }]);
    const [cold] = of(cautions(terrace, { temperatureC: -10 }), 'cold-batteries');
    expect(cold).toEqual({ kind: 'cold-batteries', temperatureC: -10, share: 0.75 });
    expect(of(cautions(terrace, { temperatureC: 18 }), 'cold-batteries')).toEqual([]);
  });
});

describe('batteries', () => {
  const paced: Setup = { ...SAMPLE_HALL.setup, pace: { framesPerMinute: 60, frames: 600 } };
  const staying = (kitOver: object, temperatureC: number) =>
    solve(
      paced,
      {
        ...SAMPLE_KIT,
        flashUnits: SAMPLE_KIT.flashUnits.map((unit) => ({ ...unit, ...kitOver })),
      },
      SAMPLE_HALL.readings,
      CLOCK,
      { facts: [], weather: { ...CALM, temperatureC } },
    ).staying!;

  it('give less in the cold, and what they still hold', () => {
    const [warm, cold] = [staying({}, 20), staying({}, -10)];
    const pops = ({ lights: [one] }: typeof warm) => one!.pops!;
    expect(pops(cold)).toBe(Math.floor(pops(warm) * 0.7));
    const half = staying({ charge: { share: 0.5, at: CLOCK.toISOString() } }, 20);
    expect(pops(half)).toBe(Math.floor(pops(warm) * 0.5));
  });

  it('heat limits strong flashes: less power by so much, and it stays cool', () => {
    const hot = staying({ hotAfterPops: 1, recycleFullS: null }, 20);
    expect(hot.limit).toBe('heat');
    const [one] = hot.lights;
    expect(one!.tooHot).toBe(true);
    expect(one!.untilHot!).toBeLessThan(600);
    expect(2 ** hot.cheaperByStops).toBeCloseTo(one!.heat, 6);
  });

  it('of a lamp last as long as it is dimmed and cold', () => {
    const lamp: Setup['lamps'][number] = {
      id: sampleId(961),
      lampId: sampleId(165),
      pointId: 'face',
      distanceM: 2,
      sideDeg: 20,
      heightM: 0.5,
      offAxisDeg: 0,
      on: true,
      dimStops: 0,
      kelvin: 4000,
      role: null,
      standsFor: null,
      fromDusk: false,
    };
    const lit = withSettings({ ...terrace, ...PLAIN_LIGHTING }, [{ path: 'lamps', value: [lamp] }]);
    if (!lit.ok) throw new Error('a lamp can be set');
    const minutes = (dimStops: number, temperatureC: number) =>
      solve({ ...lit.value, lamps: [{ ...lamp, dimStops }] }, SAMPLE_KIT, SAMPLE_TERRACE.readings, CLOCK, {
        facts: [],
        weather: { ...CALM, temperatureC },
      }).lamps[0]!.batteryMinutes!;
    expect(minutes(0, 20)).toBeCloseTo(95, 6);
    expect(minutes(-1, 20)).toBeCloseTo(190, 6);
    expect(minutes(0, -10)).toBeCloseTo(66.5, 6);
  });
});
