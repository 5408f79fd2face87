import { type Component, covarianceOf, type Level } from './level';
import { dotOf, factorise, solveBackward, solveForward } from './linear';

/** A figure that was read: the log of a sum of levels. */
export interface Evidence {
  levels: readonly Level[];
  /** what was read, stops */
  stops: number;
  /** one standard deviation of the reading itself, stops */
  sdStops: number;
  /** degrees of freedom of Student's distribution, whose tails are thick; null: Gaussian, it is taken at its word */
  tails: number | null;
}

/** A figure with its ±, one standard deviation. */
export interface Estimated {
  stops: number;
  sdStops: number;
}

/** The most probable state of everything given what was read, and how sure it is. */
export interface Fit {
  /**
   * What levels add up to.
   * @param doubted also by how far they would move if figures that the others contradict were taken at their word
   */
  sumOf: (levels: readonly Level[], doubted: boolean) => Estimated;
  /** what levels that add up come to over others, whose doubts they share */
  overOf: (levels: readonly Level[], under: readonly Level[]) => Estimated;
  /** joint mean and covariance of some levels, stops and stops² */
  jointly: (levels: readonly Level[]) => { meanStops: number[]; covariance: number[][] };
  /** each figure against what all the others foretell, in standard deviations */
  surprises: () => number[];
  /** what all the others foretell for a figure */
  leftOut: (index: number) => Estimated;
  /** log of how probable the figures are under these beliefs, up to a constant: for choosing between beliefs */
  evidence: number;
  /** what each level is pulled by: where the next estimate starts */
  pull: Float64Array;
  iterations: number;
}

const MOST_STEPS = 40;
/** A step that should better the misfit by less than this is the last. */
const SETTLED = 1e-10;
const SMALLEST_SHARE_OF_STEP = 1e-4;

/**
 * The joint estimate of all that is uncertain from all that was read: Gauss-Newton for the most probable state, Laplace's
 * approximation for its spread. Written in the readings, not in the unknowns: one row a reading, so that thirty readings
 * are one 30 × 30 factor, and any level at any point and minute is foretold from its covariance with what was read.
 * Source: Rasmussen and Williams, Gaussian Processes for Machine Learning, chapters 2 and 3; nonlinear least squares.
 * @param before the estimate of the same figures but for new ones at the end: where to start from
 */
export function fit(components: readonly Component[], figures: readonly Evidence[], before?: Fit): Fit {
  const state = new State(components, figures, before);
  let iterations = 0;
  while (iterations < MOST_STEPS) {
    iterations += 1;
    if (state.step() < SETTLED) break;
  }
  // at the end itself, so that what follows is exact there
  state.linearise();
  solveBackward(state.factor, state.count, state.left);
  return new Found(state, iterations);
}

/** The figures and where the search for the most probable state has come to. */
class State {
  readonly count: number;
  readonly levels: Level[];
  /** where each figure's levels begin */
  readonly first: Int32Array;
  /** covariance of the levels before anything was read */
  private readonly prior: Float64Array;
  /** what each level is pulled by, prior⁻¹·(value − known): every other level is foretold by it */
  readonly pull: Float64Array;
  private readonly value: Float64Array;
  /** the share of each level in its figure's sum */
  readonly share: Float64Array;
  /** variance of each figure; in the tails a figure counts for less */
  readonly noise: Float64Array;
  /** Cholesky factor of the figures' joint covariance */
  readonly factor: Float64Array;
  /** what is left of each figure against the beliefs alone */
  readonly left: Float64Array;
  private readonly stepPull: Float64Array;
  private readonly stepValue: Float64Array;
  private misfit: number;

  constructor(
    readonly components: readonly Component[],
    readonly figures: readonly Evidence[],
    before: Fit | undefined,
  ) {
    this.count = figures.length;
    this.levels = figures.flatMap(({ levels }) => levels);
    this.first = new Int32Array(this.count + 1);
    figures.forEach(({ levels }, i) => (this.first[i + 1] = this.first[i]! + levels.length));
    const n = this.levels.length;
    this.prior = new Float64Array(n * n);
    for (let a = 0; a < n; a += 1)
      for (let b = 0; b <= a; b += 1) {
        const covariance = covarianceOf(components, this.levels[a]!, this.levels[b]!);
        this.prior[a * n + b] = covariance;
        this.prior[b * n + a] = covariance;
      }
    this.pull = new Float64Array(n);
    this.value = Float64Array.from(this.levels, ({ knownStops }) => knownStops);
    if (before !== undefined) {
      this.pull.set(before.pull.subarray(0, n));
      addProduct(this.prior, this.pull, n, this.value);
    }
    this.share = new Float64Array(n);
    this.stepPull = new Float64Array(n);
    this.stepValue = new Float64Array(n);
    this.noise = new Float64Array(this.count);
    this.left = new Float64Array(this.count);
    this.factor = new Float64Array(this.count * this.count);
    this.misfit = this.misfitNow();
  }

