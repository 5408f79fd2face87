/** Rows from one to before another. */
export interface Span {
  from: number;
  to: number;
}

/** What is in view of a list, px from its first row. */
export interface InView {
  fromPx: number;
  tallPx: number;
}

/** Screens of rows that are drawn over and under the one in view. */
const SCREENS_KEPT = 1.5;
/** Rows that are added at an end at once: a frame is held up the same by one row as by a few. */
const ROWS_A_STEP = 8;

/** Where the rows of a long list begin and end: as tall as they were seen, else as tall as they usually are. */
export class RowPlaces {
  private readonly tallPx: Float64Array;
  /** where each row begins, and at last where all of them end, px */
  private readonly begins: Float64Array;

  /** @param heights how tall rows were seen to be, by their keys, px; what is measured is kept there */
  constructor(
    private readonly keys: readonly string[],
    private readonly heights: Map<string, number>,
    usualPx: number,
  ) {
    this.tallPx = Float64Array.from(keys, (key) => heights.get(key) ?? usualPx);
    this.begins = new Float64Array(keys.length + 1);
    this.addUp(0);
  }

  /** How many rows there are. */
  get length(): number {
    return this.keys.length;
  }

  /** Where a row begins; for the number of rows: where the last ends, px. */
  beginOf(row: number): number {
    return this.begins[row] ?? 0;
  }

  /** Keeps how tall rows were seen to be, from one on. @param seenPx 0: not laid out */
  measured(from: number, seenPx: readonly number[]): void {
    seenPx.forEach((px, index) => {
      const key = this.keys[from + index];
      if (key === undefined || px === 0) return;
      this.heights.set(key, px);
      this.tallPx[from + index] = px;
    });
    this.addUp(from);
  }

  /** The rows in view. */
  seen({ fromPx, tallPx }: InView): Span {
    return this.between(fromPx, fromPx + tallPx);
  }

  /** The rows to draw after those that are: what is in view at once, what is about it a few at a time. */
  next(now: Span, { fromPx, tallPx }: InView): Span {
    const over = SCREENS_KEPT * tallPx;
    const seen = this.seen({ fromPx, tallPx });
    const wanted = this.between(fromPx - over, fromPx + tallPx + over);
    const stands = { from: Math.min(now.from, this.length), to: Math.min(now.to, this.length) };
    const touches = stands.from <= seen.to && stands.to >= seen.from;
    const kept = touches ? stands : seen;
    const lacksBefore = kept.from - wanted.from;
    const lacksAfter = wanted.to - kept.to;
    const isDue =
      Math.max(lacksBefore, lacksAfter) >= ROWS_A_STEP ||
      (lacksBefore > 0 && wanted.from === 0) ||
      (lacksAfter > 0 && wanted.to === this.length);
    if (!isDue && kept.from <= seen.from && kept.to >= seen.to) return kept;
    return {
      from: Math.min(seen.from, Math.max(wanted.from, kept.from - ROWS_A_STEP)),
      to: Math.max(seen.to, Math.min(wanted.to, kept.to + ROWS_A_STEP)),
    };
  }

  /** Where the rows after one begin. */
  private addUp(from: number): void {
    for (let row = from; row < this.length; row += 1) {
      this.begins[row + 1] = this.beginOf(row) + (this.tallPx[row] ?? 0);
    }
  }

  /** The last row that begins at or before a place. */
  private rowAt(px: number): number {
    let [from, to] = [0, Math.max(0, this.length - 1)];
    while (from < to) {
      const middle = (from + to + 1) >> 1;
      if (this.beginOf(middle) <= px) from = middle;
      else to = middle - 1;
    }
    return from;
  }

  /** The rows that stand between two places. */
  private between(fromPx: number, toPx: number): Span {
    if (toPx <= 0) return { from: 0, to: 0 };
    return { from: this.rowAt(fromPx), to: Math.min(this.length, this.rowAt(toPx) + 1) };
  }
}
