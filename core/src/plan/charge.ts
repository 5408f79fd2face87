import { chargeShareAt, framesUntilHot } from '../flash';
import type { Kit } from '../gear';
import type { Setup } from '../setup';

/** A setup as far as its lights' batteries go. */
export interface ChargedSetup {
  setup: Pick<Setup, 'id' | 'lights' | 'pace' | 'frames'>;
  atMs: number;
  /** powers by light, stops below full; null: not known */
  powers: readonly { lightId: string; powerStops: number | null; recycleS: number | null }[];
  /** null: not known */
  temperatureC: number | null;
}

/** What a setup takes out of one light's battery. */
export interface ChargeOfLight {
  lightId: string;
  unitId: string;
  /** what the battery holds when it is done, 0 to 1; null: on the mains, or not known */
  left: number | null;
  /** how often it must be changed meanwhile */
  changes: number;
  /** frames that it gives before it is empty the first time; null: not known */
  framesLeft: number | null;
  /** it is not ready at the planned pace: seconds that it takes; null: it is, or that is not known */
  slowS: number | null;
  /** frames at this pace before it must cool, where more are planned; null: it stays cool */
  hotAfter: number | null;
}

export interface ChargeOfSetup {
  setupId: string;
  /** frames that are reckoned with, and whether they were made already */
  frames: number;
  made: boolean;
  lights: ChargeOfLight[];
}

/** The number at the end of a frame's name; null where there is none. */
export const frameNumber = (frame: string): number | null => {
  const digits = /(\d+)\D*$/.exec(frame)?.[1];
  return digits === undefined ? null : Number(digits);
};

/** Cameras count so far and begin anew. */
const FRAMES_ROUND = 10_000;

/** Frames that were made with a setup, from the numbers that were written down; null where they were not. */
export function framesMade({ frames: { from, to } }: Pick<Setup, 'frames'>): number | null {
  const [first, last] = [frameNumber(from), frameNumber(to)];
  if (first === null || last === null) return null;
  return (last >= first ? last - first : last + FRAMES_ROUND - first) + 1;
}

/** Whether a frame, by the number that a camera gave it, was made with a setup. */
export function frameIn({ frames: { from, to } }: Pick<Setup, 'frames'>, frame: string): boolean {
  const [first, last, asked] = [frameNumber(from), frameNumber(to === '' ? from : to), frameNumber(frame)];
  if (first === null || last === null || asked === null) return false;
  // cameras begin anew within a range too
  return last >= first ? asked >= first && asked <= last : asked >= first || asked <= last;
}

/**
 * The batteries through a day: what was said of each counts from then on, every setup takes frames times its power, and in the
 * cold a battery gives less.
 * @param setups in the order in which they are made
 */
export function chargeOfDay(setups: readonly ChargedSetup[], kit: Pick<Kit, 'flashUnits'>): ChargeOfSetup[] {
  const left = new Map(kit.flashUnits.map(({ id, charge }) => [id, charge?.share ?? 1]));
  return setups.map(({ setup, atMs, powers, temperatureC }): ChargeOfSetup => {
    const made = framesMade(setup);
    const frames = made ?? setup.pace?.frames ?? 0;
    const lights = setup.lights.flatMap((light): ChargeOfLight[] => {
      const unit = kit.flashUnits.find(({ id }) => id === light.unitId);
      const power = powers.find(({ lightId }) => lightId === light.id);
      if (unit === undefined || power === undefined || power.powerStops === null) return [];
      const energy = 2 ** power.powerStops;
      const perMinute = setup.pace?.framesPerMinute ?? null;
      const hotAfter = unit.hotAfterPops === null ? null : framesUntilHot(unit.hotAfterPops, energy, perMinute);
      const intervalS = setup.pace === null ? Infinity : 60 / setup.pace.framesPerMinute;
      const told = {
        lightId: light.id,
        unitId: unit.id,
        slowS: power.recycleS !== null && power.recycleS > intervalS ? power.recycleS : null,
        hotAfter: hotAfter !== null && hotAfter < frames ? hotAfter : null,
      };
      if (unit.popsFull === null) return [{ ...told, left: null, changes: 0, framesLeft: null }];
      const aFrame = energy / (unit.popsFull * chargeShareAt(unit.coldShare, temperatureC));
      const before = left.get(unit.id) ?? 1;
      // what was said of it later already knows this setup
      const counts = unit.charge === null || atMs >= Date.parse(unit.charge.at);
      const after = counts ? before - frames * aFrame : before;
      const changes = after < 0 ? Math.ceil(-after - 1e-9) : 0;
      left.set(unit.id, after + changes);
      return [{ ...told, left: after + changes, changes, framesLeft: Math.floor(before / aFrame + 1e-6) }];
    });
    return { setupId: setup.id, frames, made: made !== null, lights };
  });
}
