import type { Spot } from '../documents';
import type { LookFigures } from '../record';
import type { Setup } from '../setup';

/** Kinds of scenes that people light differently. */
export const SCENE_KINDS = ['indoors', 'shade', 'low-sun', 'open', 'dusk', 'unsaid'] as const;
export type SceneKind = (typeof SCENE_KINDS)[number];

/** Lower than this the sun is a source in the picture, degrees; under the second it is dusk. */
const LOW_SUN_DEG = 15;
const DUSK_DEG = -1;

/** What kind of scene a setup is made in, as far as its spot and its sun say. */
export function sceneKindOf({ light }: Pick<Spot, 'light'>, sun: { altitudeDeg: number } | null): SceneKind {
  if (light === 'indoors') return 'indoors';
  if (sun !== null && sun.altitudeDeg < DUSK_DEG) return 'dusk';
  if (light === 'shade') return 'shade';
  if (sun === null) return light === 'open' ? 'open' : 'unsaid';
  return sun.altitudeDeg < LOW_SUN_DEG ? 'low-sun' : 'open';
}

/** What is taste: figures that a photographer chooses, not the light. */
export const TASTE_FIGURES = ['holdBackStops', 'flashShare', 'faceRatioStops', 'feelStops'] as const;
export type TasteFigure = (typeof TASTE_FIGURES)[number];

/** A setup that was made, as far as taste goes; null: not there, or not known. */
export interface TasteSample {
  setupId: string;
  atMs: number;
  scene: SceneKind;
  figures: Record<TasteFigure, number | null>;
}

/** The middle of what was chosen, and where the middle half of it lies. */
export interface TasteSpread {
  median: number;
  low: number;
  high: number;
  count: number;
}

/** What is usual in one kind of scene, or in all of them; null where too little is known. */
export interface UsualLook {
  scene: SceneKind | 'any';
  setups: number;
  figures: Record<TasteFigure, TasteSpread | null>;
}

/** Of fewer setups nothing is said to be usual. */
export const LEAST_SETUPS = 3;

/** What of a setup and its look is taste. */
export const tasteFigures = (
  figures: Pick<LookFigures, 'holdBackStops' | 'flashShare' | 'faceRatioStops'>,
  { look }: Pick<Setup, 'look'>,
): TasteSample['figures'] => ({
  holdBackStops: figures.holdBackStops,
  flashShare: figures.flashShare,
  faceRatioStops: figures.faceRatioStops,
  feelStops: look.feelStops,
});

/** The value under which a part of sorted values lies, between two of them in proportion. */
function quantile(sorted: readonly number[], part: number): number {
  const at = (sorted.length - 1) * part;
  const [below, above] = [sorted[Math.floor(at)] ?? 0, sorted[Math.ceil(at)] ?? 0];
  return below + (above - below) * (at - Math.floor(at));
}

function spreadOf(values: readonly (number | null)[]): TasteSpread | null {
  const sorted = values.filter((value) => value !== null).sort((a, b) => a - b);
  if (sorted.length < LEAST_SETUPS) return null;
  return {
    median: quantile(sorted, 0.5),
    low: quantile(sorted, 0.25),
    high: quantile(sorted, 0.75),
    count: sorted.length,
  };
}

const figuresOf = <T>(make: (figure: TasteFigure) => T): Record<TasteFigure, T> =>
  Object.fromEntries(TASTE_FIGURES.map((figure) => [figure, make(figure)])) as Record<TasteFigure, T>;

/** What this photographer usually chooses, by kind of scene and at last in all of them; too few setups say nothing. */
export function usualLooks(samples: readonly TasteSample[]): UsualLook[] {
  return ([...SCENE_KINDS, 'any'] as const).flatMap((scene): UsualLook[] => {
    const its = samples.filter((sample) => scene === 'any' || sample.scene === scene);
    if (its.length < LEAST_SETUPS) return [];
    const figures = figuresOf((figure) => spreadOf(its.map((sample) => sample.figures[figure])));
    return [{ scene, setups: its.length, figures }];
  });
}

/** A month's middle of one figure. */
export interface TasteMonth {
  /** its first moment in universal time, ms */
  fromMs: number;
  median: number;
  count: number;
}

/** How one figure drifts: the middle of each month in which there is any, the oldest first. */
export function tasteDrift(samples: readonly TasteSample[], figure: TasteFigure): TasteMonth[] {
  const months = new Map<number, number[]>();
  for (const { atMs, figures } of samples) {
    const value = figures[figure];
    if (value === null) continue;
    const at = new Date(atMs);
    const fromMs = Date.UTC(at.getUTCFullYear(), at.getUTCMonth(), 1);
    months.set(fromMs, [...(months.get(fromMs) ?? []), value]);
  }
  return [...months]
    .sort(([a], [b]) => a - b)
    .map(([fromMs, values]) => ({
      fromMs,
      median: quantile(
        [...values].sort((a, b) => a - b),
        0.5,
      ),
      count: values.length,
    }));
}
