/** Something that was done in a setup at a moment. */
export interface Deed {
  setupId: string;
  atMs: number;
}

const MINUTE_MS = 60_000;
/** Work goes on in a setup for so long after the last thing that was written down of it. */
const GOES_ON_MS = 6 * 60 * MINUTE_MS;
/** A frame so long before anything was written down belongs to what comes. */
const BEFORE_MS = 30 * MINUTE_MS;

/**
 * The setup that was worked in at a moment: where something was read, set or tried last before it; at the very beginning
 * where something is soon after. null where nothing was done around it.
 * @param deeds in order of time
 */
export function setupAtWork(deeds: readonly Deed[], atMs: number): string | null {
  let [from, to] = [0, deeds.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if ((deeds[middle]?.atMs ?? Infinity) <= atMs) from = middle + 1;
    else to = middle;
  }
  const [last, next] = [deeds[from - 1], deeds[from]];
  if (last !== undefined && atMs - last.atMs <= GOES_ON_MS) return last.setupId;
  return next !== undefined && next.atMs - atMs <= BEFORE_MS ? next.setupId : null;
}
