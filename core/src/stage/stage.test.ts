import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { usualPanel } from '../../test/panels';
import { sceneOf } from '../../test/pictureScenes';
import { solveSaid } from '../../test/said';
import { lightToAdd } from '../advice';
import { sunStand } from '../gain';
import { english } from '../english';
import { SAMPLE_KIT, sampleId } from '../sample';
import { type OpenSide, type Setting, type Setup, withSettings } from '../setup';
import { mirroredStage, placementsFor, turnedSet } from './placements';
import { halfBeamDeg } from './stageLights';
import type { StageWatch } from './watches';

const CLOCK = new Date('2026-02-27T16:00:00Z');
type Says = Parameters<typeof sceneOf>[1];
const scene = (says: Partial<Says>) =>
  sceneOf('stage', { faceEv: 7, backgroundEv: 6, look: { holdBackStops: 2 }, ...says });
const solved = ({ setup, facts }: ReturnType<typeof sceneOf>, settings: readonly Setting[] = []) => {
  const changed = withSettings(setup, settings);
  if (!changed.ok) throw new Error(JSON.stringify(changed.reason));
  return solveSaid(changed.value, SAMPLE_KIT, facts, CLOCK);
};
const cautionsOf = (one: ReturnType<typeof sceneOf>, settings: readonly Setting[] = []) =>
  solved(one, settings).stage.cautions;
const kinds = (one: ReturnType<typeof sceneOf>, settings: readonly Setting[] = []) =>
  cautionsOf(one, settings).map(({ kind }) => kind);
/** The caution is there, and each of its cures takes it away. */
function curedByEach(one: ReturnType<typeof sceneOf>, kind: StageWatch['kind'], least = 1) {
  const caution = cautionsOf(one).find((its) => its.kind === kind);
  expect(caution).toBeDefined();
  expect(caution?.cures.length).toBeGreaterThanOrEqual(least);
  for (const { settings } of caution?.cures ?? []) expect(kinds(one, settings)).not.toContain(kind);
}

describe('what stands on the stage', () => {
  it('says of a light what it does: place, angle to the nose, softness, beam, light, power', () => {
    const solution = solved(scene({ lights: [{ role: 'key', sideDeg: 40, heightM: 0.5, distanceM: 1.5 }] }));
    const [its] = solution.stage.lights;
    expect(its).toMatchObject({
      noseDeg: expect.closeTo(40, 6),
      overGroundM: expect.closeTo(2.1, 6),
      powerText: solution.lights[0]?.powerText,
    });
    expect(its?.softnessDeg).toBeCloseTo((2 * Math.atan(0.9 / 3) * 180) / Math.PI, 1);
    expect(its?.faceStops).toBe(solution.points.find(({ role }) => role === 'face')?.sources[0]?.stops);
    expect(its?.beamM).toBeCloseTo(2 * 1.5 * Math.tan((60 * Math.PI) / 180), 2);
    expect(
      solved(scene({ subject: { turnDeg: 30 }, lights: [{ role: 'key', sideDeg: 40 }] })).stage.lights[0]?.noseDeg,
    ).toBeCloseTo(10, 6);
  });

  it('a cloth has half of its light at 60°, a cone at half of its angle', () => {
    expect(halfBeamDeg({ kind: 'diffuse' })).toBeCloseTo(60, 1);
    expect(halfBeamDeg({ kind: 'cone', fullDeg: 40 })).toBe(20);
    expect(halfBeamDeg({ kind: 'table', anglesDeg: [0, 10, 30], relative: [1, 0.5, 0] })).toBeCloseTo(10, 1);
  });

  it('moving a light changes the solution: nearer takes less power, feathering more', () => {
    const power = (over: object) =>
      solved(scene({ lights: [{ role: 'key', sideDeg: 40, distanceM: 2, ...over }] })).lights[0]?.exactPowerStops ??
      NaN;
    expect(power({ distanceM: 1 })).toBeLessThan(power({}) - 1.5);
    expect(power({ featherDeg: 30 }) - power({})).toBeCloseTo(-Math.log2(Math.cos(Math.PI / 6)), 1);
    expect(power({ featherDeg: -30 })).toBeCloseTo(power({ featherDeg: 30 }), 9);
  });

  it(
    'the sun from place and time stands where the camera sees it: in the south-west, behind the subject, ' +
      'for a camera that looks there',
    () => {
      const sun = (cameraLooksDeg: number) =>
        sunStand({
          sun: { by: 'time', latitudeDeg: 46.93, longitudeDeg: 10.21, at: '2026-02-27T13:30:00Z', cameraLooksDeg },
        });
      expect(Math.abs(sun(213.888)?.sideDeg ?? 0)).toBeCloseTo(180, 0);
      expect(sun(213.888)?.altitudeDeg).toBeCloseTo(28.93, 1);
      // a camera that looks south-east has a south-west sun at its right
      expect(sun(135)?.sideDeg).toBeGreaterThan(80);
      expect(english.sun(sun(213.888) ?? { sideDeg: 0, altitudeDeg: 0, towards: { x: 0, y: 0, z: 1 } })).toMatch(
        /behind the subject/,
      );
      expect(sunStand({ sun: null })).toBeNull();
    },
  );
});

