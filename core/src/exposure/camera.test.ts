import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { anyScene, build, CLOCK, gearOf, KIT, stops } from '../../test/randomScene';
import type { WayOut } from '../advice';
import { balance } from '../balance';
import type { WhyChain } from '../explain';
import { safeSyncTv } from '../flash';
import type { CameraDial } from '../gear';
import type { LightSolution } from '../lights';
import { meterScene } from '../metering';
import { ceilToStep, floorToStep, INCREMENT_STOPS, roundToStep } from '../photometry';
import { type Setup, withSettings } from '../setup';
import { solve } from '../solution';
import { chooseCameraSettings, limitsInForce, videoShutterTv } from './cameraSettings';
import { circleOfConfusionMm, depthAv, sharpZoneM } from './depthOfField';

/** Every setting that is admissible, one by one, and the best of them by the stated order: written for clarity, not speed. */
function bruteForce(target: { ev100: number; faceEv100: number | null; finalStops: number }, setup: Setup) {
  const { body, lens, filters } = gearOf(setup);
  const wish = setup.camera;
  const step = INCREMENT_STOPS[body.increment];
  const limits = limitsInForce(body, lens, wish);
  const range = (least: number, most: number) => {
    const list: number[] = [];
    for (let n = Math.ceil(least / step - 1e-9); n <= Math.floor(most / step + 1e-9); n += 1) list.push(n);
    return list;
  };
  const nearest = (list: number[], want: number) =>
    list.reduce((a, b) => (Math.abs(b - want) < Math.abs(a - want) ? b : a));
  const n = (value: number) => Math.round(value / step);

  const apertures = range(lens?.widestAv ?? body.widestAv, lens?.smallestAv ?? body.smallestAv);
  const depth =
    lens !== null && wish.depth !== null
      ? ceilToStep(
          depthAv(
            wish.depth.nearestM,
            wish.depth.farthestM,
            Math.min(lens.longestMm, Math.max(lens.shortestMm, wish.focalMm ?? lens.longestMm)),
            circleOfConfusionMm(body),
          ),
          step,
        )
      : null;
  const sync = floorToStep(safeSyncTv(wish.limits.syncTv ?? body.syncTv, wish.syncDelayMs / 1000), step);
  const fastest = wish.highSpeedSync ? Math.max(sync, floorToStep(body.fastestTv, step)) : sync;
  const times = range(Math.min(fastest, ceilToStep(limits.slowestTv, step)), fastest);
  const speeds = range(0, limits.highestSv - limits.baseSv);
  const wants: Record<CameraDial, number> = {
    aperture: nearest(apertures, n(depth ?? roundToStep(wish.wantedAv, step))),
    iso: 0,
    shutter: nearest(times, wish.wantedTv === null ? n(sync) : n(wish.wantedTv)),
  };
  const lists: Record<CameraDial, number[]> = { aperture: apertures, iso: speeds, shutter: times };
  const video = wish.video;
  const pinned: Record<CameraDial, boolean> = {
    aperture: wish.pins.av !== null,
    iso: wish.pins.sv !== null,
    shutter: wish.pins.tv !== null || video !== null,
  };
  if (wish.pins.av !== null) lists.aperture = [nearest(apertures, n(wish.pins.av))];
  if (video !== null) lists.shutter = [0];
  else if (wish.pins.tv !== null) lists.shutter = [nearest(range(-10, body.fastestTv), n(wish.pins.tv))];
  if (wish.pins.sv !== null)
    lists.iso = [
      nearest(
        range(
          Math.min(0, (body.extendedLowSv ?? body.baseSv) - limits.baseSv),
          Math.max(limits.highestSv - limits.baseSv, (body.extendedHighSv ?? body.highestSv) - limits.baseSv),
        ),
        n(wish.pins.sv - limits.baseSv),
      ),
    ];
  const free = (dial: CameraDial) => !pinned[dial] && lists[dial].length > 1;
  const [first, ...others] = wish.keepOrder;
  if (free(first) && others.some(free)) lists[first] = [wants[first]];
  for (const dial of ['aperture', 'iso', 'shutter'] as const)
    if (lists[dial].length === 1) wants[dial] = lists[dial][0] ?? 0;

  const nd = filters.reduce((sum, { lossStops }) => sum + lossStops, 0);
  const origin = (video === null ? 0 : videoShutterTv(video)) - limits.baseSv + nd;
  const exact = (target.ev100 - origin) / step;
  const rounded = Math.sign(exact) * Math.round(Math.abs(exact) + 1e-9);
  const noRoom = target.faceEv100 !== null && target.faceEv100 - (origin + rounded * step) > target.finalStops - 0.05;
  const wanted = noRoom ? Math.ceil(exact - 1e-9) : rounded;
  let best: { at: Record<CameraDial, number>; rank: number[] } | null = null;
  for (const aperture of lists.aperture)
    for (const shutter of lists.shutter)
      for (const iso of lists.iso) {
        const at = { aperture, shutter, iso };
        const rank = [
          Math.abs(aperture + shutter - iso - wanted),
          ...wish.keepOrder.map((dial) => Math.abs(at[dial] - wants[dial])),
        ];
        const place = rank.findIndex((value, index) => value !== best?.rank[index]);
        if (best === null || (place >= 0 && (rank[place] ?? 0) < (best.rank[place] ?? 0))) best = { at, rank };
      }
  if (best === null) throw new Error('no admissible setting');
  return {
    av: best.at.aperture * step,
    tv: (video === null ? 0 : videoShutterTv(video)) + best.at.shutter * step,
    sv: limits.baseSv + best.at.iso * step,
    met: best.rank[0] === 0,
  };
}

