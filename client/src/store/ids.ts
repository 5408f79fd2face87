import { v5, v7 } from 'uuid';

/**
 * This device's clock, put right by the server's where that is known: a reading made on a device whose clock is wrong
 * stands at the time at which it was made.
 */
export class Clock {
  private skewMs = 0;
  /** false until a server has told the time */
  isKnown = false;
  private lastMs = 0;
  private counter = 0;

  constructor(private readonly own: () => number = Date.now) {}

  /** milliseconds since 1970 */
  now(): number {
    return this.own() + this.skewMs;
  }

  /** The present moment as documents keep it. */
  timestamp(): string {
    return new Date(this.now()).toISOString();
  }

  /** A new document's id: made on this device, in the order of time. */
  newId(): string {
    const now = Math.max(0, Math.round(this.now()));
    this.counter = now > this.lastMs ? 0 : this.counter + 1;
    this.lastMs = Math.max(now, this.lastMs);
    return v7({ msecs: this.lastMs, seq: this.counter });
  }

  get skew(): number {
    return this.skewMs;
  }

  setSkew(skewMs: number): void {
    this.skewMs = skewMs;
    this.isKnown = true;
  }
}

/** The clock of the application on this page. */
export const clock = new Clock();

/** A new document's id: made on this device, in the order of time. */
export const newId = (): string => clock.newId();

/** The present moment as documents keep it. */
export const timestamp = (): string => clock.timestamp();

/**
 * The id of what a document has one of: the same on every device, so that two that begin it apart have begun one thing.
 * @param what the kind, and whose it is where there are several
 */
export const ownedId = (ownerId: string, what: string): string => v5(what, ownerId);
