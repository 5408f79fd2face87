import type { UsableLight } from '../lights';
import { type Light, lightPath, type Setting } from '../setup';

/** The light moved: its settings, and the light as it would stand. */
export function moved(
  one: UsableLight,
  change: Partial<Pick<Light, 'sideDeg' | 'heightM' | 'distanceM' | 'featherDeg'>>,
): { light: Light; settings: Setting[] } {
  const settings = (Object.keys(change) as (keyof typeof change)[]).map((field): Setting => ({
    path: lightPath(one.index, field),
    value: change[field] ?? 0,
  }));
  return { light: { ...one.light, ...change }, settings };
}

/** Raised over the same place on the ground. */
export function raised(one: UsableLight, byM: number) {
  const { light } = one;
  const heightM = Math.min(5, Math.max(-2, Number((light.heightM + byM).toFixed(2))));
  const acrossM = Math.sqrt(
    Math.max(0, light.distanceM ** 2 - Math.min(light.heightM ** 2, (0.98 * light.distanceM) ** 2)),
  );
  return moved(one, {
    heightM,
    distanceM: Number(Math.max(0.3, Math.min(30, Math.hypot(acrossM, heightM))).toFixed(2)),
  });
}

/** The first of rising steps that clears; null where none does. */
export function firstClear<T>(
  steps: readonly number[],
  make: (step: number) => T,
  clears: (made: T) => boolean,
): { step: number; made: T } | null {
  for (const step of steps) {
    const made = make(step);
    if (clears(made)) return { step, made };
  }
  return null;
}

export const range = (from: number, to: number, by: number): number[] =>
  Array.from({ length: Math.floor((to - from) / by + 1e-9) + 1 }, (_, i) => Number((from + i * by).toFixed(3)));
