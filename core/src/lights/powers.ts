/** What is wanted at one point, in stops against mid grey. */
export interface PointTarget {
  kind: 'value' | 'least' | 'most';
  stops: number;
  weight: number;
}

/** Powers for several lights at once: all linear, 1 is correct exposure. */
export interface PowerProblem {
  /** light at a point from each light at full power: `gains[point][light]` */
  gains: readonly (readonly number[])[];
  /** light at each point without these lights */
  ambient: readonly number[];
  targets: readonly PointTarget[];
  /** the settings of each light in stops below full, from full power down */
  settings: readonly (readonly number[])[];
}

/** The best powers, in the order of the lights. */
export interface PowerChoice {
  powersStops: number[];
  /** weighted sum of the squared misses, stops² */
  cost: number;
  /** no other combination of settings has a lower cost; false when there were too many to be sure */
  exact: boolean;
}

/** Nothing can be darker than this for the arithmetic. */
const DARK = 1e-9;
/** Up to this many lights the search always runs to its end; over it, it stops after so many steps. */
export const EXACT_UP_TO_LIGHTS = 4;
const MOST_STEPS = 400_000;

/** How far a level misses a target, stops; 0 where it is met. */
export function missStops(level: number, { kind, stops }: PointTarget): number {
  const off = Math.log2(Math.max(DARK, level)) - stops;
  return kind === 'least' ? Math.min(0, off) : kind === 'most' ? Math.max(0, off) : off;
}

/** The least miss that any level between two can have. */
function leastMiss(low: number, high: number, target: PointTarget): number {
  const [below, above] = [missStops(low, target), missStops(high, target)];
  return below > 0 ? below : above < 0 ? above : 0;
}

/**
 * The powers that minimise `Σ w·miss²` over the lights' real settings, spill included: at each point
 * `e = ambient + Σ g·2^P`. Branch and bound over boxes of settings: light only grows with power, so the ends of a box
 * bound what it can reach, and boxes that cannot beat the best found are left. Exact: equal to trying every combination.
 */
export function choosePowers({ gains, ambient, targets, settings }: PowerProblem): PowerChoice {
  const lights = settings.length;
  const levels = settings.map((list) => list.map((stops) => 2 ** stops));
  /** what a choice misses by; a sum that has passed `most` need not be finished */
  const cost = (at: readonly number[], most = Infinity): number => {
    let sum = 0;
    for (let point = 0; point < targets.length && sum < most; point += 1) {
      const target = targets[point];
      if (target === undefined) continue;
      let level = ambient[point] ?? 0;
      for (let light = 0; light < lights; light += 1)
        level += (gains[point]?.[light] ?? 0) * (levels[light]?.[at[light] ?? 0] ?? 0);
      sum += target.weight * missStops(level, target) ** 2;
    }
    return sum;
  };

  let best = descend(settings, cost);
  let least = cost(best);
  let steps = 0;
  /** settings count from full power down, so the first index of a box is its brightest corner */
  const boxes: { from: number[]; to: number[]; bound: number }[] = [];
  const boundOf = (from: readonly number[], to: readonly number[]): number => {
    let sum = 0;
    for (let point = 0; point < targets.length; point += 1) {
      const target = targets[point];
      if (target === undefined) continue;
      let [low, high] = [ambient[point] ?? 0, ambient[point] ?? 0];
      for (let light = 0; light < lights; light += 1) {
        const gain = gains[point]?.[light] ?? 0;
        high += gain * (levels[light]?.[from[light] ?? 0] ?? 0);
        low += gain * (levels[light]?.[to[light] ?? 0] ?? 0);
      }
      sum += target.weight * leastMiss(low, high, target) ** 2;
      if (sum >= least) return sum;
    }
    return sum;
  };
  const push = (from: number[], to: number[]) => {
    const bound = boundOf(from, to);
    if (bound < least - 1e-12) boxes.push({ from, to, bound });
  };
  push(
    settings.map(() => 0),
    settings.map((list) => list.length - 1),
  );
  while (boxes.length > 0 && (lights <= EXACT_UP_TO_LIGHTS || steps < MOST_STEPS)) {
    steps += 1;
    const box = boxes.pop();
    if (box === undefined || box.bound >= least - 1e-12) continue;
    const { from, to } = box;
    const widest = from.reduce(
      (chosen, start, light) => ((to[light] ?? 0) - start > (to[chosen] ?? 0) - (from[chosen] ?? 0) ? light : chosen),
      0,
    );
    const [start, end] = [from[widest] ?? 0, to[widest] ?? 0];
    if (start === end) {
      const its = cost(from);
      if (its < least - 1e-12) [best, least] = [from, its];
      continue;
    }
    const middle = (start + end) >> 1;
    const before = boxes.length;
    push(
      from,
      to.map((value, light) => (light === widest ? middle : value)),
    );
    push(
      from.map((value, light) => (light === widest ? middle + 1 : value)),
      to,
    );
    // the more promising half is looked into first
    const [a, b] = [boxes[before], boxes[before + 1]];
    if (a !== undefined && b !== undefined && a.bound < b.bound) [boxes[before], boxes[before + 1]] = [b, a];
  }
  return {
    powersStops: best.map((index, light) => settings[light]?.[index] ?? 0),
    cost: least,
    exact: boxes.length === 0,
  };
}

/** A good start: each light in turn to its best setting while the others stand, from several beginnings. */
function descend(settings: PowerProblem['settings'], cost: (at: readonly number[], most?: number) => number): number[] {
  const starts = [0, 0.5, 1].map((part) => settings.map((list) => Math.round(part * (list.length - 1))));
  let [best, least] = [starts[0] ?? [], Infinity];
  for (const start of starts) {
    const at = [...start];
    let its = cost(at);
    for (let improved = true; improved;) {
      improved = false;
      for (let light = 0; light < settings.length; light += 1) {
        let chosen = at[light] ?? 0;
        for (let index = 0; index < (settings[light]?.length ?? 0); index += 1) {
          at[light] = index;
          const then = cost(at, its);
          if (then < its - 1e-12) [chosen, its, improved] = [index, then, true];
        }
        at[light] = chosen;
      }
    }
    if (its < least) [best, least] = [at, its];
  }
  return best;
}
