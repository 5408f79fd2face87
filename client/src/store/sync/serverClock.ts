import type { Clock } from '../ids';

/** A clock that was set by hand meanwhile is off by more than a way can take, and this. */
const SET_ANEW_MS = 1000;

/** What the server's answers tell of the time: the quicker an answer came, the better it tells. */
export class ServerClock {
  private bestRttMs = Infinity;

  constructor(private readonly clock: Clock) {}

  /**
   * Puts the device's clock right by an answer.
   * @param serverMs the server's clock when it answered
   * @param before the device's clock when it asked
   * @returns true when the clock was moved
   */
  heard(serverMs: number, before: number): boolean {
    const { clock } = this;
    const rttMs = clock.now() - before;
    const offMs = serverMs - (before + rttMs / 2);
    const isSetAnew = Math.abs(offMs) > rttMs + SET_ANEW_MS;
    if (rttMs < 0 || (rttMs > this.bestRttMs && !isSetAnew && clock.isKnown)) return false;
    this.bestRttMs = rttMs;
    // within half the way nothing is known better
    if (clock.isKnown && Math.abs(offMs) <= rttMs / 2 + 1) return false;
    clock.setSkew(Math.round(clock.skew + offMs));
    return true;
  }
}
