import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { usualPanel } from '../../test/panels';
import { anyScene, build, CLOCK, gearOf, KIT, type Scene } from '../../test/randomScene';
import { balance } from '../balance';
import { type CameraSolution, limitsInForce } from '../exposure';
import { powerSettings } from '../flash';
import { lightConfig } from '../gain';
import { type Fact, litOtherwise, meterScene } from '../metering';
import { addLight, INCREMENT_STOPS } from '../photometry';
import { sampleId } from '../sample';
import { type PanelKind, type Reading, type Setup, touchesPoint, withSettings } from '../setup';
import { solve, type Solution } from '../solution';
import type { WayOut } from './wayOut';

/** Scenes in lots, so that each stays within a test's usual time: all of them where they were asked for. */
const LOTS = Array.from({ length: 4 }, (_, index) => [index + 1]);
const RUNS = { numRuns: process.env['CORPUS'] === 'all' ? 1000 : 100 };
/** Stills, with the key alone or a fill beside it. */
const stills = anyScene.map((scene): Scene => ({
  ...scene,
  camera: { ...scene.camera, video: null },
}));

/** With the key alone: its dial is not chosen together with another's. */
const alone = stills.map((scene): Scene => ({ ...scene, withFill: false }));

const CLOSE_STOPS = 0.1;
const keyOf = ({ lights }: Pick<Solution, 'lights'>) => lights[0];
const isTroubled = ({ camera, nextAction }: Solution): boolean =>
  camera === null ||
  !camera.met ||
  nextAction.kind === 'no-flash-can-help' ||
  nextAction.kind === 'camera-cannot' ||
  nextAction.kind === 'power-out-of-range';

/** The readings as they would be taken once hands or time have done what a way asks for. */
function readAgain(setup: Setup, facts: readonly Reading[], { way, asks }: WayOut): Reading[] {
  if (asks === null || !('needStops' in way)) throw new Error('not a way of hands');
  const brighter = way.kind === 'more-ambient' || way.kind === 'wait-darker';
  return facts.map((one) => {
    const role = setup.points.find(({ id }) => id === one.pointId)?.role;
    const moves = role !== undefined && touchesPoint(asks, role) ? (brighter ? way.needStops : -way.needStops) : 0;
    return { ...one, av: one.av + moves };
  });
}

describe('ways out', () => {
  it.each(LOTS)('that say they solve do so, by tap or by hand, with the figures that they promise, lot %i', () => {
    fc.assert(
      fc.property(stills, (scene) => {
        const [setup, facts] = build(scene);
        const { waysOut } = solve(setup, KIT, facts, CLOCK);
        for (const way of waysOut) {
          const changed = withSettings(setup, way.settings);
          if (!changed.ok) throw new Error(way.id);
          const then = solve(changed.value, KIT, way.asks === null ? facts : readAgain(setup, facts, way), CLOCK);
          if (way.solves) expect([way.id, isTroubled(then)]).toEqual([way.id, false]);
          const promised = way.after;
          const its = then.lights.find(({ lightId }) => lightId === promised.lightId);
          expect([way.id, Math.abs((then.camera?.ev100 ?? 0) - (promised.ev100 ?? 0)) < CLOSE_STOPS]).toEqual([
            way.id,
            true,
          ]);
          // beside ambient that is nearly enough a power is any power: there the total tells
          if (way.asks === null)
            expect([way.id, its?.exactPowerStops ?? null]).toEqual([way.id, promised.exactPowerStops]);
          const face = then.points.find(({ role }) => role === 'face');
          expect([way.id, Math.abs((face?.totalStops ?? 0) - (promised.faceStops ?? 0)) < CLOSE_STOPS]).toEqual([
            way.id,
            true,
          ]);
        }
      }),
      RUNS,
    );
  });

  it('by the light itself cure only where the camera does not follow it', () => {
    let [offered, followed] = [0, 0];
    fc.assert(
      fc.property(stills, (scene) => {
        const [setup, facts] = build(scene);
        const { waysOut, look } = solve(setup, KIT, facts, CLOCK);
        const hands = waysOut.filter(({ asks }) => asks !== null);
        offered += hands.length;
        if (look.by !== 'background') return;
        // a camera that is led by the background takes nothing from a change on the people alone
        const camera = solve(setup, KIT, facts, CLOCK).camera;
        if (camera !== null && !camera.met) {
          followed += 1;
          for (const { id } of hands) expect(['wait', 'wait-darker']).toContain(id);
        }
      }),
      RUNS,
    );
    expect(offered).toBeGreaterThan(0);
    expect(followed).toBeGreaterThan(0);
  });

  it('hold a filter and high-speed sync against each other wherever both can be had', () => {
    let compared = 0;
    fc.assert(
      fc.property(stills, (scene) => {
        const [setup, facts] = build(scene);
        const solution = solve(setup, KIT, facts, CLOCK);
        const { camera, waysOut, notHelping } = solution;
        const { body } = gearOf(setup);
        const unit = KIT.flashUnits.find(({ id }) => id === setup.lights[0]?.unitId);
        if (camera?.missing !== 'too-bright' || setup.camera.highSpeedSync) return;
        if (!body.highSpeedSync || unit?.highSpeedSyncLossStops == null || body.fastestTv <= camera.tv) return;
        compared += 1;
        const fast = waysOut.find(({ id }) => id === 'high-speed-sync');
        const no = notHelping.find(({ id }) => id === 'high-speed-sync');
        expect([fast === undefined, no === undefined]).toContain(false);
        // what no longer reaches is told with what it lacks
        if (fast === undefined && no?.flashTooWeakStops != null) expect(no.flashTooWeakStops).toBeGreaterThan(0);
      }),
      RUNS,
    );
    expect(compared).toBeGreaterThan(0);
  });
});