  /** A figure's sum in stops; the share of each level in it is noted. */
  private sumOf(figure: number): number {
    const [from, to] = [this.first[figure]!, this.first[figure + 1]!];
    let [top, sum] = [-Infinity, 0];
    for (let a = from; a < to; a += 1) top = Math.max(top, this.value[a]!);
    for (let a = from; a < to; a += 1) sum += this.share[a] = 2 ** (this.value[a]! - top);
    for (let a = from; a < to; a += 1) this.share[a]! /= sum;
    return top + Math.log2(sum);
  }

  /** −2 log of how well the state explains the figures, up to a constant. */
  private misfitNow(): number {
    let sum = 0;
    for (let a = 0; a < this.levels.length; a += 1)
      sum += this.pull[a]! * (this.value[a]! - this.levels[a]!.knownStops);
    this.figures.forEach(({ stops, sdStops, tails }, i) => {
      const square = ((this.sumOf(i) - stops) / sdStops) ** 2;
      sum += tails === null ? square : tails * Math.log1p(square / tails);
    });
    return sum;
  }

  /** The figures' joint covariance around the state, factored, and what is left of each against the beliefs. */
  linearise(): void {
    const { count, levels, first, share, value, noise, left, factor } = this;
    this.figures.forEach(({ stops, sdStops, tails }, i) => {
      let off = stops - this.sumOf(i);
      noise[i] = sdStops ** 2 * (tails === null ? 1 : 1 + (off / sdStops) ** 2 / tails);
      for (let a = first[i]!; a < first[i + 1]!; a += 1) off += share[a]! * (value[a]! - levels[a]!.knownStops);
      left[i] = off;
    });
    project(this.prior, share, first, levels.length, count, factor);
    for (let i = 0; i < count; i += 1) factor[i * count + i]! += noise[i]!;
    factorise(factor, count);
    solveForward(factor, count, left);
  }

  /** One step of Gauss-Newton, shortened until it helps. @returns by how much it should have bettered the misfit */
  step(): number {
    this.linearise();
    const { count, levels, first, share, pull, left, stepPull, stepValue, noise } = this;
    solveBackward(this.factor, count, left);
    const n = levels.length;
    let expected = 0;
    for (let i = 0; i < count; i += 1)
      for (let a = first[i]!; a < first[i + 1]!; a += 1) stepPull[a] = share[a]! * left[i]! - pull[a]!;
    stepValue.fill(0);
    addProduct(this.prior, stepPull, n, stepValue);
    for (let a = 0; a < n; a += 1) expected += stepValue[a]! * stepPull[a]!;
    for (let i = 0; i < count; i += 1) {
      let moves = 0;
      for (let a = first[i]!; a < first[i + 1]!; a += 1) moves += share[a]! * stepValue[a]!;
      expected += moves ** 2 / noise[i]!;
    }
    let done = 0;
    for (let part = 1; part > SMALLEST_SHARE_OF_STEP; part /= 2) {
      for (let a = 0; a < n; a += 1) {
        this.value[a]! += (part - done) * stepValue[a]!;
        pull[a]! += (part - done) * stepPull[a]!;
      }
      done = part;
      const misfit = this.misfitNow();
      if (misfit <= this.misfit + 1e-12 || expected < SETTLED) {
        this.misfit = misfit;
        break;
      }
    }
    return expected;
  }

  /** −½ misfit less what the spread of the figures takes, once the state is found. */
  evidence(): number {
    let log = -this.misfit / 2;
    this.figures.forEach(({ sdStops, tails }, i) => {
      log -= Math.log(this.factor[i * this.count + i]!);
      if (tails !== null) log += 0.5 * Math.log(this.noise[i]! / sdStops ** 2);
    });
    return log;
  }
}

/** A figure further off than this many of its standard deviations is in doubt. */
const IN_DOUBT = 2;

/** A figure that the others contradict. */
interface Doubtful {
  /** its column of the factor's inverse */
  column: Float64Array;
  /** stops that a level moves by for each unit of its covariance with the figure, were it taken at its word */
  moves: number;
}

/** What is read off a state that was found. */
class Found implements Fit {
  readonly evidence: number;
  readonly pull: Float64Array;
  /** each figure's column of the factor's inverse */
  private readonly columns: Float64Array[];
  private readonly doubtful: Doubtful[];

  constructor(
    private readonly state: State,
    readonly iterations: number,
  ) {
    this.evidence = state.evidence();
    this.pull = state.pull;
    const { count, factor, figures, noise, left } = state;
    this.columns = figures.map((_, i) => {
      const column = new Float64Array(count);
      column[i] = 1;
      solveForward(factor, count, column);
      return column;
    });
    this.doubtful = figures.flatMap(({ sdStops, tails }, i): Doubtful[] => {
      const column = this.columns[i]!;
      const takenOff = noise[i]! - sdStops ** 2;
      // in the tails the variance is sd²·(1 + (off/sd)²/tails)
      if (tails === null || takenOff < ((IN_DOUBT * sdStops) ** 2 / tails) * (1 - 1e-9)) return [];
      return [{ column, moves: (takenOff * left[i]!) / (1 - takenOff * dotOf(column, column)) }];
    });
  }

