import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { ambientReading } from '../../test/points';
import { sameAmbient } from '../explain';
import { frameFights } from '../exposure';
import { SAMPLE_HALL, SAMPLE_KIT } from '../sample';
import { type Reading, type Setting, type Setup, withSettings } from '../setup';
import { solve } from '../solution';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const { setup: hall, readings } = SAMPLE_HALL;
const put = (setup: Setup, ...settings: Setting[]): Setup => {
  const changed = withSettings(setup, settings);
  if (!changed.ok) throw new Error(JSON.stringify(changed.reason));
  return changed.value;
};
const solved = (setup: Setup, facts: readonly Reading[] = readings) => solve(setup, SAMPLE_KIT, facts, CLOCK);
/** The setup once the next action, which sets the camera, was done. */
const asSet = (setup: Setup, facts: readonly Reading[] = readings): Setup => {
  const { nextAction } = solved(setup, facts);
  if (nextAction.kind !== 'set-camera') throw new Error(nextAction.kind);
  return put(setup, ...nextAction.settings);
};
/** The hall read once more, brighter by so many stops. */
const brighter = (byStops: number): Reading[] => [
  ...readings,
  { ...ambientReading(hall, 961, 'face', 8 + byStops), av: 3 + byStops, tv: 6, sv: 2, at: '2026-02-27T15:39:00Z' },
  {
    ...ambientReading(hall, 962, 'background', 7 + byStops),
    av: 2.2 + byStops,
    tv: 6,
    sv: 2,
    at: '2026-02-27T15:39:20Z',
  },
];

