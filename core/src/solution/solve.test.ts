import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { solveSet } from '../../test/said';
import { english } from '../english';
import type { Kit } from '../gear';
import { parseAperture } from '../notation';
import { addLight, lookFigures } from '../photometry';
import { SAMPLE_HALL, SAMPLE_KIT, SAMPLE_TERRACE, sampleId } from '../sample';
import {
  type FiredLight,
  HOLD_BACK_RANGE,
  newLight,
  PLAIN_READING,
  type Reading,
  type Setting,
  settingAt,
  type Setup,
  setupSchema,
  withSettings,
} from '../setup';
import { solve } from './solve';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const set = (setup: Setup, ...settings: Setting[]): Setup => {
  const changed = withSettings(setup, settings);
  if (!changed.ok) throw new Error(JSON.stringify(changed.reason));
  return changed.value;
};
const av = (text: string): number => {
  const read = parseAperture(text);
  if (!read.ok) throw new Error(JSON.stringify(read.reason));
  return read.value;
};
const hall = SAMPLE_HALL.setup;
const solveHall = (setup: Setup = hall, readings: Reading[] = SAMPLE_HALL.readings, kit: Kit = SAMPLE_KIT) =>
  solveSet(setup, kit, readings, CLOCK);
const solveTerrace = (setup: Setup = SAMPLE_TERRACE.setup, kit: Kit = SAMPLE_KIT) =>
  solveSet(setup, kit, SAMPLE_TERRACE.readings, CLOCK);

let next = 900;
/** A flash reading of the hall at the camera's settings (1/125, ISO 400). */
const flashReading = (
  text: string,
  light: 'total' | 'flash',
  powerStops: number,
  over: Partial<Reading> = {},
  fired: Partial<FiredLight> = {},
): Reading => {
  const id = sampleId((next += 1));
  return {
    ...PLAIN_READING,
    id,
    setupId: hall.id,
    pointId: 'face',
    at: `2026-02-27T15:00:00.${String(next).slice(-3)}+01:00`,
    light,
    text,
    av: av(text),
    tv: 7,
    sv: 2,
    fired: [
      {
        lightId: sampleId(21),
        unitId: sampleId(114),
        outlet: null,
        zoomMm: null,
        modifierId: sampleId(124),
        gridId: null,
        gelIds: [],
        atAim: true,
        distanceM: 2.2,
        placeSaid: true,
        sideDeg: null,
        heightM: null,
        asideDeg: null,
        featherDeg: 0,
        powerStops,
        highSpeedSyncLossStops: 0,
        ...fired,
      },
    ],
    ...over,
  };
};

