const FIRST_MS = 1000;
const MOST_MS = 30_000;

/**
 * How long to wait before the next try: twice as long after every failure, never twice the same, so that devices that
 * lost a server together do not come back together.
 */
export class BackOff {
  private failures = 0;
  constructor(private readonly random: () => number = Math.random) {}

  /** After a success, or when there is a reason to try at once. */
  reset(): void {
    this.failures = 0;
  }

  /** The wait after one more failure, in milliseconds. */
  next(): number {
    const most = Math.min(MOST_MS, FIRST_MS * 2 ** this.failures);
    this.failures += 1;
    return most * (0.5 + this.random() / 2);
  }
}

const START_LETTERS = 200_000;
const LEAST_LETTERS = 4_000;
const MOST_LETTERS = 900_000;
const QUICK_MS = 2000;

/** How much one request carries: more while it goes quickly, half after every one that did not arrive. */
export class BatchSize {
  letters = START_LETTERS;

  arrived(ms: number): void {
    if (ms < QUICK_MS) this.letters = Math.min(MOST_LETTERS, this.letters * 2);
  }
  failed(): void {
    this.letters = Math.max(LEAST_LETTERS, this.letters / 2);
  }
}