describe('the camera as it stands', () => {
  it('is set before a test, after the power stands; then nothing is left to set', () => {
    const before = solved(hall);
    expect(before.nextAction).toMatchObject({
      kind: 'set-camera',
      moved: ['shutter', 'aperture', 'iso'],
      because: { kind: 'never-told' },
    });
    expect(before.lights[0]?.powerText).not.toBeNull();
    const after = solved(asSet(hall));
    expect([after.toSet, after.nextAction.kind]).toEqual([null, 'set-and-test']);
    expect(after.lights[0]?.powerText).toBe(before.lights[0]?.powerText);
  });

  it('stays when the light is another: figures are for it, and what to move is said with the reason', () => {
    const set = asSet(hall);
    const { camera, suggested, toSet, points, nextAction } = solved(set, brighter(1));
    expect(camera?.ev100).toBeCloseTo(solved(set).camera?.ev100 ?? NaN, 6);
    const moves = (suggested?.ev100 ?? NaN) - (camera?.ev100 ?? NaN);
    expect(toSet).toMatchObject({ because: { kind: 'light', brighterStops: expect.closeTo(moves, 6) } });
    expect(moves).toBeGreaterThan(0.5);
    expect(points[0]?.ambientStops).toBeGreaterThan((solved(set).points[0]?.ambientStops ?? NaN) + 0.5);
    // only the dials that move are named
    expect(nextAction).toMatchObject({ kind: 'set-camera', moved: toSet?.dials });
    expect(toSet?.dials).not.toContain('aperture');
  });

  it('is left alone by light that moves the picture by no more than a sixth of a stop', () => {
    const set = asSet(hall);
    const { toSet, suggested, camera } = solved(set, brighter(0.12));
    expect(Math.abs((suggested?.ev100 ?? NaN) - (camera?.ev100 ?? NaN))).toBeLessThanOrEqual(1 / 3 + 1e-9);
    if (Math.abs((suggested?.ev100 ?? NaN) - (camera?.ev100 ?? NaN)) <= 1 / 6) expect(toSet).toBeNull();
  });

  it('gives way to another wish: the figures are for that, and the dials between both are named', () => {
    const wished = put(asSet(hall), { path: 'look.holdBackStops', value: 2 });
    const { camera, suggested, toSet } = solved(wished);
    expect(wished.camera.stands).toMatchObject({ inForce: false });
    expect(camera).toEqual(suggested);
    expect(toSet?.because).toEqual({ kind: 'wish' });
    expect(solved(put(wished, ...solved(wished).nextAction.settings)).toSet).toBeNull();
  });

  it('hides no trouble of another wish: what is in the way is said first, with the ways out', () => {
    const wished = put(
      asSet(hall),
      { path: 'look.exposeBy', value: 'background' },
      { path: 'look.backgroundStops', value: 1 },
    );
    const { toSet, suggested, nextAction, waysOut } = solved(wished);
    expect([toSet?.because, suggested?.met]).toEqual([{ kind: 'wish' }, true]);
    expect(nextAction.kind).toBe('no-flash-can-help');
    expect(waysOut.length).toBeGreaterThan(2);
  });

  it('may stand as it likes: every figure is then for that, and a limit that it passes is said', () => {
    const stop = fc.integer({ min: -3, max: 3 }).map((thirds) => thirds / 3);
    const set = asSet(hall);
    const { av = 0, tv = 0, sv = 0 } = set.camera.stands ?? {};
    fc.assert(
      fc.property(stop, stop, stop, (a, t, s) => {
        const stands = { av: av + a, tv: tv + t, sv: sv + s, inForce: true };
        const { camera, points } = solved(put(set, { path: 'camera.stands', value: stands }));
        expect(camera?.ev100).toBeCloseTo(stands.av + stands.tv - stands.sv, 9);
        expect(points[0]?.ambientStops).toBeCloseTo((points[0]?.ambientEv100 ?? NaN) - (camera?.ev100 ?? NaN), 9);
      }),
      { numRuns: 40 },
    );
    const pastSync = put(set, { path: 'camera.stands', value: { av, tv: 9, sv, inForce: true } });
    expect(solved(pastSync).toSet?.because).toEqual({ kind: 'limit', limit: 'sync' });
    expect(solved(pastSync).warnings.map(({ kind }) => kind)).toContain('dark-band');
    const slow = put(set, { path: 'camera.stands', value: { av, tv: 3, sv, inForce: true } });
    expect(solved(slow).warnings).toContainEqual(expect.objectContaining({ kind: 'smear' }));
  });

  it('has other settings for the same ambient, which are what they say once they are set', () => {
    const set = asSet(hall);
    const others = sameAmbient(set, SAMPLE_KIT, readings, CLOCK);
    expect(others.length).toBeGreaterThan(2);
    const ambient = solved(set).points.map(({ ambientStops }) => ambientStops ?? NaN);
    for (const { settings, text, powers } of others) {
      const then = solved(put(set, ...settings));
      expect(then.camera?.text).toMatchObject(text);
      then.points.forEach(({ ambientStops }, index) => expect(ambientStops).toBeCloseTo(ambient[index] ?? NaN, 6));
      expect(powers).toEqual(
        then.lights.map(({ lightId, powerText, outOfRange }) => ({
          lightId,
          powerText: outOfRange === null ? powerText : null,
        })),
      );
    }
  });
});

describe('the light that is there, alone', () => {
  const alone = put(hall, { path: 'lights', value: [] });

  it('is exposed for the face with nothing held back, and sync does not bind', () => {
    const { camera, points, look, lights, nextAction } = solved(alone);
    expect(lights).toEqual([]);
    expect(Math.abs(points[0]?.totalStops ?? NaN)).toBeLessThanOrEqual(1 / 6 + 1e-9);
    expect(look.wanted).toBeNull();
    expect(camera?.beyondSync).toBe(false);
    expect(nextAction.kind).toBe('set-camera');
    expect(solved(asSet(alone)).nextAction.kind).toBe('shoot-ambient');
    const bright = brighter(6);
    expect(solved(alone, bright).camera?.tv).toBeGreaterThan(Math.log2(200) + 0.5);
  });

  it('says whether the dark side wants fill, by what the picture may lift at this ISO', () => {
    const points = [
      ...hall.points,
      { ...(hall.points[0] as Setup['points'][number]), id: 'shadow', role: 'shadow' as const, name: 'Shadow side' },
    ];
    const dark = (stops: number): Reading[] => [
      ...readings,
      { ...ambientReading(hall, 963, 'shadow', 9), av: 3 - stops, tv: 6, sv: 2, at: '2026-02-27T13:13:00Z' },
    ];
    const both = put(alone, { path: 'points', value: points });
    const little = solved(asSet(both, dark(2.5)), dark(2.5));
    expect(little.lift?.needStops).toBeCloseTo(0.5, 1);
    expect(little.nextAction).toMatchObject({ kind: 'shoot-ambient', lift: { needStops: little.lift?.needStops } });
    const much = solved(asSet(both, dark(5)), dark(5));
    expect(much.lift?.needStops).toBeGreaterThan(much.lift?.mayStops ?? NaN);
    expect(much.nextAction.kind).toBe('fill-needed');
  });

  it('takes a light in with all that is there: only the ambient is then held back for it', () => {
    const set = asSet(alone);
    const lit = put(set, { path: 'lights', value: hall.lights });
    expect(lit.camera.stands?.inForce).toBe(false);
    expect(solved(lit)).toMatchObject({ toSet: { because: { kind: 'wish' } } });
    expect(solved(lit).lights[0]?.powerText).toBe(solved(hall).lights[0]?.powerText);
  });
});