describe('a second body', () => {
  /** Whatever the body can be set to, by its own limits. */
  function nearestAmbient(setup: Setup, first: CameraSolution): number {
    const body = KIT.cameras.find(({ id }) => id === setup.camera.secondCameraId);
    if (body === undefined) throw new Error('no second body');
    const { lens } = gearOf(setup);
    const step = INCREMENT_STOPS[body.increment];
    const limits = limitsInForce(body, lens, {
      ...setup.camera,
      limits: { syncTv: null, slowestTv: null, baseSv: null, highestSv: null },
    });
    const steps = (least: number, most: number) => {
      const list: number[] = [];
      for (let n = Math.ceil(least / step - 1e-9); n <= Math.floor(most / step + 1e-9); n += 1) list.push(n * step);
      return list;
    };
    const fastest = setup.camera.highSpeedSync && body.highSpeedSync ? body.fastestTv : limits.safeSyncTv;
    const slowest = Math.min(
      Math.floor(fastest / step + 1e-9) * step,
      Math.ceil(limits.slowestTv / step - 1e-9) * step,
    );
    let least = Infinity;
    for (const av of steps(lens?.widestAv ?? body.widestAv, lens?.smallestAv ?? body.smallestAv))
      for (const tv of steps(slowest, fastest))
        for (const iso of steps(0, limits.highestSv - limits.baseSv)) {
          const ev100 = av + tv - (limits.baseSv + iso) + first.ndStops;
          least = Math.min(least, Math.abs(ev100 - first.ev100));
        }
    return least;
  }

  it('keeps the ambient as near as any of its settings can, then the flash by power', () => {
    fc.assert(
      fc.property(stills, (scene) => {
        const [plain, facts] = build(scene);
        const setup = { ...plain, camera: { ...plain.camera, secondCameraId: KIT.cameras[1]?.id ?? null } };
        const { camera, second } = solve(setup, KIT, facts, CLOCK);
        if (camera === null || second === null) return;
        expect(Math.abs(second.ambientDifferenceStops)).toBeLessThanOrEqual(nearestAmbient(setup, camera) + 1e-6);
        expect(second.powerChangeStops + second.flashDifferenceStops).toBeCloseTo(0, 0);
      }),
      RUNS,
    );
  });
});

