import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { solveSet } from '../../test/said';
import { lightToAdd } from '../advice';
import { english } from '../english';
import { equalLooks, ripple } from '../explain';
import { type Kit, offered } from '../gear';
import { apparentSizeDeg } from '../modifiers';
import { SAMPLE_KIT, SAMPLE_TERRACE, sampleId } from '../sample';
import {
  type Light,
  LIGHT_ROLE_FACTS,
  LIGHT_ROLES,
  lightPath,
  lightSetting,
  newLight,
  PLAIN_READING,
  type Reading,
  type Setting,
  type Setup,
  setupSchema,
  withSettings,
} from '../setup';
import { statedLight } from './statedLight';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const terrace: Setup = {
  ...SAMPLE_TERRACE.setup,
  look: { ...SAMPLE_TERRACE.setup.look, holdBackStops: 2 },
  camera: { ...SAMPLE_TERRACE.setup.camera, wantedAv: 7 },
};
const FACTS: Reading[] = SAMPLE_TERRACE.readings;
const solved = (setup: Setup, kit: Kit = SAMPLE_KIT) => solveSet(setup, kit, FACTS, CLOCK);
const set = (setup: Setup, ...settings: Setting[]): Setup => {
  const changed = withSettings(setup, settings);
  if (!changed.ok) throw new Error(JSON.stringify(changed.reason));
  return changed.value;
};

describe('adding a light', () => {
  it.each(LIGHT_ROLES.map((role) => [role]))(
    'a %s aims at its point from where such a light stands, in the elevation that it usually has there',
    (role) => {
      const settings = lightToAdd(terrace, SAMPLE_KIT, FACTS, CLOCK, role, {
        lightId: sampleId(31),
        pointId: sampleId(32),
        pointName: 'Made',
      });
      if (settings === null) throw new Error('no light');
      const setup = set(terrace, ...settings);
      const added = setup.lights.find(({ id }) => id === sampleId(31));
      expect(added).toMatchObject({ role, group: 'B', placeSaid: false });
      if (role === 'fill') {
        const { stand } = LIGHT_ROLE_FACTS.fill;
        // on the camera axis it would stand before the lens: behind it, as high for its distance
        expect(added?.sideDeg).toBe(stand.sideDeg);
        expect(added?.distanceM).toBeGreaterThan(terrace.stage.cameraM);
        expect((added?.heightM ?? 0) / (added?.distanceM ?? 1)).toBeCloseTo(stand.heightM / stand.distanceM, 2);
      }
      expect(setup.points.find(({ id }) => id === added?.aimPointId)?.role).toBe(LIGHT_ROLE_FACTS[role].aims);
      expect(terrace.lights.some(({ unitId }) => unitId === added?.unitId)).toBe(false);
      expect(setupSchema.safeParse(setup).success).toBe(true);
      if (role === 'fill' || role === 'rim' || role === 'background') expect(setup.look.targets).toHaveLength(1);
    },
  );

  it('says so when there is no flash to add', () => {
    expect(
      lightToAdd(terrace, { ...SAMPLE_KIT, flashUnits: [] }, FACTS, CLOCK, 'key', {
        lightId: sampleId(31),
        pointId: sampleId(32),
        pointName: 'Made',
      }),
    ).toBeNull();
  });

  it('retired gear is not offered, but what is in use stays on the list', () => {
    const retired = SAMPLE_KIT.flashUnits.map((unit) => ({ ...unit, retired: unit.name.startsWith('Wren') }));
    expect(offered(retired).some(({ name }) => name.startsWith('Wren'))).toBe(false);
    expect(offered(retired, sampleId(114)).map(({ id }) => id)).toContain(sampleId(114));
  });
});