const closeTo = (value: number) => expect.closeTo(value, 6) as unknown as number;
/** Scenes in ten lots, so that each stays within a test's usual time: a quarter of them where not all were asked for. */
const LOTS = Array.from({ length: 10 }, (_, index) => [index + 1]);
const RUNS = { numRuns: process.env['CORPUS'] === 'all' ? 1000 : 250 };

describe('camera settings are the best by the stated order', () => {
  it.each(LOTS)('against every admissible combination, lot %i of ten', () => {
    fc.assert(
      fc.property(anyScene, (scene) => {
        const [setup] = build(scene);
        const target = {
          ev100: scene.ev.face + scene.look.holdBackStops,
          faceEv100: setup.look.exposeBy === 'face' ? scene.ev.face : null,
          finalStops: setup.look.faceStops,
          fires: true,
        };
        const chosen = chooseCameraSettings(target, gearOf(setup), setup.camera);
        const best = bruteForce(target, setup);
        expect(chosen).toMatchObject({
          av: closeTo(best.av),
          tv: closeTo(best.tv),
          sv: closeTo(best.sv),
          met: best.met,
        });
      }),
      RUNS,
    );
  });
});

const lightOf = (lights: readonly LightSolution[], { after }: WayOut) =>
  lights.find(({ lightId }) => lightId === after.lightId);