describe('camera settings', () => {
  it('keeps the wanted aperture and raises the ISO only as far as the sharp shutter asks', () => {
    const { camera } = solveHall();
    expect(camera?.text).toEqual({ aperture: 'f/2.8', shutter: '1/125', iso: 'ISO 400', filters: null });
    expect(camera?.met).toBe(true);
    expect(camera?.reason).toBe('f/2.8 kept; ISO raised just enough to hold the shutter at 1/125 or faster.');
  });

  it('stays at base ISO when the shutter lies between the sharp limit and sync', () => {
    const { camera } = solveHall(set(hall, { path: 'camera.limits.slowestTv', value: 3 }));
    expect(camera?.text).toMatchObject({ shutter: '1/30', iso: 'ISO 100' });
    expect(camera?.reason).toContain('lies between 1/8 and sync 1/200');
  });

  it('says how far the wish is missed in bright light, and lists ways out that solve it as promised', () => {
    const solution = solveTerrace();
    expect(solution.camera).toMatchObject({
      met: false,
      missing: 'too bright',
      missingStops: expect.closeTo(8 / 3, 1),
      tv: expect.closeTo(23 / 3, 6),
      sv: 0,
    });
    expect(solution.nextAction).toMatchObject({
      kind: 'no-flash-can-help',
      step: 'camera',
      detail: expect.stringMatching(/2\.0 stops over .* Stop down/),
    });
    expect(solution.waysOut.map(({ id }) => id)).toEqual([
      'stop-down',
      'nd',
      'high-speed-sync',
      'shade',
      'turn',
      'diffuser',
      'wait',
      'extended-iso',
    ]);
    for (const way of solution.waysOut.filter(({ solves, settings }) => solves && settings.length > 0))
      expect([way.id, solveTerrace(set(SAMPLE_TERRACE.setup, ...way.settings)).camera?.met]).toEqual([way.id, true]);
    expect(solution.waysOut.find(({ id }) => id === 'high-speed-sync')?.effect).toMatch(/costs this flash 4\.4 stops/);
  });

  it('shows that high-speed sync costs more flash than a filter for the same ambient', () => {
    const power = (id: string) =>
      solveTerrace(set(SAMPLE_TERRACE.setup, ...(solveTerrace().waysOut.find((way) => way.id === id)?.settings ?? [])))
        .lights[0]?.exactPowerStops ?? NaN;
    expect(power('high-speed-sync')).toBeGreaterThan(power('nd') + 1);
  });

  it('offers less hold-back where that is enough', () => {
    const nearly = set(
      SAMPLE_TERRACE.setup,
      { path: 'look.holdBackStops', value: 3 },
      { path: 'camera.wantedAv', value: 16 / 3 },
    );
    const way = solveTerrace(nearly).waysOut.find(({ id }) => id === 'less-hold-back');
    expect(way).toMatchObject({ solves: true, settings: [{ path: 'look.holdBackStops', value: 0.4 }] });
    expect(way?.title).toBe('Hold the ambient back 0.4 stop instead');
  });

  it('says how far the wish is missed in the dark, with the ways that help', () => {
    const dark = set(hall, { path: 'camera.wantedAv', value: 8 }, { path: 'camera.limits.highestSv', value: 3 });
    const { camera, waysOut } = solveHall(dark);
    expect(camera).toMatchObject({ met: false, missing: 'too dark', missingStops: expect.closeTo(4, 1) });
    expect(waysOut.filter(({ solves }) => solves).map(({ id }) => id)).toEqual([
      'slower-shutter',
      'open-up',
      'higher-iso',
      'more-hold-back',
      'more-ambient',
      'wait-darker',
    ]);
    for (const way of waysOut.filter(({ settings, solves }) => solves && settings.length > 0))
      expect([way.id, solveHall(set(dark, ...way.settings)).camera?.met]).toEqual([way.id, true]);
    expect(waysOut[0]?.title).toBe('Slower shutter, 1/8, on a tripod');
  });

  it('takes a filter off before anything else changes when it is the filter that makes it dark', () => {
    const filtered = set(
      hall,
      { path: 'camera.filterIds', value: [sampleId(132)] },
      { path: 'camera.limits.highestSv', value: 3 },
    );
    expect(solveHall(filtered).waysOut.find(({ id }) => id === 'filters-off')).toMatchObject({ solves: true });
  });

  it('warns when the sharp limit is beyond sync, and uses sync', () => {
    const { camera, warnings } = solveHall(set(hall, { path: 'camera.limits.slowestTv', value: 10 }));
    expect(camera?.text.shutter).toBe('1/200');
    expect(warnings.map(({ kind }) => kind)).toContain('slowest-over-sync');
  });

  it('never lets a rounding of the shutter take the last room from the flash', () => {
    fc.assert(
      fc.property(fc.double({ min: -1 / 3, max: 1 / 3, noNaN: true }), (shift) => {
        const readings = SAMPLE_HALL.readings.map((reading) => ({ ...reading, av: reading.av + shift }));
        const { camera, points } = solveHall(set(hall, { path: 'look.holdBackStops', value: 0.1 }), readings);
        if (camera?.met) expect(points[0]?.ambientStops).toBeLessThan(0);
      }),
    );
  });
});

