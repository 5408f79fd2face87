import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { usualPoint } from '../../test/points';
import { solveSet } from '../../test/said';
import type { Kit } from '../gear';
import { addLight } from '../photometry';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import {
  type FiredLight,
  type Light,
  newLight,
  PLAIN_CHANGE,
  PLAIN_READING,
  type Reading,
  type SceneChange,
  type Setting,
  type Setup,
  setupSchema,
  withSettings,
  USUAL_METHOD,
} from '../setup';
import { firedAs } from '../gain';
import { surpriseQuestion } from '../metering';
import { teach } from './teach';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const hall = SAMPLE_HALL.setup;
const POINTS = [
  usualPoint('face', 'face'),
  usualPoint('shadow', 'shadow'),
  usualPoint('background', 'background'),
  usualPoint('hair', 'highlight'),
];
const light = (number: number, role: Light['role'], unit: number, aim: string, over: Partial<Light> = {}): Light => ({
  ...newLight(sampleId(number), role, sampleId(unit), aim, []),
  placeSaid: true,
  group: 'ABCDEF'[number - 21] as Light['group'],
  ...over,
});
const three: Setup = {
  ...hall,
  points: POINTS,
  look: { ...hall.look, holdBackStops: 2 },
  camera: { ...hall.camera, wantedAv: 19 / 3 },
  lights: [
    light(21, 'key', 111, 'face', { modifierId: sampleId(121) }),
    light(22, 'fill', 112, 'shadow', { modifierId: sampleId(124) }),
    light(23, 'background', 114, 'background', { gridId: sampleId(126) }),
  ],
};
let next = 700;
const reading = (pointId: string, av: number, over: Partial<Reading> = {}): Reading => ({
  ...PLAIN_READING,
  id: sampleId((next += 1)),
  setupId: hall.id,
  pointId,
  at: `2026-02-27T15:0${Math.floor(next / 100) % 6}:${String(next % 60).padStart(2, '0')}Z`,
  text: 'x',
  av,
  tv: 6,
  sv: 0,
  ...over,
});
const AMBIENT = [
  reading('face', 6, { at: '2026-02-27T14:00:00Z' }),
  reading('shadow', 5.5, { at: '2026-02-27T14:00:10Z' }),
  reading('background', 5.5, { at: '2026-02-27T14:00:20Z' }),
  reading('hair', 5, { at: '2026-02-27T14:00:30Z' }),
];
const solved = (setup: Setup = three, facts: (Reading | SceneChange)[] = AMBIENT, kit: Kit = SAMPLE_KIT) =>
  solveSet(setup, kit, facts, CLOCK);
/** The camera's settings in this scene, which a meter is held at. */
const CAMERA = { tv: 23 / 3, sv: 0 };
const set = (setup: Setup, ...settings: Setting[]): Setup => {
  const changed = withSettings(setup, settings);
  if (!changed.ok) throw new Error(JSON.stringify(changed.reason));
  return changed.value;
};
const of = (role: Light['role'], solution = solved()) => {
  const one = solution.lights.find((each) => each.role === role);
  if (one === undefined) throw new Error(`no ${role}`);
  return one;
};
const flashOnly = (setup: Setup, index: number, powerStops: number, avAtCamera: number, at: string): Reading => {
  const one = setup.lights[index] as Light;
  return reading(one.aimPointId, avAtCamera, {
    at,
    light: 'flash',
    ...CAMERA,
    fired: [firedAs(setup, one, powerStops, one.aimPointId, 0, USUAL_METHOD)],
  });
};