describe('ways out keep what their cards promise', () => {
  it.each(LOTS)('and nothing listed is inadmissible, lot %i of ten', () => {
    fc.assert(
      fc.property(anyScene, (scene) => {
        const [setup, readings] = build(scene);
        const { waysOut } = solve(setup, KIT, readings, CLOCK);
        for (const way of waysOut.filter(({ settings }) => settings.length > 0)) {
          const changed = withSettings(setup, way.settings);
          if (!changed.ok) throw new Error(`${way.id}: ${changed.reason.kind}`);
          // the numbers without the next ways out, or every way would try all of its own
          const { camera, lights, points } = balance(
            changed.value,
            KIT,
            meterScene(changed.value, KIT, readings, CLOCK),
          );
          if (camera === null) throw new Error(`${way.id}: no camera`);
          expect({ id: way.id, ...way.after }).toEqual({
            id: way.id,
            settings: [camera.text.shutter, camera.text.aperture, camera.text.iso, camera.text.filters]
              .filter((part) => part !== null)
              .join(', '),
            ev100: camera.ev100,
            lightId: way.after.lightId,
            powerText: lightOf(lights, way)?.powerText ?? null,
            exactPowerStops: lightOf(lights, way)?.exactPowerStops ?? null,
            faceStops: points[0]?.totalStops ?? null,
            backgroundStops: points[1]?.placedStops ?? null,
          });
          const { body, lens } = gearOf(changed.value);
          const limits = limitsInForce(body, lens, changed.value.camera);
          expect([
            way.id,
            camera.av >= (lens?.widestAv ?? body.widestAv) - 1e-6,
            camera.av <= (lens?.smallestAv ?? body.smallestAv) + 1e-6,
          ]).toEqual([way.id, true, true]);
          expect([
            way.id,
            camera.sv >= (body.extendedLowSv ?? body.baseSv) - 1e-6 || setup.camera.limits.baseSv !== null,
            camera.sv <= Math.max(body.extendedHighSv ?? body.highestSv, limits.highestSv) + 1e-6,
          ]).toEqual([way.id, true, true]);
          if (camera.beyondSync && setup.camera.pins.tv === null)
            expect([way.id, camera.highSpeedSync]).toEqual([way.id, true]);
          if (way.id === 'high-speed-sync')
            expect(
              KIT.flashUnits.find(({ id }) => id === setup.lights[0]?.unitId)?.highSpeedSyncLossStops,
            ).not.toBeNull();
          if (way.solves)
            expect([way.id, camera.met, lightOf(lights, way)?.outOfRange?.direction === 'too-weak']).toEqual([
              way.id,
              true,
              false,
            ]);
        }
      }),
      RUNS,
    );
  });
});

describe('every reason adds up to the figure that it explains', () => {
  const sum = (chain: WhyChain | undefined) => chain?.lines.reduce((total, { stops: line }) => total + line, 0) ?? NaN;
  it('for shutter, aperture, ISO, level, power, share, meter and every tone', () => {
    fc.assert(
      fc.property(anyScene, (scene) => {
        const [setup, readings] = build(scene);
        const { why, camera, lights, points } = solve(setup, KIT, readings, CLOCK);
        if (camera === null) return;
        expect([sum(why['shutter']), sum(why['aperture']), sum(why['iso']), sum(why['level'])]).toEqual([
          closeTo(camera.tv),
          closeTo(camera.av),
          closeTo(camera.sv),
          closeTo(camera.ev100),
        ]);
        for (const { pointId, placedStops } of points)
          expect(sum(why[`point:${pointId}`])).toEqual(closeTo(placedStops ?? NaN));
        for (const { lightId, powerStops, exactPowerStops } of lights)
          if (powerStops !== null && exactPowerStops !== null)
            expect(sum(why[`power:${lightId}`])).toEqual(closeTo(powerStops));
        const [light, face] = [lights[0], points[0]];
        if (light?.meter == null || face?.flashStops == null) return;
        expect([sum(why['meter']), sum(why['share'])]).toEqual([
          closeTo(light.meter.totalAv),
          closeTo(face.flashStops - (face.ambientStops ?? NaN)),
        ]);
      }),
      RUNS,
    );
  });
});

describe('depth of field', () => {
  it('agrees with the usual tables: 50 mm at f/8 focused at 5 m, circle 0.029 mm', () => {
    const zone = sharpZoneM(6, 5, 50, 0.029);
    expect([zone.nearM, zone.farM]).toEqual([expect.closeTo(3.43, 1), expect.closeTo(9.25, 1)]);
    expect(sharpZoneM(6, 20, 50, 0.029).farM).toBeNull();
  });

  it('the aperture asked for holds just the people', () => {
    fc.assert(
      fc.property(stops(1, 20), stops(1.02, 2), stops(20, 200), (nearestM, factor, focalMm) => {
        const av = depthAv(nearestM, nearestM * factor, focalMm, 0.029);
        if (av <= -1.9) return;
        const zone = sharpZoneM(av, (2 * nearestM * factor) / (1 + factor), focalMm, 0.029);
        expect(zone.nearM).toBeCloseTo(nearestM, 6);
        expect(zone.farM).toBeCloseTo(nearestM * factor, 5);
      }),
    );
  });
});