describe('flash power', () => {
  it("gives the power in the unit's own scale, what the meter reads, the share and the range", () => {
    const solution = solveHall();
    expect(solution.lights[0]).toMatchObject({
      basis: 'geometry',
      powerText: '1/64',
      meter: { totalText: 'f/2.8¹', flashText: 'f/2¹', rangeText: 'f/2⁸ to f/2.8⁴' },
      outOfRange: null,
    });
    expect(solution.lights[0]?.flashShare).toBeCloseTo(0.5, 1);
    // a unit ± 0.5, a modifier ± 0.35, a place ± 0.15
    expect(solution.lights[0]?.uncertaintyStops).toBeCloseTo(Math.hypot(0.5, 0.35, 0.15), 1);
    expect(solution.nextAction).toMatchObject({ kind: 'set-and-test', text: 'Flash to 1/64' });
  });

  it('is out of range with the cure in figures, and every cure listed helps', () => {
    for (const distanceM of [0.4, 12]) {
      const far = set(
        hall,
        { path: 'lights.0.distanceM', value: distanceM },
        ...(distanceM > 1
          ? [
              { path: 'camera.wantedAv' as const, value: 7 },
              { path: 'camera.limits.slowestTv' as const, value: -2 },
            ]
          : []),
      );
      const now = solveHall(far);
      const miss = now.lights[0]?.outOfRange;
      expect([distanceM, miss?.direction]).toEqual([distanceM, distanceM > 1 ? 'too weak' : 'too strong']);
      expect(now.nextAction.kind).toBe('power-out-of-range');
      expect(now.waysOut.length).toBeGreaterThan(1);
      for (const way of now.waysOut) {
        const left = solveHall(set(far, ...way.settings)).lights[0]?.outOfRange?.byStops ?? 0;
        expect([way.id, way.solves]).toEqual([way.id, left === 0]);
        expect(left).toBeLessThan(miss?.byStops ?? 0);
      }
      expect(now.waysOut.map(({ title }) => title)).toContainEqual(
        expect.stringMatching(distanceM > 1 ? /Move the light in to [\d.]+ m/ : /Move the light out to [\d.]+ m/),
      );
    }
  });

  it('says that no flash can help when the ambient is already there', () => {
    const solution = solveTerrace();
    expect(solution.warnings.map(({ kind }) => kind)).toContain('no-flash-can-help');
    expect(solution.lights[0]).toMatchObject({ powerStops: null, powerText: null, meter: null, flashStops: null });
  });

  it('a unit without high-speed sync is warned of when the shutter is past sync', () => {
    const past = set(
      SAMPLE_TERRACE.setup,
      { path: 'camera.highSpeedSync', value: true },
      { path: 'lights.0.unitId', value: sampleId(113) },
    );
    expect(solveTerrace(past).warnings.map(({ kind }) => kind)).toContain('high-speed-sync-missing');
  });
});