describe('three lights together', () => {
  it('reach the face, the fill and the background at once, and say whose light is where', () => {
    expect(setupSchema.parse(three)).toEqual(three);
    expect(solved().camera).toMatchObject({ tv: expect.closeTo(CAMERA.tv, 6) as unknown as number, sv: CAMERA.sv });
    const { points, lights, powersExact } = solved();
    expect(powersExact).toBe(true);
    for (const { missStops, name } of points.filter(({ pointId }) => pointId !== 'hair'))
      expect([name, Math.abs(missStops ?? 9) < 0.25]).toEqual([name, true]);
    const face = points.find(({ role }) => role === 'face');
    expect(
      (face?.sources ?? []).reduce((sum, { share }) => sum + share, 0) +
        2 ** ((face?.ambientStops ?? 0) - (face?.totalStops ?? 0)),
    ).toBeCloseTo(1, 9);
    expect(lights.map(({ role, basis }) => [role, basis])).toEqual([
      ['key', 'geometry'],
      ['fill', 'geometry'],
      ['background', 'geometry'],
    ]);
    expect(of('fill').flashShare).toBeGreaterThan(0);
  });

  it("say the face's ratio with everything that falls on it, and key to fill apart", () => {
    const { ratios, points } = solved();
    const total = (role: string) => points.find((point) => point.role === role)?.totalStops ?? NaN;
    expect(ratios.face?.by).toBe('dark-side');
    expect(ratios.face?.stops).toBeCloseTo(total('face') - total('shadow'), 9);
    const sources = points.find(({ role }) => role === 'face')?.sources ?? [];
    const by = (role: string) =>
      sources.find(({ lightId }) => lightId === of(role as Light['role']).lightId)?.stops ?? NaN;
    expect(ratios.keyOverFillStops).toBeCloseTo(by('key') - by('fill'), 9);
    // without a point of the dark side it gets all but the key: more ambient makes it flatter
    const lit = { ...three, points: POINTS.filter(({ role }) => role !== 'shadow'), lights: three.lights.slice(0, 1) };
    const [dim, bright] = [2.5, 0.5].map(
      (holdBackStops) => solved({ ...lit, look: { ...lit.look, holdBackStops } }).ratios,
    );
    expect(dim?.face?.by).toBe('without-key');
    expect(dim?.face?.stops ?? NaN).toBeGreaterThan((bright?.face?.stops ?? NaN) + 1);
    expect(ratios.rimOverKeyStops).toBeNull();
    const rimmed = solved({ ...three, lights: [...three.lights, light(24, 'rim', 115, 'hair')] });
    expect(rimmed.ratios.rimOverKeyStops).not.toBeNull();
  });

  it('a target that is set takes the place of the usual one, and a locked light stays', () => {
    const darker = set(three, {
      path: 'look.targets',
      value: [{ pointId: 'background', kind: 'most', stops: -1.5, weight: 1 }],
    });
    expect(of('background', solved(darker)).targetStops).toBe(-1.5);
    const locked = set(three, { path: 'lights.1.dialledStops', value: -5 }, { path: 'lights.1.locked', value: true });
    expect(of('fill', solved(locked)).powerStops).toBe(-5);
  });

  it('a ratio to the face or a share of flash is a target as well as a tone', () => {
    const wants = (kind: 'ratio' | 'share', stops: number) =>
      solved(set(three, { path: 'look.targets', value: [{ pointId: 'shadow', kind, stops, weight: 4 }] }));
    const shadowOf = ({ points }: ReturnType<typeof solved>) => points.find(({ role }) => role === 'shadow');
    // 3:1
    const ratio = wants('ratio', Math.log2(3));
    expect(shadowOf(ratio)?.targetStops).toBeCloseTo(ratio.look.finalStops - Math.log2(3), 9);
    expect(Math.abs((ratio.ratios.face?.ratio ?? 0) - 3)).toBeLessThan(0.4);
    // half of the light there is flash
    const share = shadowOf(wants('share', 1));
    expect(share?.targetStops).toBeCloseTo((share?.ambientStops ?? NaN) + 1, 9);
  });

  it("a rim's usual target follows the hair", () => {
    const rimmed = (hair: 'dark' | 'light') => {
      const lights = [light(24, 'rim', 115, 'hair')];
      const stage = { ...three.stage, subject: { ...three.stage.subject, hair } };
      return of('rim', solved({ ...three, stage, lights })).targetStops;
    };
    expect(rimmed('dark') - rimmed('light')).toBeCloseTo(1, 9);
  });

  it('lights on one pack share its dial, by their outlets', () => {
    const pack = {
      ...three,
      lights: [
        light(21, 'key', 113, 'face', { outlet: 0 }),
        light(22, 'fill', 113, 'shadow', { outlet: 1, modifierId: sampleId(124) }),
      ],
    };
    const [key, fill] = solved(pack).lights;
    expect(key?.powerStops).toBe(fill?.powerStops);
    const bare = { ...three, lights: [light(21, 'key', 113, 'face', { distanceM: 4 })] };
    const part = { ...bare, lights: bare.lights.map((one) => ({ ...one, outlet: 1 })) };
    expect((solved(part).lights[0]?.exactPowerStops ?? 0) - (solved(bare).lights[0]?.exactPowerStops ?? 0)).toBeCloseTo(
      Math.log2(3),
      9,
    );
  });

  it('leads through them all on, reading where the total is known least, until all of it is known', () => {
    let setup: Setup = { ...three, tests: 'together' };
    const facts = [...AMBIENT];
    const told: string[] = [];
    const hidden = [0.4, -0.3, 0.6];
    let known = NaN;
    // what stands there really: each light off by its hidden amount at every point, whatever is believed of it later
    const first = solved(setup);
    const powerOf = (id: string) => first.lights.find(({ lightId }) => lightId === id)?.powerStops ?? 0;
    const really = (pointId: string, dialled: readonly number[]): number => {
      const there = first.points.find((point) => point.pointId === pointId);
      const flashes = (there?.sources ?? []).map(({ lightId, stops }) => {
        const index = setup.lights.findIndex(({ id }) => id === lightId);
        return stops - powerOf(lightId) + (dialled[index] ?? 0) + (hidden[index] ?? 0);
      });
      // at the camera's level an aperture value of that much is mid grey
      const grey = (there?.ambientEv100 ?? 0) - (there?.ambientStops ?? 0) - CAMERA.tv;
      return grey + addLight(there?.ambientStops ?? 0, ...flashes);
    };
    for (let round = 0; round < 12; round += 1) {
      const now = new Date(Date.parse('2026-02-27T14:01:00Z') + 20_000 * round);
      const { nextAction, leastKnown } = solveSet(setup, SAMPLE_KIT, facts, now);
      known = leastKnown?.sdStops ?? NaN;
      const at = leastKnown?.pointId ?? '';
      told.push(nextAction.text);
      if (nextAction.settings.length > 0) setup = set(setup, ...nextAction.settings);
      if (nextAction.kind !== 'fire-all') {
        if (nextAction.settings.length === 0) break;
        continue;
      }
      const dialled = setup.lights.map((light) => light.dialledStops ?? 0);
      facts.push(
        reading(at, really(at, dialled), {
          light: 'total',
          at: now.toISOString(),
          ...CAMERA,
          fired: setup.lights.map((light) => firedAs(setup, light, light.dialledStops ?? 0, at, 0, USUAL_METHOD)),
        }),
      );
    }
    expect(told[0]).toMatch(/^C .*, B .*, A /);
    expect(told.filter((text) => text === 'Fire all 3 together').length).toBeLessThanOrEqual(4);
    expect(told.at(-1)).toMatch(/^Shoot: /);
    expect(known).toBeLessThanOrEqual(1 / 6);
  });

  it('names the lights that one reading with all on has not told, until they are read', () => {
    const fired = (pointId: string, at: string): Reading =>
      reading(pointId, 6.5, {
        at,
        light: 'total',
        ...CAMERA,
        fired: three.lights.map((one) => firedAs(three, one, -4, pointId, 0, USUAL_METHOD)),
      });
    const untold = (facts: Reading[]) => solved(three, facts).untold.map(({ lightId }) => lightId);
    expect(untold(AMBIENT)).toEqual([]);
    const once = untold([...AMBIENT, fired('face', '2026-02-27T14:01:00Z')]);
    expect(once).toContain(three.lights[2]?.id);
    for (const { sdStops } of solved(three, [...AMBIENT, fired('face', '2026-02-27T14:01:00Z')]).untold)
      expect(sdStops).toBeGreaterThan(1 / 3);
    const background = flashOnly(three, 2, -4, 5, '2026-02-27T14:02:00Z');
    expect(untold([...AMBIENT, fired('face', '2026-02-27T14:01:00Z'), background])).not.toContain(three.lights[2]?.id);
  });

  it('leads through them, each alone, then all together', () => {
    let setup: Setup = { ...three, tests: 'each' };
    const facts = [...AMBIENT];
    const told: string[] = [];
    const hidden = [0.4, -0.3, 0.6];
    for (let round = 0; round < 12; round += 1) {
      const solution = solved(setup, facts);
      told.push(solution.nextAction.text);
      if (solution.nextAction.settings.length > 0) {
        setup = set(setup, ...solution.nextAction.settings);
        continue;
      }
      if (solution.nextAction.kind !== 'fire-test') break;
      const fired = solution.lights.find(({ role, group }) =>
        solution.nextAction.text.includes(
          `${role === 'background' ? 'Background' : role === 'fill' ? 'Fill' : 'Key'} ${group}`,
        ),
      );
      if (fired?.meter == null || fired.powerStops === null) throw new Error('nothing to fire');
      facts.push(
        flashOnly(
          setup,
          fired.index,
          fired.powerStops,
          fired.meter.flashAv + (hidden[fired.index] ?? 0),
          `2026-02-27T15:1${round % 10}:00Z`,
        ),
      );
    }
    expect(told[0]).toMatch(/^Background C to /);
    expect(told).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^Fire Background C alone/),
        expect.stringMatching(/^Fire Fill B alone/),
        expect.stringMatching(/^Fire Key A alone/),
      ]),
    );
    expect(told.at(-1)).toBe('Fire all 3 together');
    const after = solved(setup, facts);
    for (const { missStops, name } of after.points.filter(({ pointId }) => pointId !== 'hair'))
      expect([name, Math.abs(missStops ?? 9) < 0.25]).toEqual([name, true]);
    expect(after.lights.map(({ basis }) => basis)).toEqual(['reading', 'reading', 'reading']);
    const all = reading('face', (after.points[0]?.totalEv100 ?? 0) - CAMERA.tv, {
      light: 'total',
      at: '2026-02-27T15:30:00Z',
      ...CAMERA,
      fired: after.lights.map(({ index, powerStops }) =>
        firedAs(setup, setup.lights[index] as Light, powerStops ?? 0, 'face', 0, USUAL_METHOD),
      ),
    });
    const done = solved(setup, [...facts, all]);
    expect(done.together?.pointName).toBe('Face');
    expect(Math.abs(done.together?.offStops ?? 9)).toBeLessThan(0.2);
    expect(done.nextAction.kind).toBe('shoot');
  });

  it('steps of a dial say what they do to the picture before they are tapped', () => {
    const { steps, totalStops, powerStops } = of('fill');
    expect(steps.up?.totalStops).toBeGreaterThan(0);
    expect(steps.down?.totalStops).toBeLessThan(0);
    const held = solved(
      set(
        three,
        { path: 'lights.1.dialledStops', value: steps.up?.powerStops ?? 0 },
        { path: 'lights.1.locked', value: true },
        { path: 'lights.0.dialledStops', value: of('key').powerStops },
        { path: 'lights.0.locked', value: true },
        { path: 'lights.2.dialledStops', value: of('background').powerStops },
        { path: 'lights.2.locked', value: true },
      ),
    );
    expect(of('fill', held).totalStops - totalStops).toBeCloseTo(steps.up?.totalStops ?? 9, 9);
    expect(powerStops).not.toBeNull();
  });
});

