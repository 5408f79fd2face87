import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { usualPoint } from '../../test/points';
import { solveSaid } from '../../test/said';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import {
  PLAIN_CHANGE,
  PLAIN_READING,
  type PointRole,
  type Reading,
  ROLE_FACTS,
  REPORTED_CHANGES,
  type SceneChange,
  type Setting,
  type Setup,
  touchesPoint,
  withSettings,
} from '../setup';
import { lightEv100 } from './levels';
import { meterScene } from './meteredScene';
import type { Fact } from './scene';

const CLOCK = new Date('2026-02-27T15:00:00Z');
const at = (minutesAgo: number) => new Date(CLOCK.getTime() - minutesAgo * 60_000).toISOString();
const POINTS = (['face', 'shadow', 'background', 'sky', 'white', 'dark', 'grey'] as const).map((role) =>
  usualPoint(role, role),
);
const hall: Setup = { ...SAMPLE_HALL.setup, lights: [], points: POINTS };
let number = 5000;
/** An ambient reading at 1/125 and ISO 100: EV100 is 7 over the aperture value. */
const reading = (pointId: PointRole, av: number, over: Partial<Reading> = {}): Reading => ({
  ...PLAIN_READING,
  id: sampleId((number += 1)),
  setupId: hall.id,
  pointId,
  at: at(5),
  text: String(av),
  av,
  tv: 7,
  sv: 0,
  ...over,
});
const changed = (what: SceneChange['what'], minutesAgo: number, struckAt: string | null = null): SceneChange => ({
  ...PLAIN_CHANGE,
  id: sampleId((number += 1)),
  setupId: hall.id,
  at: at(minutesAgo),
  what,
  struckAt,
});
const solveWith = (facts: readonly Fact[], setup: Setup = hall) => solveSaid(setup, SAMPLE_KIT, facts, CLOCK);
const point = (facts: readonly Fact[], role: PointRole, setup: Setup = hall) => {
  const found = solveWith(facts, setup).points.find(({ pointId }) => pointId === role);
  if (found === undefined) throw new Error(role);
  return found;
};
const set = (setup: Setup, ...settings: Setting[]): Setup => {
  const next = withSettings(setup, settings);
  if (!next.ok) throw new Error(JSON.stringify(next.reason));
  return next.value;
};
const says = (facts: readonly Fact[], setup?: Setup) => solveWith(facts, setup).warnings.map(({ kind }) => kind);