describe('what to watch', () => {
  it('a light in the frame is moved out of it by each cure', () => {
    curedByEach(
      scene({
        stage: { cameraM: 4 },
        over: { camera: { ...scene({}).setup.camera, lensId: null, focalMm: 35 } },
        lights: [{ role: 'key', sideDeg: 30, distanceM: 1.2, heightM: 0.3 }],
      }),
      'in-frame',
    );
  });

  it('spectacles that show a light: tip, raise, move aside or take a smaller one; each cures it, and each is the least that does', () => {
    const one = scene({
      subject: { spectacles: true },
      lights: [{ role: 'key', sideDeg: 10, heightM: 0.25, distanceM: 1.3 }],
    });
    curedByEach(one, 'spectacles', 3);
    const [tip] = cautionsOf(one).find(({ kind }) => kind === 'spectacles')?.cures ?? [];
    const tilt = Number(tip?.settings[0]?.value);
    expect(tip?.title).toBe(`Tip the frames down by ${tilt}°`);
    if (tilt > 1)
      expect(kinds(one, [{ path: 'stage.subject.spectaclesTiltDeg', value: tilt - 1 }])).toContain('spectacles');
    expect(kinds(scene({ lights: [{ role: 'key', sideDeg: 10, heightM: 0.25, distanceM: 1.3 }] }))).not.toContain(
      'spectacles',
    );
  });

  it(
    'eye sockets go dark under a high key, sooner with deep-set eyes, soonest under a brim; fill or a ' +
      'reflector from below settles it',
    () => {
      const key = (heightM: number) => [{ role: 'key' as const, sideDeg: 30, heightM, distanceM: 1.5 }];
      expect(kinds(scene({ lights: key(0.9) }))).not.toContain('eye-sockets');
      expect(kinds(scene({ subject: { hat: true }, lights: key(0.9) }))).toContain('eye-sockets');
      curedByEach(scene({ lights: key(1.3) }), 'eye-sockets');
      curedByEach(scene({ subject: { deepSet: true }, lights: key(1.05) }), 'eye-sockets');
      expect(
        kinds(scene({ lights: key(1.3), over: { panels: [usualPanel('reflector', { sideDeg: 0, heightM: -0.4 })] } })),
      ).not.toContain('eye-sockets');
    },
  );

  it('a beam that is turned off the face is turned back', () => {
    curedByEach(
      scene({ lights: [{ role: 'key', modifierId: null, gridId: sampleId(127), sideDeg: 40, featherDeg: 25 }] }),
      'beam-misses',
    );
  });

  it('a rim that touches the cheek goes behind, one that points at the lens is turned from it', () => {
    curedByEach(scene({ lights: [{ role: 'key' }, { role: 'rim', sideDeg: -95 }] }), 'rim-on-face');
    const lens = scene({
      lights: [{ role: 'key' }, { role: 'rim', modifierId: null, sideDeg: -170, heightM: 0.3, distanceM: 2 }],
    });
    expect(kinds(lens)).toContain('into-lens');
    for (const { settings } of cautionsOf(lens).find(({ kind }) => kind === 'into-lens')?.cures ?? [])
      expect(kinds(lens, settings)).not.toContain('into-lens');
    expect(
      kinds(
        scene({ lights: [{ role: 'key' }, { role: 'rim', sideDeg: -145, gridId: sampleId(128), modifierId: null }] }),
      ),
    ).not.toContain('into-lens');
  });

  it('two lights from both sides draw two nose shadows, unless one is far weaker', () => {
    const fill = { role: 'fill' as const, aimPointId: 'face', modifierId: null };
    const look = (stops: number): Partial<Says> => ({
      look: { holdBackStops: 2, targets: [] },
      lights: [
        { role: 'key', sideDeg: 40, locked: true, dialledStops: -5 },
        { ...fill, sideDeg: -40, distanceM: 1.5, locked: true, dialledStops: stops },
      ],
    });
    curedByEach(scene(look(-6)), 'second-shadow');
    expect(kinds(scene(look(-8)))).not.toContain('second-shadow');
  });

  it('a key against the side that the ambient comes from crosses its shadow, unless the ambient is weak', () => {
    const against = (openSide: OpenSide, holdBackStops = 1): ReturnType<typeof scene> => {
      const one = scene({ look: { holdBackStops }, lights: [{ role: 'key', sideDeg: 40, distanceM: 1.5 }] });
      return { ...one, setup: { ...one.setup, stage: { ...one.setup.stage, openSide } } };
    };
    curedByEach(against('left'), 'crossed-shadows');
    for (const openSide of ['right', 'camera', 'all-round'] as const)
      expect(kinds(against(openSide))).not.toContain('crossed-shadows');
    expect(kinds(against('left', 4))).not.toContain('crossed-shadows');
  });

  it('the ambient stays where it comes from when the set is turned, and is mirrored with the stage', () => {
    const { setup } = scene({ lights: [] });
    const from = (openSide: OpenSide): Setup => ({ ...setup, stage: { ...setup.stage, openSide } });
    const turned = (openSide: OpenSide, byDeg: number) =>
      turnedSet(from(openSide), byDeg, CLOCK.toISOString(), null).settings.find(({ path }) => path === 'stage.openSide')
        ?.value ?? openSide;
    expect(turned('right', 90)).toBe('camera');
    expect(turned('camera', 180)).toBe('behind');
    expect(turned('left', -90)).toBe('camera');
    expect(turned('left', 20)).toBe('left');
    expect(turned('above', 90)).toBe('above');
    const mirrored = mirroredStage(from('left'), CLOCK.toISOString(), null);
    expect(mirrored.find(({ path }) => path === 'stage.openSide')?.value).toBe('right');
  });

  it('a key is put on the better side of a face, else on the side that the ambient comes from', () => {
    const place = (over: Partial<Setup['stage']['subject']>, openSide: OpenSide | null): number => {
      const { setup } = scene({ lights: [{ role: 'key', sideDeg: 40, distanceM: 1.5 }] });
      const stage = { ...setup.stage, openSide, subject: { ...setup.stage.subject, ...over } };
      const loop = placementsFor({ ...setup, stage }, 0, openSide).find(({ id }) => id === 'loop');
      return Number(loop?.settings.find(({ path }) => path === 'lights.0.sideDeg')?.value);
    };
    expect(place({}, null)).toBe(40);
    expect(place({}, 'left')).toBe(-40);
    expect(place({ betterSide: 'right' }, 'left')).toBe(40);
    expect(place({ betterSide: 'left' }, 'right')).toBe(-40);
    const { setup } = scene({ lights: [] });
    const shaded = { ...setup, stage: { ...setup.stage, openSide: 'left' as const } };
    const ids = { lightId: sampleId(31), pointId: sampleId(32), pointName: 'Made' };
    const added = lightToAdd(shaded, SAMPLE_KIT, [], CLOCK, 'key', ids)?.find(({ path }) => path === 'lights')?.value;
    expect(added).toEqual([expect.objectContaining({ role: 'key', sideDeg: -40 })]);
  });

  it('a near key on a deep group, spill on a near background, and the sun in eyes or lens are said', () => {
    expect(
      kinds(
        scene({
          lights: [{ role: 'key', sideDeg: 0, heightM: 0.2, distanceM: 1.5 }],
          over: { people: { nearerM: 0.5, fartherM: 1.5, leftM: 0.3, rightM: 0.3, withinStops: 0.5 } },
        }),
      ),
    ).toContain('depth-light');
    expect(
      kinds(scene({ lights: [{ role: 'key', distanceM: 1.5 }], over: { backgroundM: 0.5 }, backgroundEv: 3 })),
    ).toContain('spill');
    expect(kinds(scene({ lights: [], stage: { sun: { by: 'hand', sideDeg: 20, altitudeDeg: 30 } } }))).toContain(
      'sun-in-eyes',
    );
    expect(kinds(scene({ lights: [], stage: { sun: { by: 'hand', sideDeg: 175, altitudeDeg: 12 } } }))).toContain(
      'sun-into-lens',
    );
  });

  it('every cure that is offered cures, wherever lights stand', () => {
    const stand = fc.record({
      role: fc.constantFrom('key' as const, 'rim' as const, 'fill' as const),
      sideDeg: fc.integer({ min: -175, max: 175 }),
      heightM: fc.double({ min: -0.4, max: 1.4, noNaN: true }),
      distanceM: fc.double({ min: 1.2, max: 4, noNaN: true }),
      featherDeg: fc.integer({ min: -60, max: 60 }),
    });
    fc.assert(
      fc.property(
        stand,
        fc.boolean(),
        fc.boolean(),
        fc.integer({ min: -30, max: 30 }),
        (light, hat, spectacles, turnDeg) => {
          const one = scene({ subject: { hat, spectacles, turnDeg }, lights: [{ ...light, role: 'key' }] });
          for (const { kind, lightId, cures } of cautionsOf(one))
            for (const { settings } of cures)
              expect(cautionsOf(one, settings).some((after) => after.kind === kind && after.lightId === lightId)).toBe(
                false,
              );
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('starting places', () => {
  it('each is a setting that the setup takes, with its reason; the other side is the mirror image', () => {
    for (const role of ['key', 'fill', 'rim', 'background', 'motivated'] as const) {
      const { setup } = scene({
        stage: { sun: { by: 'hand', sideDeg: 150, altitudeDeg: 20 } },
        lights: [{ role, sideDeg: 35 }],
      });
      const placements = placementsFor(setup, 0, null);
      expect(placements.length).toBeGreaterThanOrEqual(3);
      for (const placement of placements) {
        const { settings } = placement;
        const { because } = english.placement(placement, { setup, kit: SAMPLE_KIT });
        expect(withSettings(setup, settings).ok).toBe(true);
        expect(because.length).toBeGreaterThan(10);
      }
      expect(placements.at(-1)?.settings.find(({ path }) => path === 'lights.0.sideDeg')?.value).toBe(-35);
    }
    expect(placementsFor(scene({ lights: [] }).setup, 0, null)).toEqual([]);
  });

  it('a mirrored stage gives the same powers, and twice is as before', () => {
    const one = scene({
      subject: { turnDeg: 20 },
      lights: [
        { role: 'key', sideDeg: 40, featherDeg: 10 },
        { role: 'rim', sideDeg: -140 },
      ],
      over: { panels: [usualPanel('reflector')] },
    });
    const mirror = (setup: Setup) => {
      const changed = withSettings(setup, mirroredStage(setup, CLOCK.toISOString(), null));
      if (!changed.ok) throw new Error(JSON.stringify(changed.reason));
      return changed.value;
    };
    const once = mirror(one.setup);
    expect(once.lights.map(({ sideDeg }) => sideDeg)).toEqual([-40, 140]);
    expect(once.stage.subject.turnDeg).toBe(-20);
    expect(mirror(once)).toEqual(one.setup);
    expect(solveSaid(once, SAMPLE_KIT, one.facts, CLOCK).lights.map(({ powerText }) => powerText)).toEqual(
      solved(one).lights.map(({ powerText }) => powerText),
    );
  });

  it('paces and hand-breadths for a helper without a tape', () => {
    expect([0.1, 0.4, 0.75, 1.5, 1.9, 3].map(english.paces)).toEqual([
      '1 hand-breadth',
      '4 hand-breadths',
      '1 pace',
      '2 paces',
      '2½ paces',
      '4 paces',
    ]);
  });
});
