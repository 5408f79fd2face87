/**
 * Something uncertain, Gaussian with mean 0, in stops: a variance for what stays, or how its values at two minutes vary
 * together for what wanders (the variance at the earlier minute, as for every walk).
 */
export type Component = number | ((minuteA: number, minuteB: number) => number);

/** A component in a level. */
export interface Part {
  /** its place in the list of components */
  of: number;
  minute: number;
  /** stops of level a stop of it */
  factor: number;
}

/** A level of light in stops: a known figure and what is uncertain about it. */
export interface Level {
  knownStops: number;
  /** by rising component, each at most once */
  parts: readonly Part[];
}

const inOrder = (a: Part, b: Part): number => a.of - b.of;

/** A level whose parts stand in order. */
export const levelOf = (knownStops: number, parts: readonly Part[]): Level => ({
  knownStops,
  parts: [...parts].sort(inOrder),
});

/** The covariance of two levels before anything was read, stops². */
export function covarianceOf(components: readonly Component[], a: Level, b: Level): number {
  let [covariance, i, j] = [0, 0, 0];
  while (i < a.parts.length && j < b.parts.length) {
    const [one, other] = [a.parts[i]!, b.parts[j]!];
    if (one.of < other.of) i += 1;
    else if (one.of > other.of) j += 1;
    else {
      const component = components[one.of]!;
      const variance = typeof component === 'number' ? component : component(one.minute, other.minute);
      covariance += one.factor * other.factor * variance;
      i += 1;
      j += 1;
    }
  }
  return covariance;
}
