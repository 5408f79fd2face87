import { type InView, RowPlaces, type Span } from './rowPlaces';

/** The rows that are drawn. */
export interface Drawn extends Span {
  /** how much room those before and after them take, px */
  beforePx: number;
  afterPx: number;
  /** rows that get all that they have, since the list rests */
  whole: Span;
}

/** Until it is known how tall the view is, px. */
const USUAL_VIEW_PX = 800;
/** A list that did not move for so long rests. */
const REST_MS = 150;
/** Rows that become whole at an end at once. */
const WHOLE_A_STEP = 4;
const NO_ROWS: Span = { from: 0, to: 0 };

const isSame = (a: Span, b: Span): boolean => a.from === b.from && a.to === b.to;

/** What of a span is within another. */
const within = (span: Span, most: Span): Span => ({
  from: Math.min(most.to, Math.max(most.from, span.from)),
  to: Math.max(most.from, Math.min(most.to, span.to)),
});

/** A span with what is seen, and some more at both ends. */
function grown(now: Span, seen: Span): Span {
  const kept = now.from < now.to ? now : seen;
  return {
    from: Math.min(seen.from, kept.from - WHOLE_A_STEP),
    to: Math.max(seen.to, kept.to + WHOLE_A_STEP),
  };
}

/**
 * Which rows of a long list are drawn. While the list moves a row is what one reads of it; what one does with it comes when
 * the list rests. Both go on step by step, a step a frame, until all rows about the view stand whole.
 */
export class DrawnRows {
  private readonly heights = new Map<string, number>();
  private places: RowPlaces;
  private drawn: Drawn = { ...NO_ROWS, beforePx: 0, afterPx: 0, whole: NO_ROWS };
  private topPx = 0;
  private tallPx = USUAL_VIEW_PX;
  private headPx = 0;
  private moves: ReturnType<typeof setTimeout> | null = null;
  private frame: number | null = null;
  private told: () => void = () => undefined;
  /** what the rows that are drawn stand in, one child a row */
  box: HTMLElement | null = null;

  constructor(private readonly usualPx: number) {
    this.places = new RowPlaces([], this.heights, usualPx);
  }

  /** For `useSyncExternalStore`: what is drawn now. */
  now = (): Drawn => this.drawn;

  /** For `useSyncExternalStore`. */
  follow = (told: () => void): (() => void) => {
    this.told = told;
    return () => {
      this.told = () => undefined;
      if (this.moves !== null) clearTimeout(this.moves);
      if (this.frame !== null) cancelAnimationFrame(this.frame);
      this.moves = null;
      this.frame = null;
    };
  };

  /** The list has these rows now. */
  rowsAre(keys: readonly string[]): void {
    this.places = new RowPlaces(keys, this.heights, this.usualPx);
    const rows = this.places.next(this.drawn, this.inView());
    this.draw(rows, this.wholeOf(rows));
    this.goOn();
  }

  /** The head over the rows is so tall now, px. */
  headIs(tallPx: number): void {
    this.headPx = tallPx;
    this.goOn();
  }

  /** What is seen of the list at once is so tall now, px. */
  viewIs(tallPx: number): void {
    this.tallPx = tallPx;
    this.goOn();
  }

  /** The list is scrolled so far now, px. */
  scrolledTo(topPx: number): void {
    this.topPx = topPx;
    if (this.moves !== null) clearTimeout(this.moves);
    this.moves = setTimeout(() => {
      this.moves = null;
      this.goOn();
    }, REST_MS);
    this.goOn();
  }

  private goOn(): void {
    this.frame ??= requestAnimationFrame(() => {
      this.frame = null;
      this.step();
    });
  }

  /** How tall the rows are that stand: asked before they change, when what was laid out for the last frame can be read. */
  private measure(): void {
    const rows = Array.from(this.box?.children ?? [], (row) => (row as HTMLElement).offsetHeight);
    this.places.measured(this.drawn.from, rows);
  }

  private inView(): InView {
    return { fromPx: this.topPx - this.headPx, tallPx: this.tallPx };
  }

  /** Which of these rows are to be whole next: none that was not yet, while the list moves. */
  private wholeOf(rows: Span): Span {
    const still = within(this.drawn.whole, rows);
    const rests = this.moves === null;
    return rests ? within(grown(still, this.places.seen(this.inView())), rows) : still;
  }

  private step(): void {
    const { drawn, places } = this;
    if (!isSame(places.next(drawn, this.inView()), drawn)) this.measure();
    const rows = places.next(drawn, this.inView());
    const whole = this.wholeOf(rows);
    if (isSame(rows, drawn) && isSame(whole, drawn.whole)) return;
    this.draw(rows, whole);
    this.goOn();
  }

  private draw(rows: Span, whole: Span): void {
    const { places } = this;
    const beforePx = places.beginOf(rows.from);
    const afterPx = places.beginOf(places.length) - places.beginOf(rows.to);
    this.drawn = { ...rows, beforePx, afterPx, whole };
    this.told();
  }
}