  /**
   * How far a level would move if the figures that the others contradict were taken at their word, squared: until someone
   * says which is right, that far it is not known.
   * @param seen its covariance with each figure, solved forward
   */
  private unsettled(seen: Float64Array): number {
    return this.doubtful.reduce((sum, { column, moves }) => sum + (moves * dotOf(seen, column)) ** 2, 0);
  }

  /** Covariance of a level with each figure. */
  private withFigures(level: Level): Float64Array {
    const { components, count, levels, first, share } = this.state;
    const row = new Float64Array(count);
    for (let i = 0; i < count; i += 1)
      for (let a = first[i]!; a < first[i + 1]!; a += 1)
        row[i]! += share[a]! * covarianceOf(components, level, levels[a]!);
    return row;
  }

  /** Levels that add up: their sum, the share of each, and how each varies with the figures. */
  private added(levels: readonly Level[]): { stops: number; shares: number[]; rows: Float64Array[] } {
    const rows = levels.map((level) => this.withFigures(level));
    const each = levels.map(({ knownStops }, s) => knownStops + dotOf(rows[s]!, this.state.left));
    const top = Math.max(...each);
    const total = each.reduce((sum, stops) => sum + 2 ** (stops - top), 0);
    return { stops: top + Math.log2(total), shares: each.map((stops) => 2 ** (stops - top) / total), rows };
  }

  /** What levels, each by a weight, vary by given the figures. */
  private spread(levels: readonly Level[], rows: readonly Float64Array[], weights: readonly number[]) {
    const { components, count, factor } = this.state;
    const seen = new Float64Array(count);
    rows.forEach((row, s) => {
      for (let i = 0; i < count; i += 1) seen[i]! += weights[s]! * row[i]!;
    });
    let variance = 0;
    levels.forEach((a, s) =>
      levels.forEach((b, t) => (variance += weights[s]! * weights[t]! * covarianceOf(components, a, b))),
    );
    solveForward(factor, count, seen);
    return { seen, variance: Math.max(0, variance - dotOf(seen, seen)) };
  }

  sumOf = (levels: readonly Level[], doubted: boolean): Estimated => {
    const { stops, shares, rows } = this.added(levels);
    const { seen, variance } = this.spread(levels, rows, shares);
    return { stops, sdStops: Math.sqrt(variance + (doubted ? this.unsettled(seen) : 0)) };
  };

  overOf = (levels: readonly Level[], under: readonly Level[]): Estimated => {
    const [over, less] = [this.added(levels), this.added(under)];
    const weights = [...over.shares, ...less.shares.map((share) => -share)];
    const { variance } = this.spread([...levels, ...under], [...over.rows, ...less.rows], weights);
    return { stops: over.stops - less.stops, sdStops: Math.sqrt(variance) };
  };

  jointly = (levels: readonly Level[]): { meanStops: number[]; covariance: number[][] } => {
    const { components, count, factor, left } = this.state;
    const rows = levels.map((level) => this.withFigures(level));
    const meanStops = levels.map(({ knownStops }, i) => knownStops + dotOf(rows[i]!, left));
    for (const row of rows) solveForward(factor, count, row);
    const covariance = levels.map((a, i) =>
      levels.map((b, j) => covarianceOf(components, a, b) - dotOf(rows[i]!, rows[j]!)),
    );
    rows.forEach((row, i) => (covariance[i]![i]! += this.unsettled(row)));
    return { meanStops, covariance };
  };

  leftOut = (index: number): Estimated => {
    const { figures, left, noise } = this.state;
    const column = this.columns[index]!;
    // what the others foretell has the variance 1/s − noise
    const s = dotOf(column, column);
    return {
      stops: figures[index]!.stops - left[index]! / s,
      sdStops: Math.sqrt(Math.max(0, 1 / s - noise[index]!)),
    };
  };

  surprises = (): number[] =>
    this.state.figures.map(({ stops, sdStops }, i) => {
      const foretold = this.leftOut(i);
      return (stops - foretold.stops) / Math.hypot(foretold.sdStops, sdStops);
    });
}

/** `into += matrix·vector` for a symmetric matrix of `n` rows. */
function addProduct(matrix: Float64Array, vector: Float64Array, n: number, into: Float64Array): void {
  for (let a = 0; a < n; a += 1) {
    let sum = 0;
    for (let b = 0; b < n; b += 1) sum += matrix[a * n + b]! * vector[b]!;
    into[a]! += sum;
  }
}

/** The lower half of the figures' covariance, from that of their levels and the shares of these. */
function project(
  prior: Float64Array,
  share: Float64Array,
  first: Int32Array,
  n: number,
  count: number,
  into: Float64Array,
): void {
  for (let i = 0; i < count; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let sum = 0;
      for (let a = first[i]!; a < first[i + 1]!; a += 1)
        for (let b = first[j]!; b < first[j + 1]!; b += 1) sum += share[a]! * share[b]! * prior[a * n + b]!;
      into[i * count + j] = sum;
    }
}