describe('correction from a reading', () => {
  it('one stop too hot from flash alone means one stop down, in the own scale', () => {
    // wanted: flash alone f/2 at ISO 400; measured f/2.8
    const solution = solveHall(hall, [...SAMPLE_HALL.readings, flashReading('2.8', 'flash', -5)]);
    expect(solution.lights[0]).toMatchObject({ basis: 'reading', powerStops: -6, powerText: '1/64' });
    expect(solution.lights[0]?.correction).toMatchObject({
      firedPowerText: '1/32',
      changeStops: -1,
      measuredFlashText: 'f/2.8',
    });
    expect(solution.nextAction).toMatchObject({
      kind: 'correct',
      text: 'Flash down 1.0: 1/64',
      detail: '1.0 stop darker on the face from flash. Meter should read f/2.8.',
    });
    expect(solution.lights[0]?.uncertaintyStops).toBeLessThan(0.16);
  });

  it('separates a total from the ambient at the shutter of the reading', () => {
    // ambient f/2 at 1/125 ISO 400; a total of f/2.8 is flash f/2: just what is wanted
    const solution = solveHall(hall, [...SAMPLE_HALL.readings, flashReading('2.8', 'total', -6)]);
    // half of it is flash: it counts half as much against what the unit states
    expect(Math.abs(solution.lights[0]?.correction?.changeStops ?? 9)).toBeLessThan(0.34);
  });

  it('a total that is not above the ambient says that no flash was measured, and keeps an older good reading', () => {
    const dead = flashReading('2', 'total', -6);
    expect(solveHall(hall, [...SAMPLE_HALL.readings, dead]).nextAction).toMatchObject({
      kind: 'no-flash-measured',
      detail: expect.stringContaining('No flash was measured'),
    });
    const good = flashReading('2.8', 'flash', -5, { at: '2026-02-27T14:50:00+01:00' });
    expect(solveHall(hall, [...SAMPLE_HALL.readings, good, dead]).lights[0]).toMatchObject({
      basis: 'reading',
      powerStops: -6,
      problem: expect.any(String),
    });
  });

  it('is done once the corrected power is dialled', () => {
    const readings = [...SAMPLE_HALL.readings, flashReading('2.8', 'flash', -5)];
    expect(solveHall(set(hall, { path: 'lights.0.dialledStops', value: -6 }), readings).nextAction.kind).toBe('shoot');
  });

  it('does not use a reading of another unit or modifier, nor one that was struck out', () => {
    const other = [
      flashReading('2.8', 'flash', -5, {}, { unitId: sampleId(111) }),
      flashReading('2.8', 'flash', -5, {}, { modifierId: null }),
      flashReading('2.8', 'flash', -5, { struckAt: '2026-02-27T15:30:00Z' }),
    ];
    for (const reading of other)
      expect(solveHall(hall, [...SAMPLE_HALL.readings, reading]).lights[0]?.basis).toBe('geometry');
  });

  it('carries a reading to another distance by the falloff, less certainly', () => {
    const readings = [...SAMPLE_HALL.readings, flashReading('2.8', 'flash', -5)];
    const moved = solveHall(set(hall, { path: 'lights.0.distanceM', value: 4.4 }), readings).lights[0];
    const unmoved = solveHall(hall, readings).lights[0];
    expect((moved?.exactPowerStops ?? 0) - (unmoved?.exactPowerStops ?? 0)).toBeGreaterThan(1.8);
    expect(moved?.uncertaintyStops).toBeGreaterThan(unmoved?.uncertaintyStops ?? 1);
  });

  it('whatever the true head is, one reading brings the second to the target within half a step and the noise', () => {
    const read = SAMPLE_HALL.readings.map((reading) => ({ ...reading, at: '2026-02-27T14:59:00+01:00' }));
    const soon = new Date('2026-02-27T15:03:00+01:00');
    const solveSoon = (...tests: Reading[]) => solveSet(hall, SAMPLE_KIT, [...read, ...tests], soon);
    const first = solveSoon().lights[0];
    fc.assert(
      fc.property(
        fc.integer({ min: -120, max: 120 }),
        fc.constantFrom('total' as const, 'flash' as const),
        (errorHundredths, light) => {
          const flashAt = (powerStops: number) =>
            (first?.flashStops ?? 0) + powerStops - (first?.powerStops ?? 0) + errorHundredths / 100;
          const totalAt = (powerStops: number) => addLight(-1, flashAt(powerStops));
          const fire = (powerStops: number, minute: number): Reading => {
            const placed = light === 'flash' ? flashAt(powerStops) : totalAt(powerStops);
            return {
              ...flashReading('2.8', light, powerStops),
              av: 3 + placed,
              at: `2026-02-27T15:0${minute}:00+01:00`,
            };
          };
          const one = fire(first?.powerStops ?? 0, 1);
          const second = solveSoon(one).lights[0];
          if (second?.outOfRange !== null || second.powerStops === null) return;
          // half of a third, and what a reading may be off by, which counts double where half of it is flash
          expect(Math.abs(totalAt(second.powerStops))).toBeLessThan(1 / 6 + 0.11);
          const settled = solveSoon(one, fire(second.powerStops, 2));
          const last = settled.lights[0]?.powerStops ?? NaN;
          expect(Math.abs(totalAt(last))).toBeLessThan(0.2);
          // no walk to the stand for what nobody sees
          if (Math.abs(totalAt(second.powerStops)) < 0.1) expect(settled.nextAction.kind).toBe('shoot');
        },
      ),
    );
  });
});

