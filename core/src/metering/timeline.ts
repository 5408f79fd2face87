const MINUTE_MS = 60_000;
/** Longer than this without a reading or an event is a break: nobody was at work. */
export const BREAK_MINUTES = 120;
/** What a break counts as: light does not wander off for good; what happened in it is an event that nobody reported. */
const BREAK_COUNTS_MINUTES = 10;

/** The minutes that a setup was worked in, from its first fact on. */
export class Timeline {
  private readonly marks: { ms: number; minute: number }[] = [];
  /** the middle of each break, as a working minute */
  readonly breaks: number[] = [];

  /** @param times of all facts, milliseconds */
  constructor(times: readonly number[]) {
    let before: { ms: number; minute: number } | undefined;
    for (const ms of [...times].sort((a, b) => a - b)) {
      const mark = before === undefined ? { ms, minute: 0 } : { ms, minute: before.minute + counted(ms - before.ms) };
      if (before !== undefined && isBreak(ms - before.ms)) this.breaks.push((before.minute + mark.minute) / 2);
      this.marks.push(mark);
      before = mark;
    }
  }

  /** The working minute of a time; before the first fact it is negative. */
  minuteOf(ms: number): number {
    const [first] = this.marks;
    if (first === undefined) return 0;
    const mark = this.marks.findLast((one) => one.ms <= ms);
    return mark === undefined ? (ms - first.ms) / MINUTE_MS : mark.minute + counted(ms - mark.ms);
  }

  /** The time of a working minute, milliseconds: the inverse of `minuteOf` but for breaks, in which time stood still. */
  timeOf(minute: number): number {
    const mark = this.marks.findLast((one) => one.minute <= minute) ?? this.marks[0];
    return mark === undefined ? 0 : mark.ms + (minute - mark.minute) * MINUTE_MS;
  }

  /** Now; while nobody works in the setup its light stands still where it was left. */
  now(clockMs: number): number {
    const last = this.marks.at(-1);
    if (last === undefined) return 0;
    return isBreak(clockMs - last.ms) ? last.minute : Math.max(last.minute, this.minuteOf(clockMs));
  }
}

const isBreak = (ms: number): boolean => ms > BREAK_MINUTES * MINUTE_MS;
const counted = (ms: number): number => (isBreak(ms) ? BREAK_COUNTS_MINUTES : ms / MINUTE_MS);