describe('what readings teach is used on the next setup', () => {
  const key = three.lights[0] as Light;
  const shot = (off: number, at: string): Reading => {
    const alone = { ...three, lights: [key] };
    const its = solved(alone).lights[0];
    return flashOnly(alone, 0, its?.powerStops ?? 0, (its?.meter?.flashAv ?? 0) + off, at);
  };
  it('a reading moves the next prediction and its doubt shrinks', () => {
    const alone = { ...three, lights: [key] };
    const shots = [shot(-0.6, '2026-02-27T14:20:00Z'), shot(-0.55, '2026-02-27T14:21:00Z')];
    const taught: Kit = {
      ...SAMPLE_KIT,
      calibration: teach(SAMPLE_KIT, [{ setup: alone, facts: [...AMBIENT, ...shots] }]),
    };
    const fresh = { ...three, id: sampleId(99), lights: [key] };
    const facts = AMBIENT.map((one) => ({ ...one, setupId: fresh.id }));
    const [before, after] = [solved(fresh, facts).lights[0], solved(fresh, facts, taught).lights[0]];
    expect(after).toMatchObject({ basis: 'calibration', taughtBy: 2 });
    expect((after?.exactPowerStops ?? 0) - (before?.exactPowerStops ?? 0)).toBeCloseTo(0.5, 1);
    // a place that is typed anew is known to 0.15 each time
    expect(after?.uncertaintyStops).toBeLessThan(0.3);
    expect(before?.uncertaintyStops).toBeGreaterThan(0.6);
  });

  it('a pop on the wrong channel is questioned, and hardly learned or corrected by; once it is confirmed it is', () => {
    const alone = { ...three, lights: [key] };
    const good = [shot(0, '2026-02-27T14:20:00Z'), shot(0.02, '2026-02-27T14:21:00Z')];
    const wrong = shot(-2.5, '2026-02-27T14:22:00Z');
    const facts = [...AMBIENT, ...good, wrong];
    const { questions, lights, nextAction } = solved(alone, facts);
    expect(questions).toEqual([
      expect.objectContaining({
        kind: 'surprise',
        readingId: wrong.id,
        text: expect.stringMatching(/2\.5 stops under what was foretold/),
      }),
    ]);
    expect(nextAction.kind).toBe('answer');
    const before = solved(alone, [...AMBIENT, ...good]).lights[0]?.exactPowerStops ?? 9;
    expect(Math.abs((lights[0]?.exactPowerStops ?? 9) - before)).toBeLessThan(0.1);
    const confirmed = { ...alone, confirmed: [surpriseQuestion(wrong.id)] };
    expect(solved(confirmed, facts).questions.filter(({ readingId }) => readingId === wrong.id)).toEqual([]);
    expect((solved(confirmed, facts).lights[0]?.exactPowerStops ?? 0) - before).toBeGreaterThan(1);
  });

  it('what is forgotten teaches nothing, and a struck-out reading never did', () => {
    const alone = { ...three, lights: [key] };
    const readings = [...AMBIENT, shot(-0.6, '2026-02-27T14:20:00Z')];
    const forgetful = {
      ...SAMPLE_KIT,
      preferences: { ...SAMPLE_KIT.preferences, forgotten: { [`unit:${key.unitId}`]: '2026-02-27T14:30:00Z' } },
    };
    expect(teach(forgetful, [{ setup: alone, facts: readings }]).ids).toEqual([]);
    const struck = readings.map((one) => ({ ...one, struckAt: '2026-02-27T14:40:00Z' }));
    expect(teach(SAMPLE_KIT, [{ setup: alone, facts: struck }]).ids).toEqual([]);
    const learned = teach(SAMPLE_KIT, [{ setup: alone, facts: readings }]);
    expect(learned.ids).toEqual([`unit:${key.unitId}`, `modifier:${key.modifierId}`, `dial:unit:${key.unitId}`]);
    expect(learned.readings).toEqual([1, 1, 1]);
  });

  it('a dial is forgotten by itself, and an assumed place teaches nothing', () => {
    const alone = { ...three, lights: [key] };
    const readings = [...AMBIENT, shot(-0.6, '2026-02-27T14:20:00Z')];
    const forgetful = {
      ...SAMPLE_KIT,
      preferences: { ...SAMPLE_KIT.preferences, forgotten: { [`dial:unit:${key.unitId}`]: '2026-02-27T14:30:00Z' } },
    };
    const all = teach(SAMPLE_KIT, [{ setup: alone, facts: readings }]);
    const rest = teach(forgetful, [{ setup: alone, facts: readings }]);
    expect(rest.ids).toEqual(all.ids.slice(0, 2));
    expect(rest.meanStops).toEqual(all.meanStops.slice(0, 2));
    const assumed = readings.map((one) => ({
      ...one,
      fired: one.fired.map((light) => ({ ...light, placeSaid: false })),
    }));
    expect(teach(SAMPLE_KIT, [{ setup: alone, facts: assumed }]).ids).toEqual([]);
  });

  it('a second meter is learned against the first, and read by what it is off', () => {
    const meters = [201, 202].map((n) => ({
      id: sampleId(n),
      name: `Meter ${n}`,
      increment: 'tenth' as const,
      retired: false,
    }));
    const kit: Kit = { ...SAMPLE_KIT, meters };
    const pairs = Array.from({ length: 8 }, (_, i): Reading[] => {
      const at = (second: number) => `2026-02-27T14:${10 + i}:0${second}Z`;
      return [
        reading('face', 6, { at: at(0), meterId: sampleId(201) }),
        reading('face', 6.2, { at: at(5), meterId: sampleId(202) }),
      ];
    }).flat();
    const learned = teach(kit, [{ setup: three, facts: pairs }]);
    expect(learned.ids).toEqual([`meter:${sampleId(202)}`]);
    expect(learned.meanStops[0]).toBeGreaterThan(0.1);
    expect(learned.meanStops[0]).toBeLessThan(0.2);
    expect(Math.sqrt(learned.covariance[0]?.[0] ?? 1)).toBeLessThan(0.07);
    const only = [reading('face', 6.2, { meterId: sampleId(202) })];
    const level = (calibration: Kit['calibration']) =>
      solved(three, only, { ...kit, calibration }).points[0]?.ambientEv100 ?? NaN;
    expect(level(learned) - level(SAMPLE_KIT.calibration)).toBeCloseTo(-(learned.meanStops[0] ?? 0), 1);
  });
});