describe('a dial', () => {
  it('between two settings takes the one whose total is nearer', () => {
    fc.assert(
      fc.property(alone, (scene) => {
        const [setup, facts] = build(scene);
        const { lights, points } = solve(setup, KIT, facts, CLOCK);
        const light = keyOf({ lights });
        const parts = setup.lights[0];
        const face = points.find(({ role }) => role === 'face');
        if (light?.powerStops == null || light.flashStops === null || parts === undefined) return;
        const config = lightConfig(KIT, parts);
        if (config === null || light.tailLossStops > 0 || light.outOfRange !== null || face?.ambientStops == null)
          return;
        const gain = light.flashStops - light.powerStops;
        const miss = (power: number) => Math.abs(addLight(face.ambientStops ?? -20, gain + power) - light.targetStops);
        const strongest = light.powerStops + (light.headroomStops ?? 0);
        for (const power of powerSettings(config.unit.scale).filter((one) => one <= strongest + 1e-9))
          expect(miss(light.powerStops)).toBeLessThanOrEqual(miss(power) + 1e-6);
      }),
      RUNS,
    );
  });

  it('of the table does to ambient and flash what it says, sync and high-speed sync included', () => {
    let past = 0;
    fc.assert(
      fc.property(stills, (scene) => {
        const [setup, facts] = build(scene);
        const now = solve(setup, KIT, facts, CLOCK);
        const light = keyOf(now);
        const { camera, dials } = now;
        if (camera === null || dials === null || light === undefined) return;
        for (const { dial, settings, stops } of dials.columns) {
          if (!['shutter', 'aperture', 'iso', 'nd'].includes(dial) || settings.length === 0) continue;
          const changed = withSettings(setup, settings);
          if (!changed.ok) continue;
          const then = solve(changed.value, KIT, facts, CLOCK);
          const other = then.camera;
          if (other === null) continue;
          const changes = {
            aperture: other.av - camera.av,
            shutter: other.tv - camera.tv,
            iso: other.sv - camera.sv,
            nd: other.ndStops - camera.ndStops,
          };
          // only where the other dials stayed where they were has one step been taken alone
          const moved = Object.entries(changes).filter(([, change]) => Math.abs(change) > 1e-6);
          const alone = moved.length === 1 && moved[0]?.[0] === dial;
          const then0 = keyOf(then);
          if (!alone || then0 === undefined) continue;
          expect([dial, camera.ev100 - other.ev100]).toEqual([dial, expect.closeTo(stops['ambient'] ?? NaN, 6)]);
          const flash = (at: CameraSolution, sync: number) => -(at.av + at.ndStops - at.sv) - sync;
          const flashMoved = flash(other, then0.syncLossStops) - flash(camera, light.syncLossStops);
          if (dial === 'shutter' && then0.syncLossStops !== light.syncLossStops) past += 1;
          expect([dial, flashMoved]).toEqual([dial, expect.closeTo(stops[light.lightId] ?? NaN, 6)]);
        }
      }),
      RUNS,
    );
    expect(past).toBeGreaterThan(0);
  });
});

it('a dress holds just so much more flash than the face as it says', () => {
  let held = 0;
  fc.assert(
    fc.property(stills, (scene) => {
      const [setup, facts] = build(scene);
      const { points, latitude } = solve(setup, KIT, facts, CLOCK);
      const [white, face] = ['white', 'face'].map((role) => points.find((point) => point.role === role));
      if (white?.rise == null || face?.flashStops == null || latitude === null) return;
      held += 1;
      const placed = (more: number) =>
        addLight(white.ambientStops ?? -20, (face.flashStops ?? 0) + more) +
        (setup.points.find(({ id }) => id === white.pointId)?.toneStops ?? 0);
      expect(placed(white.rise.stops)).toBeCloseTo(latitude.clipsAboveStops, 6);
      expect(placed(white.rise.stops + 0.1)).toBeGreaterThan(latitude.clipsAboveStops);
    }),
    RUNS,
  );
  expect(held).toBeGreaterThan(0);
});

it('a scene that is lit otherwise is the scene that readings of that light would give', () => {
  fc.assert(
    fc.property(stills, fc.double({ min: -3, max: 3, noNaN: true }), (scene, byStops) => {
      const [setup, facts] = build(scene);
      const lit = litOtherwise(meterScene(setup, KIT, facts, CLOCK), () => byStops);
      const read: Fact[] = facts.map((one) => ({ ...one, av: one.av + byStops }));
      const [foretold, found] = [lit, meterScene(setup, KIT, read, CLOCK)].map((one) => balance(setup, KIT, one));
      expect(foretold?.camera?.ev100 ?? 0).toBeCloseTo(found?.camera?.ev100 ?? 0, 6);
    }),
    { numRuns: 60 },
  );
});

it('every reason of a power adds up, and what feather, grid and panels take is never called learned', () => {
  let aside = 0;
  fc.assert(
    fc.property(
      stills,
      fc.integer({ min: -60, max: 60 }),
      fc.constantFrom(null, sampleId(126)),
      fc.constantFrom<PanelKind | null>(null, 'diffuser', 'reflector', 'flag'),
      (scene, featherDeg, gridId, kind) => {
        const [plain, facts] = build(scene);
        const lights = plain.lights.map((light) => ({ ...light, featherDeg, gridId, modifierId: null, sideDeg: 30 }));
        const stand = { sideDeg: 30, distanceM: Math.min(0.4, (lights[0]?.distanceM ?? 1) / 2), heightM: 0.2 };
        const panels = kind === null ? [] : [usualPanel(kind, stand)];
        const { why, lights: solved } = solve({ ...plain, lights, panels }, KIT, facts, CLOCK);
        const light = solved[0];
        const chain = why[`power:${light?.lightId ?? ''}`];
        if (light?.powerStops == null || chain === undefined) return;
        expect(chain.lines.reduce((sum, { stops }) => sum + stops, 0)).toBeCloseTo(light.powerStops, 6);
        expect(chain.lines.map(({ term }) => term.kind)).not.toContain('learned');
        if (featherDeg !== 0 && chain.lines.some(({ term }) => term.kind === 'aside')) aside += 1;
      },
    ),
    RUNS,
  );
  expect(aside).toBeGreaterThan(0);
});
