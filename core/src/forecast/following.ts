import type { Balance } from '../balance';
import { limitsInForce } from '../exposure';
import { highSpeedSyncLossStops, lowestPowerStops, powerStepStops, writePower } from '../flash';
import { dimmerSettings, type Kit } from '../gear';
import { formatIso, formatShutter } from '../notation';
import { INCREMENT_STOPS, stepsToStops } from '../photometry';
import type { Setup } from '../setup';
import type { FadingPlace } from './fadingPlace';
import { type DialsAt, type FadingProblem, fadingSchedule, type Schedule } from './schedule';

/** Dials go no further than this at once: beyond it lies another picture, stops. */
const FARTHEST = { shutterFaster: 1, iso: 4, power: 4, powerUp: 1, dimmer: 3 };
const MINUTE_MS = 60_000;

/** What is to be set from a minute on. */
export interface FollowingStep {
  minute: number;
  atMs: number;
  shutterText: string | null;
  isoText: string | null;
  /** lights to trim, with what to set */
  powers: { lightId: string; powerText: string }[];
  /** by how much lamps that are lights are dimmed against now, stops; null: untouched */
  dimmerStops: number | null;
}

/** What follows the light, with the flash left alone as long as that goes. */
export interface Following {
  steps: FollowingStep[];
  endsAtMinute: number | null;
  endedBy: Schedule['endedBy'];
}

/** Steps from less to more light, the one that stands among them. */
const stepsFrom = (least: number, most: number, step: number): number[] => {
  const down = Math.max(0, Math.floor(-least / step + 1e-6));
  const up = Math.max(0, Math.floor(most / step + 1e-6));
  return Array.from({ length: down + up + 1 }, (_, index) => stepsToStops(index - down, step));
};

/** What may follow the light from how everything is set now; null before there are settings, or anything to hold. */
export function problemOf(setup: Setup, kit: Kit, now: Balance, places: FadingPlace[]): FadingProblem | null {
  const { camera, cameraBody, gear } = now;
  if (camera === null || cameraBody === null || gear === null || places.length === 0) return null;
  const { pins, video } = setup.camera;
  const limits = limitsInForce(cameraBody, gear.lens, setup.camera);
  const step = INCREMENT_STOPS[cameraBody.increment];
  const fires = now.lights.some(({ powerStops }) => powerStops !== null);
  const fastestTv = fires && !camera.highSpeedSync ? Math.max(camera.tv, limits.safeSyncTv) : cameraBody.fastestTv;
  const faster = Math.min(FARTHEST.shutterFaster, fastestTv - camera.tv);
  const entryLoss = now.usable.reduce((most, { config }) => Math.max(most, config.unit.highSpeedSyncLossStops ?? 0), 0);
  const lossAt = (shutterStops: number) => highSpeedSyncLossStops(entryLoss, camera.beyondSyncStops - shutterStops);
  return {
    places,
    dials: {
      shutter: pins.tv !== null || video !== null ? [0] : stepsFrom(-faster, camera.tv - limits.slowestTv, step),
      iso:
        pins.sv !== null
          ? [0]
          : stepsFrom(
              Math.max(-FARTHEST.iso, limits.baseSv - camera.sv),
              Math.min(FARTHEST.iso, limits.highestSv - camera.sv),
              step,
            ),
      power: powerSteps(now),
      dimmer: dimmerSteps(setup, kit),
    },
    flashLossStops: (shutterStops) => (camera.highSpeedSync ? lossAt(shutterStops) - lossAt(0) : 0),
  };
}

/** How far all lights together can be trimmed, in the coarsest of their steps. */
function powerSteps({ lights, usable }: Balance): number[] {
  const set = lights.flatMap(({ lightId, powerStops }) => {
    const unit = usable.find(({ light }) => light.id === lightId)?.config.unit;
    return powerStops === null || unit === undefined ? [] : [{ powerStops, scale: unit.scale }];
  });
  if (set.length === 0) return [0];
  const down = Math.min(FARTHEST.power, ...set.map(({ powerStops, scale }) => powerStops - lowestPowerStops(scale)));
  const up = Math.min(FARTHEST.powerUp, ...set.map(({ powerStops }) => -powerStops));
  return stepsFrom(-down, up, Math.max(...set.map(({ scale }) => powerStepStops(scale))));
}

/** How far all lamps that are lights together can be dimmed; one without a dimmer holds them all. */
function dimmerSteps({ lamps }: Setup, kit: Kit): number[] {
  const rooms = lamps.flatMap(({ role, on, lampId, dimStops }) => {
    const lamp = kit.lamps.find(({ id }) => id === lampId);
    return role === null || !on || lamp === undefined ? [] : [dimStops - Math.min(...dimmerSettings(lamp))];
  });
  if (rooms.length === 0) return [0];
  return stepsFrom(-Math.min(FARTHEST.dimmer, ...rooms), 0, INCREMENT_STOPS.third);
}

/** The schedule in the words of the dials. */
export function followingOf(problem: FadingProblem, now: Balance, from: Date): Following | null {
  const { camera, cameraBody } = now;
  if (camera === null || cameraBody === null) return null;
  const { at, changes, endsAtMinute, endedBy } = fadingSchedule(problem);
  const minutes = [...new Set(changes.map(({ minute }) => minute))];
  const steps = minutes.flatMap((minute): FollowingStep[] => {
    const dials = at[minute];
    const moved = (dial: keyof DialsAt) => changes.some((one) => one.minute === minute && one.dial === dial);
    if (dials === undefined) return [];
    const shutter = formatShutter(camera.tv - dials.shutter, cameraBody.increment);
    const iso = formatIso(camera.sv + dials.iso);
    return [
      {
        minute,
        atMs: from.getTime() + minute * MINUTE_MS,
        shutterText: moved('shutter') ? shutter : null,
        isoText: moved('iso') ? iso : null,
        powers: moved('power') ? powersAt(now, dials.power) : [],
        dimmerStops: moved('dimmer') ? dials.dimmer : null,
      },
    ];
  });
  return { steps, endsAtMinute, endedBy };
}

const powersAt = ({ lights, usable }: Balance, byStops: number): FollowingStep['powers'] =>
  lights.flatMap(({ lightId, powerStops }) => {
    const unit = usable.find(({ light }) => light.id === lightId)?.config.unit;
    if (powerStops === null || unit === undefined) return [];
    return [{ lightId, powerText: writePower(unit.scale, powerStops + byStops) }];
  });