describe('equal looks', () => {
  it('another modifier keeps softness and light: D/d stays, the power follows', () => {
    const looks = equalLooks(terrace, SAMPLE_KIT, FACTS, CLOCK, 0);
    const [before] = solved(terrace).lights;
    const modifiers = looks.filter(({ id }) => id.startsWith('modifier:'));
    expect(modifiers.length).toBeGreaterThan(1);
    for (const { id, settings } of modifiers) {
      const [after] = solved(set(terrace, ...settings)).lights;
      expect([id, Math.abs((after?.softnessDeg ?? 0) - (before?.softnessDeg ?? 0)) < 1.5]).toEqual([id, true]);
      expect([id, after?.totalStops]).toEqual([id, expect.closeTo(before?.totalStops ?? 9, 0)]);
      expect(Math.abs((after?.totalStops ?? 9) - (before?.totalStops ?? 9))).toBeLessThan(0.1);
    }
  });

  it('another unit keeps the light, and half a step closer says what it changes', () => {
    const looks = equalLooks(
      set(terrace, {
        path: 'people',
        value: { nearerM: 0.3, fartherM: 0.5, leftM: 0.5, rightM: 0.5, withinStops: 0.5 },
      }),
      SAMPLE_KIT,
      FACTS,
      CLOCK,
      0,
    );
    const unit = looks.find(({ id }) => id.startsWith('unit:'));
    expect(
      Math.abs(
        (solved(set(terrace, ...(unit?.settings ?? []))).lights[0]?.totalStops ?? 9) -
          (solved(terrace).lights[0]?.totalStops ?? 9),
      ),
    ).toBeLessThan(0.2);
    const closer = looks.find(({ id }) => id === 'closer');
    if (closer === undefined) throw new Error('no closer look');
    expect(english.equalLook(closer, { setup: terrace, kit: SAMPLE_KIT }).lines.join('\n')).toMatch(
      /Power .* → .*, at 1\.05 m\nSoftness 36° → \d+°\nAcross the group [\d.]+ → [\d.]+ stops/,
    );
    expect(equalLooks(terrace, SAMPLE_KIT, FACTS, CLOCK, 4)).toEqual([]);
  });

  it('a point source has no softness to keep', () => {
    const bare = set(terrace, { path: 'lights.0.modifierId', value: null });
    expect(equalLooks(bare, SAMPLE_KIT, FACTS, CLOCK, 0).some(({ id }) => id.startsWith('modifier:'))).toBe(false);
    expect(apparentSizeDeg({ kind: 'point' }, 1)).toBe(0);
  });
});

describe('a light that is not the key out of reach', () => {
  const weak: Setup = {
    ...terrace,
    lights: [
      ...terrace.lights,
      {
        ...newLight(sampleId(31), 'background', sampleId(114), 'background', terrace.lights),
        distanceM: 12,
        gridId: sampleId(128),
      },
    ],
    look: { ...terrace.look, targets: [{ pointId: 'background', kind: 'value', stops: 1.5, weight: 1 }] },
  };
  it('is named, and each way out really helps it', () => {
    const { nextAction, waysOut } = solved(weak);
    expect(nextAction).toMatchObject({
      kind: 'power-out-of-range',
      text: expect.stringMatching(/^Background B \d\.\d stops too weak/),
    });
    const before = solved(weak).lights[1]?.outOfRange?.byStops ?? 0;
    expect(waysOut.map(({ id }) => id)).toEqual(expect.arrayContaining(['closer', 'grid-off']));
    for (const { id, settings, after, solves } of waysOut.filter((way) => way.settings.length > 0)) {
      const its = solved(set(weak, ...settings)).lights.find(({ lightId }) => lightId === sampleId(31));
      expect([id, its?.powerText ?? null]).toEqual([id, after.powerText]);
      expect([id, (its?.outOfRange?.byStops ?? 0) < before]).toEqual([id, true]);
      if (solves) expect([id, its?.outOfRange]).toEqual([id, null]);
    }
  });

  it('the ripple names the light that must follow', () => {
    const two = set(weak, { path: 'lights.1.distanceM', value: 2 }, { path: 'lights.1.gridId', value: null });
    const told = ripple(two, SAMPLE_KIT, FACTS, CLOCK, [{ path: 'camera.pins.av', value: 6 }]);
    expect(
      english
        .ripple(told ?? { moves: [], follow: [], stalePointIds: [] }, { setup: two, kit: SAMPLE_KIT })
        .follow.join(' '),
    ).toMatch(/Set key A to .*darker than now|Set background B to/);
  });
});

describe('paths to a light', () => {
  it('lead there and back, for every place and field', () => {
    fc.assert(
      fc.property(
        fc.nat(5),
        fc.constantFrom('distanceM' as const, 'gelIds' as const, 'locked' as const),
        (index, field) => {
          expect(lightSetting(lightPath(index, field))).toEqual({ index, field });
        },
      ),
    );
    expect(lightSetting('look.feelStops')).toBeNull();
  });

  it('a value out of its range is refused with a message, and the setup stays', () => {
    for (const [field, value] of [
      ['distanceM', 0.1],
      ['sideDeg', 200],
      ['channel', 0],
      ['group', 'Z'],
      ['role', 'sun'],
    ] as const)
      expect(withSettings(terrace, [{ path: lightPath(0, field), value }]).ok).toBe(false);
    expect(withSettings(terrace, [{ path: lightPath(3, 'distanceM'), value: 1 }]).ok).toBe(false);
  });
});