describe('settings that look right', () => {
  it('lead on to a power and a test without a reading of the face, which then only sharpens it', () => {
    const eye: Reading = {
      ...ambientReading(hall, 964, 'background', 9),
      av: 3,
      tv: 7,
      sv: 2,
      method: { kind: 'eye', of: 'place' },
    };
    const setup = put(
      hall,
      { path: 'look.exposeBy', value: 'background' },
      { path: 'camera.stands', value: { av: 3, tv: 7, sv: 2, inForce: true } },
    );
    const byEye = solved(setup, [eye]);
    expect(byEye.nextAction.kind).toBe('set-and-test');
    expect(byEye.points[0]).toMatchObject({ basis: 'assumed', ambientStops: expect.closeTo(-1, 6) });
    expect(byEye.camera).toMatchObject({ av: 3, tv: 7, sv: 2 });
    const face: Reading = { ...ambientReading(hall, 965, 'face', 9), av: 2.4, tv: 7, sv: 2 };
    const sharper = solved(setup, [eye, face]);
    expect(sharper.points[0]?.basis).toBe('measured');
    const [before, after] = [byEye, sharper].map(({ lights }) => lights[0]?.exactPowerStops ?? NaN);
    expect(Math.abs((before ?? NaN) - (after ?? NaN))).toBeLessThan(0.6);
    // the whole frame is known less well than one place of it
    const frame = solved(setup, [{ ...eye, method: { kind: 'eye', of: 'frame' } }]);
    const within = (one: typeof frame) => one.points.find(({ role }) => role === 'background')?.uncertaintyStops ?? NaN;
    expect(within(frame)).toBeGreaterThan(within(byEye) + 0.2);
  });
});

describe('what a frame tells of its camera', () => {
  const quiet = { exposure: 'manual', compensationStops: 0, whiteBalance: 'manual', flashFired: false } as const;
  const frame = { av: 3, tv: 7, sv: 2, byItself: quiet };
  it('is nothing where all was set by hand', () => {
    expect(frameFights(frame, { av: 3, tv: 7, sv: 2 }, true)).toEqual([]);
  });
  it('is what fights settings by hand, each by itself', () => {
    const kinds = (over: object, flash = true, sv = 2) =>
      frameFights({ ...frame, byItself: { ...quiet, ...over } }, { av: 3, tv: 7, sv }, flash).map(({ kind }) => kind);
    expect(kinds({ exposure: 'automatic' })).toEqual(['automatic-exposure']);
    expect(kinds({ compensationStops: -0.7 })).toEqual(['compensation']);
    expect(kinds({ whiteBalance: 'automatic' })).toEqual(['automatic-white-balance']);
    expect(kinds({ flashFired: true }, false)).toEqual(['flash-fired']);
    expect(kinds({ flashFired: true }, true)).toEqual([]);
    expect(kinds({}, true, 0)).toEqual(['automatic-iso']);
  });
});