describe('when the dial does not agree', () => {
  const alone: Setup = { ...three, lights: [three.lights[0] as Light] };
  const its = solved(alone).lights[0];
  const total = (av: number, at: string, powerStops = its?.powerStops ?? 0): Reading =>
    reading('face', av, {
      light: 'total',
      ...CAMERA,
      at,
      fired: [firedAs(alone, alone.lights[0] as Light, powerStops, 'face', 0, USUAL_METHOD)],
    });
  const first = flashOnly(alone, 0, its?.powerStops ?? 0, its?.meter?.flashAv ?? 0, '2026-02-27T14:01:00Z');
  const off = total((its?.meter?.totalAv ?? 0) + 0.7, '2026-02-27T14:02:00Z');

  it('asks with the likely causes and their sizes, and the one reading that tells them apart', () => {
    const { questions } = solved(alone, [...AMBIENT, first, off]);
    expect(questions).toEqual([expect.objectContaining({ kind: 'surprise', readingId: off.id })]);
    expect(questions[0]?.causes.map(({ text }) => text)).toEqual(
      expect.arrayContaining([expect.stringMatching(/light here changed|daylight changed/)]),
    );
    expect(questions[0]?.tells).toMatch(/^Meter the face with the flash (off|again): that tells which\.$/);
  });

  it('nothing that was declared is asked about', () => {
    // the ambient had moved up by what makes the total: the flash itself is as it was
    const ambientThen = Math.log2(2 ** off.av - 2 ** (its?.meter?.flashAv ?? 0));
    const cloud: SceneChange = {
      ...PLAIN_CHANGE,
      id: sampleId(990),
      setupId: alone.id,
      at: '2026-02-27T14:01:30Z',
      what: 'sun',
      struckAt: null,
    };
    const again = reading('face', ambientThen, { at: '2026-02-27T14:03:00Z', ...CAMERA });
    const moved = solved(alone, [...AMBIENT, first, cloud, off, again]);
    expect(moved.questions).toEqual([]);
  });
});