describe('zoom, outlets and what is stated', () => {
  const bare = (over: Partial<Light>): Setup => ({
    ...terrace,
    lights: terrace.lights.map((one) => ({ ...one, unitId: sampleId(114), modifierId: null, ...over })),
  });
  it('a narrower zoom asks for less power, by what zooming gains', () => {
    const power = (zoomMm: number | null) => solved(bare({ zoomMm })).lights[0]?.exactPowerStops ?? NaN;
    expect(power(null) - power(105)).toBeCloseTo(Math.log(105 / 50) / Math.log(3), 6);
    expect(power(50)).toBeCloseTo(power(null), 9);
  });

  it('what a simulated head is told is what geometry alone promises', () => {
    const light = terrace.lights[0] as Light;
    const stated = statedLight(terrace, SAMPLE_KIT, light);
    const { lights, camera } = solved(terrace);
    const its = lights[0];
    expect((stated.face ?? NaN) + (its?.powerStops ?? 0)).toBeCloseTo(
      (its?.meter?.flashAv ?? NaN) - (camera?.sv ?? 0),
      6,
    );
    expect(statedLight(terrace, { ...SAMPLE_KIT, flashUnits: [] }, light)).toEqual({});
  });
});

describe('white balance and gels', () => {
  const room = (relation: Setup['colour']['relation'], over: Partial<Setup['colour']> = {}): Setup => ({
    ...terrace,
    colour: {
      ambient: [{ pointId: 'face', kelvin: 2900, greenCc: 0, from: 'tungsten' }],
      relation,
      warmerMired: 40,
      whiteBalance: null,
      ...over,
    },
  });
  it('follows the relation: to the ambient, to the gelled flash, or as it was set', () => {
    expect(solved(room('match')).colour.whiteBalance.kelvin).toBe(2900);
    expect(solved(room('asIs')).colour.whiteBalance.kelvin).toBe(5600);
    expect(solved(room('asIs', { whiteBalance: { kelvin: 4000, greenCc: 2 } })).colour.whiteBalance).toMatchObject({
      kelvin: 4000,
      because: 'as set',
      text: '4000 K, magenta 2',
    });
    const cool = solved(room('coolSky'));
    expect(cool.colour.advice[0]?.gelNames).toBe('½ warm');
    const gelled = solved(
      set(room('coolSky'), { path: 'lights.0.gelIds', value: cool.colour.advice[0]?.gelIds ?? [] }),
    );
    expect(gelled.colour.whiteBalance.kelvin).toBeLessThan(3600);
    expect(gelled.colour.advice).toEqual([]);
  });

  it('a camera without any colour said takes the flash, and no light at all daylight', () => {
    expect(solved({ ...terrace, lights: [] }).colour.whiteBalance).toMatchObject({
      kelvin: 5500,
      because: 'daylight, until a colour is known',
    });
    expect(solved(terrace).colour.sources).toEqual([expect.objectContaining({ name: 'Key A', words: 'neutral' })]);
  });
});

it('what would last for the plan really lasts', () => {
  const evening = set(
    terrace,
    { path: 'lights.0.unitId', value: sampleId(114) },
    { path: 'lights.0.distanceM', value: 2.2 },
    { path: 'pace', value: { framesPerMinute: 20, frames: 900 } },
  );
  const { staying, cheaper } = solved(evening);
  expect(staying?.cheaperByStops).toBeGreaterThan(0.2);
  expect(cheaper.length).toBeGreaterThan(0);
  for (const { title, settings } of cheaper)
    expect([title, solved(set(evening, ...settings)).staying?.cheaperByStops]).toEqual([title, 0]);
});

it('an old reading of the ambient still separates a total when nothing newer is there', () => {
  const key = terrace.lights[0] as Light;
  const total: Reading = {
    ...PLAIN_READING,
    id: sampleId(990),
    setupId: terrace.id,
    pointId: 'face',
    at: '2026-02-27T15:50:00Z',
    light: 'total',
    text: 'x',
    av: 7,
    tv: 23 / 3,
    sv: 0,
    fired: [
      {
        lightId: key.id,
        unitId: key.unitId,
        outlet: null,
        zoomMm: null,
        modifierId: key.modifierId,
        gridId: null,
        gelIds: [],
        atAim: true,
        distanceM: key.distanceM,
        placeSaid: true,
        sideDeg: null,
        heightM: null,
        asideDeg: null,
        featherDeg: 0,
        powerStops: -4,
        highSpeedSyncLossStops: 0,
      },
    ],
  };
  expect(solveSet(terrace, SAMPLE_KIT, [...FACTS, total], CLOCK).lights[0]).toMatchObject({
    basis: 'reading',
    problem: null,
  });
});