describe('kinds of reading', () => {
  it('a spot on a tone is the incident light less what the tone lies over mid grey', () => {
    const spot = (toneStops: number) => reading('white', 8, { method: { kind: 'spot', tone: 'own', toneStops } });
    expect(point([spot(7 / 3)], 'white').ambientEv100).toBeCloseTo(15 - 7 / 3, 1);
    fc.assert(
      fc.property(fc.double({ min: -5, max: 4, noNaN: true }), (tone) =>
        expect(lightEv100(spot(tone))).toBeCloseTo(15 - tone, 9),
      ),
    );
  });

  it('a place in a test frame adds how far it landed from mid grey', () => {
    const frame = reading('face', 4, {
      method: {
        kind: 'frame',
        frameId: sampleId(1),
        x: 0.5,
        y: 0.5,
        placementStops: -1.5,
        tone: 'pale-skin',
        toneStops: 1,
      },
      origin: 'frame',
    });
    expect(lightEv100(frame)).toBeCloseTo(11 - 1.5 - 1, 9);
  });

  it('a disc to one source never stands for the whole light when there is another reading', () => {
    const dome = reading('face', 4, { at: at(9) });
    const disc = reading('face', 5, { method: { kind: 'disc' } });
    expect(point([dome, disc], 'face').ambientEv100).toBeCloseTo(11, 1);
    expect(point([disc], 'face').ambientEv100).toBeCloseTo(12, 1);
    expect(point([disc], 'face').basis).toBe('one source');
    expect(says([disc])).toContain('one-source');
  });

  it("the camera's own meter gives way to a reading at the point, and is warned about with the figure", () => {
    const camera = reading('face', 6, { method: { kind: 'reflected', compensationStops: 0 } });
    expect(point([reading('face', 4, { at: at(9) }), camera], 'face').ambientEv100).toBeCloseTo(11, 1);
    expect(says([camera])).toContain('fooled');
    const fooled = solveWith([camera, reading('background', 6.3)]).warnings.find(({ kind }) => kind === 'fooled');
    expect(fooled?.text).toMatch(/The background fools the camera's meter: face lies about \d\.\d stops darker/);
    expect(says([camera, reading('background', 6)])).not.toContain('fooled');
  });

  it('the doubt depends on the kind', () => {
    const doubt = (method: Reading['method']) => point([reading('face', 4, { method })], 'face').uncertaintyStops ?? 0;
    expect(doubt({ kind: 'eye', of: 'place' })).toBeGreaterThan(0.3);
    expect(doubt({ kind: 'eye', of: 'place' })).toBeLessThan(0.5);
    expect(doubt({ kind: 'incident', aim: 'camera' })).toBeLessThan(
      doubt({ kind: 'spot', tone: 'grass', toneStops: 0 }),
    );
    expect(doubt({ kind: 'eye', of: 'place' })).toBeLessThan(doubt({ kind: 'reflected', compensationStops: 0 }));
  });
});

describe('dome to the camera against dome to the light', () => {
  const both = [reading('face', 4, { method: { kind: 'incident', aim: 'light' } }), reading('face', 3.2)];
  it('the setup says which one the face is set by, and the difference is a mood', () => {
    const open = solveWith(both);
    expect(open.dome).toMatchObject({
      by: 'camera',
      text: 'Set to the camera: brighter and more open by 0.8 stops than to the light.',
    });
    expect(open.dome?.differenceStops).toBeCloseTo(0.8, 9);
    expect(point(both, 'face').ambientEv100).toBeCloseTo(10.2, 1);
    const moody = set(hall, { path: 'look.faceBy', value: 'light' });
    expect(point(both, 'face', moody).ambientEv100).toBeCloseTo(11, 1);
    expect(solveWith(both, moody).dome?.text).toMatch(/deeper and moodier by 0\.8/);
    expect(solveWith(both.slice(1)).dome).toBeNull();
  });
});

describe('placing tones', () => {
  it('cloth lands where its tone lies; light over the face counts without the tone', () => {
    const facts = [reading('face', 4), reading('white', 4), reading('dark', 4)];
    const [face, white, dark] = [point(facts, 'face'), point(facts, 'white'), point(facts, 'dark')];
    expect(white.placedStops).toBeCloseTo((face.placedStops ?? 0) + 7 / 3, 1);
    expect(dark.placedStops).toBeCloseTo((face.placedStops ?? 0) - 2.5, 1);
    for (const { overFaceStops } of [white, dark]) expect(overFaceStops).toBeCloseTo(0, 1);
  });

  it("shows every reading at the camera's settings, and the camera that would make it right", () => {
    const facts = [reading('face', 4), reading('background', 6)];
    const { camera } = solveWith(facts);
    const background = point(facts, 'background');
    // metered f/8 at 1/125; a stop less time is a stop less aperture
    expect([camera?.text.shutter, background.atCameraText]).toEqual(['1/250', 'f/5.6 at 1/250, ISO 100']);
    expect(background.ifRightText).toMatch(/^1\/\d+, f\/2\.8, ISO 100$/);
  });

  it('contrast is the difference in light, the same both ways round', () => {
    const { contrast } = solveWith([reading('face', 4), reading('shadow', 2.5), reading('background', 6)]);
    const of = (a: PointRole, b: PointRole) =>
      contrast.stops[contrast.pointIds.indexOf(a)]?.[contrast.pointIds.indexOf(b)];
    expect(of('face', 'shadow')).toBeCloseTo(1.5, 1);
    expect(of('shadow', 'face')).toBeCloseTo(-1.5, 1);
    expect(of('sky', 'face')).toBeNull();
  });

  it('warns of a span beyond the camera, a dress without headroom, and a face with more contrast than wanted', () => {
    expect(says([reading('face', 4), reading('background', 13)])).toContain('span');
    // a dress in light half a stop brighter than the face lands at +2.83 of 3
    expect(says([reading('face', 1), reading('white', 1.5)])).toContain('headroom');
    expect(says([reading('face', 1), reading('white', 1)])).not.toContain('headroom');
    const split = [reading('face', 4), reading('shadow', 1.5)];
    expect(says(split)).toContain('face-contrast');
    expect(says(split, set(hall, { path: 'look.faceContrastStops', value: 3 }))).not.toContain('face-contrast');
  });
});

describe('readings that contradict each other', () => {
  const asks = (facts: readonly Fact[], setup?: Setup) => solveWith(facts, setup).questions.map(({ kind }) => kind);
  const inShade = {
    ...hall,
    points: hall.points.map((one) => (one.id === 'face' ? { ...one, standsIn: 'shade' as const } : one)),
  };

  it.each<[string, Fact[], Setup, string]>([
    ['the shadow side above the face', [reading('face', 3), reading('shadow', 4)], hall, 'shadow-above-face'],
    ['shade as bright as the sun', [reading('face', 7.5)], inShade, 'sun-in-shade'],
    ['a jump within a minute', [reading('face', 3, { at: at(5.5) }), reading('face', 4.5)], hall, 'surprise'],
    [
      'an ambient reading in flash mode',
      [reading('face', 3, { meterMode: 'flash', origin: 'device' })],
      hall,
      'flash-mode',
    ],
    [
      'a point far from all others',
      [reading('face', 3), reading('background', 3), reading('sky', 13)],
      hall,
      'surprise',
    ],
  ])('%s is asked about, kept, and let be once it is confirmed', (_name, facts, setup, kind) => {
    const [question] = solveWith(facts, setup).questions;
    expect(asks(facts, setup)).toEqual([kind]);
    expect(question?.cause.length).toBeGreaterThan(20);
    expect(point(facts, (question?.pointId ?? 'face') as PointRole, setup).readingId).toBe(question?.readingId);
    expect(asks(facts, set(setup, { path: 'confirmed', value: [question?.id ?? ''] }))).toEqual([]);
  });

  it('an evening of ordinary readings is not asked about', () => {
    expect(
      asks([
        reading('face', 4),
        reading('shadow', 2.8),
        reading('background', 5),
        reading('sky', 7),
        reading('white', 4.2),
      ]),
    ).toEqual([]);
  });
});

describe('readings that no longer hold', () => {
  it.each(REPORTED_CHANGES)('%s touches the points it should and no other', (what) => {
    const facts: Fact[] = [...POINTS.map(({ role }, index) => reading(role, index)), changed(what, 1)];
    const stale = solveWith(facts)
      .points.filter(({ stale: why }) => why?.kind === 'scene')
      .map(({ role }) => role);
    expect(stale).toEqual(POINTS.map(({ role }) => role).filter((role) => touchesPoint(what, role)));
    expect(solveWith(facts).nextAction.kind).toBe('meter-again');
  });

  it('a change before the reading, or one that was struck out, touches nothing', () => {
    const fresh = reading('face', 4, { at: at(1) });
    expect(point([changed('sun', 9), fresh], 'face').stale).toBeNull();
    expect(point([fresh, changed('sun', 0.5, at(0))], 'face').stale).toBeNull();
  });

  it('asks for the fewest: one of each group in the same light settles the others, carried by its change', () => {
    const before = [reading('face', 4), reading('white', 4.1), reading('background', 6)];
    const after = [...before, changed('sun', 3)];
    expect(solveWith(after).meterAgain.map(({ pointId, settles }) => [pointId, settles])).toEqual([
      ['face', ['white']],
      ['background', []],
    ]);
    const again = [...after, reading('face', 2.5, { at: at(1) })];
    expect(solveWith(again).meterAgain.map(({ pointId }) => pointId)).toEqual(['background']);
    expect(point(again, 'white').basis).toBe('carried');
    expect(Math.abs((point(again, 'white').ambientEv100 ?? 0) - (7 + 2.6))).toBeLessThan(0.2);
    // one metered in the same light leaves what a cloud does to each place by itself
    expect(point(again, 'white').stale).toMatchObject({ kind: 'scene' });
  });

  it('readings that grew old in the same light one after the other are settled by one, whatever their minutes', () => {
    const old = [reading('face', 4, { at: at(26) }), reading('white', 4.1, { at: at(24) })];
    expect(solveWith(old).meterAgain.map(({ pointId, settles }) => [pointId, settles])).toEqual([['face', ['white']]]);
  });

  it('age marks a reading while the work goes on, sooner where the light was seen to drift, and not in a setup at rest', () => {
    expect(point([reading('face', 4, { at: at(25) })], 'face').stale).toMatchObject({
      kind: 'time',
      because: 'it is 25 min old',
    });
    expect(point([reading('face', 4, { at: at(1) })], 'face').stale).toBeNull();
    const doubt = (facts: Fact[]) => point(facts, 'face').uncertaintyStops ?? 0;
    // light that was seen to hold is trusted longer
    const held = [reading('face', 4, { at: at(25) }), reading('face', 4, { at: at(9) })];
    expect(doubt(held)).toBeLessThan(doubt([reading('face', 4, { at: at(9) })]));
    expect(point([reading('face', 4, { at: at(60 * 24) })], 'face').stale).toBeNull();
    expect(solveWith([reading('face', 4, { at: at(25) })]).nextAction.kind).not.toBe('meter-again');
  });
});

it('whatever is metered, in whatever way, every number of the solution is finite', () => {
  const roles = Object.keys(ROLE_FACTS).filter((role): role is PointRole => POINTS.some(({ id }) => id === role));
  const methods: Reading['method'][] = [
    { kind: 'incident', aim: 'camera' },
    { kind: 'incident', aim: 'light' },
    { kind: 'disc' },
    { kind: 'spot', tone: 'snow', toneStops: 2 },
    { kind: 'reflected', compensationStops: 0 },
    { kind: 'eye', of: 'place' },
  ];
  const fact = fc.oneof(
    fc
      .record({
        role: fc.constantFrom(...roles),
        av: fc.double({ min: -2, max: 14, noNaN: true }),
        tv: fc.double({ min: -10, max: 15, noNaN: true }),
        sv: fc.double({ min: -4, max: 13, noNaN: true }),
        method: fc.constantFrom(...methods),
        ago: fc.integer({ min: 0, max: 300 }),
      })
      .map(({ role, av, tv, sv, method, ago }): Fact => reading(role, av, { tv, sv, method, at: at(ago) })),
    fc
      .record({ what: fc.constantFrom(...REPORTED_CHANGES), ago: fc.integer({ min: 0, max: 300 }) })
      .map(({ what, ago }): Fact => changed(what, ago)),
  );
  fc.assert(
    fc.property(fc.array(fact, { maxLength: 12 }), (facts) => {
      const text = JSON.stringify(solveWith(facts), (_key, value: unknown) => {
        if (typeof value === 'number' && !Number.isFinite(value)) throw new Error('not finite');
        return value;
      });
      expect(text).not.toContain('NaN');
    }),
    { numRuns: 150 },
  );
});

it('a long day is estimated from its newest readings, and from the newest of what was not read since', () => {
  const early = reading('background', 6, { at: at(100) });
  const day = Array.from({ length: 300 }, (_, i) => reading('face', 4 + 0.001 * i, { at: at(99 - i * 0.3) }));
  const { taken } = meterScene(hall, SAMPLE_KIT, [early, ...day], CLOCK).light.evidence.evening;
  expect(taken.length).toBeLessThan(70);
  expect(taken[0]?.id).toBe(early.id);
  expect(taken.at(-1)?.id).toBe(day.at(-1)?.id);
  expect(point([early, ...day], 'background').ambientEv100).not.toBeNull();
});