describe('colour, group, wind and charge', () => {
  it('gels match a tungsten room, the white balance follows, and the cost is paid by power', () => {
    const room = set(three, {
      path: 'colour',
      value: {
        ambient: [
          { pointId: 'face', kelvin: 2900, greenCc: 0, from: 'tungsten' },
          { pointId: 'background', kelvin: 10_000, greenCc: 0, from: 'dusk' },
        ],
        relation: 'match',
        warmerMired: 30,
        whiteBalance: null,
      },
    });
    const { colour } = solved(room);
    expect(colour.whiteBalance.kelvin).toBe(2900);
    expect(colour.advice.map(({ name, gelNames }) => [name, gelNames])).toEqual([
      ['Key A', 'Full warm'],
      ['Fill B', 'Full warm'],
    ]);
    expect(colour.warnings[0]).toMatch(/Mixed colour on the face/);
    const settings = colour.advice.map(({ lightId, gelIds }): Setting => ({
      path: room.lights[0]?.id === lightId ? 'lights.0.gelIds' : 'lights.1.gelIds',
      value: gelIds,
    }));
    const gelledSetup = set(room, ...settings);
    const after = solved(gelledSetup);
    expect(after.colour.advice).toEqual([]);
    expect(after.colour.warnings).toEqual([]);
    expect(after.colour.sources.find(({ name }) => name === 'Ambient, background')?.words).toBe('plainly cool');
    expect((of('key', after).exactPowerStops ?? 0) - (of('key').exactPowerStops ?? 0)).toBeCloseTo(0.85, 1);
  });

  it('a group of eleven is brought under half a stop by each cure, as it promises', () => {
    const eleven = set(three, {
      path: 'people',
      value: { nearerM: 0.3, fartherM: 0.7, leftM: 1.2, rightM: 1.2, withinStops: 0.5 },
    });
    const { group } = solved(eleven);
    expect(group?.even).toBe(false);
    expect(group?.cures.map(({ id }) => id)).toEqual(expect.arrayContaining(['distance', 'second']));
    for (const { id, settings, spreadStops } of group?.cures ?? []) {
      const after = solved(set(eleven, ...settings)).group;
      expect([id, after?.even, after?.spreadStops]).toEqual([id, true, expect.closeTo(spreadStops, 6)]);
    }
  });

  it('wind asks for ballast by stand and modifier, and recycling for pace', () => {
    const windy = set(
      three,
      { path: 'gustMps', value: 8 },
      { path: 'lights.0.standId', value: sampleId(161) },
      { path: 'pace', value: { framesPerMinute: 60, frames: 900 } },
    );
    const { cautions, staying } = solved(windy);
    expect(cautions[0]).toMatch(/Key A: at least \d+ kg over the tallest leg for gusts of 8 m\/s/);
    expect(cautions.some((text) => /Fill B: name its stand/.test(text))).toBe(true);
    expect(staying?.lights).toHaveLength(3);
    expect(staying?.firstOut).not.toBeNull();
    const strong = solved(
      set(windy, { path: 'lights.2.dialledStops', value: 0 }, { path: 'lights.2.locked', value: true }),
    ).staying;
    expect(strong?.cheaperByStops).toBeGreaterThan(2);
    expect(strong?.text).toMatch(/background C runs out first/);
  });
});