describe('points, look and order of work', () => {
  it('places the background by its own reading, and takes flash there only from a reading there', () => {
    const before = solveHall().points[1];
    expect(before).toMatchObject({ flashStops: null, ambientStops: expect.closeTo(-1.8, 1), zone: 'in range' });
    expect(before?.text).toBe('Background: −1.8 stops from mid grey, darker (ambient −1.8, no flash known).');
    const spill = flashReading('1.4', 'flash', -6, { pointId: 'background' });
    expect(solveHall(hall, [...SAMPLE_HALL.readings, spill]).points[1]?.flashStops).toBeLessThan(0);
  });

  it('tells how old each reading is from the clock it is given', () => {
    expect(solveHall().points.map(({ ambientAgeMinutes }) => ambientAgeMinutes)).toEqual([148, 147]);
  });

  it('leads through the work in its order', () => {
    const [face, background] = SAMPLE_HALL.readings as [Reading, Reading];
    expect(solveHall(hall, []).nextAction.kind).toBe('meter-face');
    expect(solveHall(hall, [face]).nextAction.kind).toBe('meter-background');
    expect(solveHall(set(hall, { path: 'camera.cameraId', value: null }), [face, background]).nextAction.kind).toBe(
      'choose-camera',
    );
    expect(solveHall(set(hall, { path: 'lights', value: [] }), [face, background]).nextAction.kind).toBe(
      'shoot-ambient',
    );
    expect(solveHall(set(hall, { path: 'lights.0.dialledStops', value: -6 })).nextAction.kind).toBe('fire-test');
  });

  it('says a look every way at once, marks included', () => {
    expect(lookFigures(1)).toMatchObject({ flashShare: 0.5, flashMinusAmbientStops: 0 });
    expect(english.lookInWords(1)).toBe('Flash and ambient even');
    expect(
      english.lookMarks().every(({ stops }) => stops >= HOLD_BACK_RANGE.least && stops <= HOLD_BACK_RANGE.most),
    ).toBe(true);
  });

  it('says what has left the kit instead of failing', () => {
    const solution = solveHall(hall, SAMPLE_HALL.readings, { ...SAMPLE_KIT, cameras: [], flashUnits: [] });
    expect(solution.warnings.map(({ text }) => text)).toEqual([
      expect.stringContaining('camera'),
      expect.stringContaining('flash'),
    ]);
    expect(solution.nextAction.kind).toBe('choose-camera');
  });

  it('cautions about wind and eyes where they apply', () => {
    expect(solveHall(set(hall, { path: 'lights.0.distanceM', value: 0.8 })).cautions.join(' ')).toMatch(
      /sail.*closed eyes/,
    );
    expect(solveHall(set(hall, { path: 'lights', value: [] })).cautions).toEqual([]);
  });
});

describe('settings', () => {
  it('refuses a value out of range and a light that is not there, and leaves the setup as it was', () => {
    expect(withSettings(hall, [{ path: 'look.holdBackStops', value: 99 }]).ok).toBe(false);
    expect(withSettings(set(hall, { path: 'lights', value: [] }), [{ path: 'lights.0.distanceM', value: 2 }]).ok).toBe(
      false,
    );
    expect(settingAt(hall, 'look.holdBackStops')).toBe(1);
    expect(settingAt(set(hall, { path: 'lights', value: [] }), 'lights.0.distanceM')).toBeUndefined();
  });
});