it('there is no NaN in any solution with several lights, whatever they are', () => {
  const any = fc.record({
    roles: fc.array(fc.constantFrom<Light['role']>('key', 'fill', 'rim', 'background', 'motivated'), {
      minLength: 1,
      maxLength: 4,
    }),
    units: fc.shuffledSubarray([111, 112, 113, 114, 115], { minLength: 4 }),
    aims: fc.array(fc.constantFrom('face', 'shadow', 'background', 'hair'), { minLength: 4, maxLength: 4 }),
    stand: fc.record({
      distanceM: fc.double({ min: 0.3, max: 30, noNaN: true }),
      sideDeg: fc.double({ min: -180, max: 180, noNaN: true }),
      heightM: fc.double({ min: -2, max: 5, noNaN: true }),
    }),
    backgroundM: fc.option(fc.double({ min: 0.3, max: 100, noNaN: true }), { nil: null }),
    grid: fc.constantFrom(null, sampleId(126), sampleId(128)),
    metered: fc.subarray(AMBIENT),
    faceBy: fc.constantFrom('camera' as const, 'light' as const),
  });
  const numbersIn = (value: unknown): number[] =>
    typeof value === 'number'
      ? [value]
      : typeof value === 'object' && value !== null
        ? Object.values(value).flatMap(numbersIn)
        : [];
  fc.assert(
    fc.property(any, ({ roles, units, aims, stand, backgroundM, grid, metered, faceBy }) => {
      const setup = {
        ...three,
        backgroundM,
        look: { ...three.look, faceBy },
        lights: roles.map((role, index) =>
          light(21 + index, role, units[index] ?? 111, aims[index] ?? 'face', { ...stand, gridId: grid }),
        ),
      };
      const solution = solved(setup, metered);
      expect(numbersIn(solution).every(Number.isFinite)).toBe(true);
      expect(
        solution.lights.every(({ powerStops }) => powerStops === null || (powerStops <= 0 && powerStops >= -8)),
      ).toBe(true);
    }),
    { numRuns: 60 },
  );
});

/** What is fired is written down whole. */
it('a fired light is a fact about all that it is made of', () => {
  const fired: FiredLight = firedAs(
    three,
    { ...(three.lights[0] as Light), gelIds: [sampleId(141)] },
    -3,
    'face',
    0,
    USUAL_METHOD,
  );
  expect(fired).toMatchObject({ atAim: true, gelIds: [sampleId(141)], modifierId: sampleId(121), powerStops: -3 });
});