describe('for any setup that the schema admits', () => {
  const tv = fc.double({ min: -10, max: 15, noNaN: true });
  const sv = fc.double({ min: -4, max: 13, noNaN: true });
  const anAv = fc.double({ min: -2, max: 14, noNaN: true });
  const limit = (of: fc.Arbitrary<number>) => fc.option(of, { nil: null });
  const anySetup = fc.record({
    holdBack: fc.double({ min: 0.1, max: 5, noNaN: true }),
    wantedAv: anAv,
    syncTv: limit(tv),
    slowestTv: limit(tv),
    baseSv: limit(sv),
    highestSv: limit(sv),
    filters: fc.subarray([sampleId(131), sampleId(132)]),
    highSpeedSync: fc.boolean(),
    camera: fc.constantFrom(101, 102),
    unit: fc.constantFrom(111, 113, 114),
    modifier: fc.constantFrom(null, 121, 122, 124, 125),
    distanceM: fc.double({ min: 0.3, max: 30, noNaN: true }),
    face: fc.record({ av: anAv, tv, sv }),
    flash: fc.option(
      fc.record({
        av: anAv,
        tv,
        sv,
        power: fc.double({ min: -12, max: 0, noNaN: true }),
        light: fc.constantFrom('total' as const, 'flash' as const),
      }),
      { nil: null },
    ),
  });
  type Drawn = typeof anySetup extends fc.Arbitrary<infer T> ? T : never;
  const build = (drawn: Drawn): [Setup, Reading[]] => {
    const x = JSON.parse(JSON.stringify(drawn)) as Drawn; // documents come as JSON, which has no −0
    const modifierId = x.modifier === null ? null : sampleId(x.modifier);
    const setup = setupSchema.parse({
      ...hall,
      look: { ...hall.look, holdBackStops: x.holdBack },
      camera: {
        ...hall.camera,
        cameraId: sampleId(x.camera),
        wantedAv: x.wantedAv,
        limits: { syncTv: x.syncTv, slowestTv: x.slowestTv, baseSv: x.baseSv, highestSv: x.highestSv },
        filterIds: x.filters,
        highSpeedSync: x.highSpeedSync,
      },
      lights: [{ ...newLight(sampleId(21), 'key', sampleId(x.unit), 'face', []), modifierId, distanceM: x.distanceM }],
    });
    const [face, background] = SAMPLE_HALL.readings as [Reading, Reading];
    const readings: Reading[] = [{ ...face, ...x.face }, background];
    if (x.flash !== null)
      readings.push({
        ...flashReading(
          '2.8',
          x.flash.light,
          x.flash.power,
          { av: x.flash.av, tv: x.flash.tv, sv: x.flash.sv },
          { unitId: sampleId(x.unit), modifierId, distanceM: x.distanceM },
        ),
      });
    return [setup, readings];
  };
  const numbersIn = (value: unknown): number[] =>
    typeof value === 'number'
      ? [value]
      : typeof value === 'object' && value !== null
        ? Object.values(value).flatMap(numbersIn)
        : [];

  it('there is no NaN and no infinity anywhere in the solution, and JSON keeps it whole', () => {
    fc.assert(
      fc.property(anySetup, (x) => {
        const [setup, readings] = build(x);
        const solution = solveSet(setup, SAMPLE_KIT, readings, CLOCK);
        expect(numbersIn(solution).filter((number) => !Number.isFinite(number))).toEqual([]);
        expect(JSON.parse(JSON.stringify(solution))).toEqual(solution);
        expect(solution.nextAction.text).not.toMatch(/NaN|undefined|Infinity|null/);
      }),
      { numRuns: 300 },
    );
  });

  it('more distance never asks for less power', () => {
    fc.assert(
      fc.property(anySetup, fc.double({ min: 1, max: 2.9, noNaN: true }), (x, factor) => {
        const power = (distanceM: number) => {
          const [setup, readings] = build({ ...x, flash: null, distanceM });
          // nearer than it is high it would come from above, and reach less of the face
          const level = set(setup, { path: 'lights.0.heightM', value: 0 });
          return solveSet(level, SAMPLE_KIT, readings, CLOCK).lights[0]?.exactPowerStops;
        };
        const near = power(x.distanceM / 3 + 0.3);
        const far = power((x.distanceM / 3 + 0.3) * factor);
        if (near != null && far != null) expect(far).toBeGreaterThanOrEqual(near - 1e-9);
      }),
    );
  });
});

describe('two points in different light', () => {
  it('exposed for one, the other lands as far from its own tone as its light is, and burns or sinks beyond what the camera holds', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 9, noNaN: true }), (byStops) => {
        const readings = SAMPLE_HALL.readings.map((one) =>
          one.pointId === 'background' ? { ...one, av: 3 - byStops, tv: one.tv } : one,
        );
        const { pairs, latitude } = solve({ ...hall, lights: [] }, SAMPLE_KIT, readings, CLOCK);
        const [pair] = pairs;
        if (latitude === null || pair === undefined) throw new Error('both are metered');
        expect(pair.apartStops).toBeCloseTo(byStops, 1);
        expect(pair.darker.atStops).toBeCloseTo(-pair.apartStops, 6);
        expect(pair.brighter.burns).toBe(pair.apartStops > latitude.clipsAboveStops);
        expect(pair.darker.sinks).toBe(-pair.apartStops < latitude.noiseBelowStops);
      }),
      { numRuns: 40 },
    );
  });
});
