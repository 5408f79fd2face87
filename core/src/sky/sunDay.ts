import { type SunTrack, sunTrack } from './sunTrack';

/** The light by the sun's height: day, golden, blue, still usable blue, twilight, night. */
export const SUN_LIGHTS = ['day', 'golden', 'blue', 'late-blue', 'twilight', 'night'] as const;
export type SunLight = (typeof SUN_LIGHTS)[number];

/**
 * Each light down to which height of the sun, geometric, degrees. Source: the usual windows of photographers, golden from
 * +6° to −4°, blue to −6° and usable to −8°; nautical twilight ends at −12°.
 */
const DOWN_TO: Record<SunLight, number> = {
  day: 6,
  golden: -4,
  blue: -6,
  'late-blue': -8,
  twilight: -12,
  night: -90,
};
/** The upper limb on the horizon, refraction included. Source: the convention of almanacs. */
const HORIZON_DEG = -0.833;
const SAMPLE_MS = 15 * 60_000;
/** Over so short a time the sun climbs along a straight line. */
const STRAIGHT_MS = 60_000;

/** One light from a moment to a moment. */
export interface SunSpan {
  light: SunLight;
  fromMs: number;
  toMs: number;
}

/** The sun over one day at one place. */
export interface SunDay {
  fromMs: number;
  toMs: number;
  /** its height at even steps, both ends included */
  heights: { atMs: number; altitudeDeg: number }[];
  /** without a gap, from the first moment to the last */
  spans: SunSpan[];
  /** when its upper limb comes over the horizon and goes under it; empty on days without */
  risesMs: number[];
  setsMs: number[];
}

/** The light at a height of the sun. */
export const lightAtHeight = (altitudeDeg: number): SunLight =>
  SUN_LIGHTS.find((light) => altitudeDeg > DOWN_TO[light]) ?? 'night';

/**
 * The sun's heights and lights from one moment to another, such as a local day of 23, 24 or 25 hours.
 * @param fromMs, toMs milliseconds of the epoch
 */
export const sunDay = (latitudeDeg: number, longitudeDeg: number, fromMs: number, toMs: number): SunDay =>
  dayOf(sunTrack(latitudeDeg, longitudeDeg, fromMs, toMs));

/** The same of a track that is there already. */
export function dayOf({ fromMs, toMs, at }: SunTrack): SunDay {
  const heightAt = (atMs: number) => at(atMs).altitudeDeg;
  const steps = Math.max(1, Math.ceil((toMs - fromMs) / SAMPLE_MS));
  const heights = Array.from({ length: steps + 1 }, (_, step) => {
    const atMs = fromMs + ((toMs - fromMs) * step) / steps;
    return { atMs, altitudeDeg: heightAt(atMs) };
  });
  /** when it passes a height, upwards or downwards */
  const passes = (deg: number, upwards: boolean): number[] =>
    heights.slice(1).flatMap((next, index) => {
      const before = heights[index] ?? next;
      const crossed = upwards
        ? before.altitudeDeg < deg && next.altitudeDeg >= deg
        : before.altitudeDeg >= deg && next.altitudeDeg < deg;
      return crossed ? [passesAt(heightAt, deg, before.atMs, next.atMs)] : [];
    });
  const edges = SUN_LIGHTS.filter((light) => light !== 'night')
    .flatMap((light) => [...passes(DOWN_TO[light], true), ...passes(DOWN_TO[light], false)])
    .sort((a, b) => a - b);
  const ends = [fromMs, ...edges, toMs];
  const spans = ends.slice(1).map((end, index): SunSpan => {
    const start = ends[index] ?? end;
    return { light: lightAtHeight(heightAt((start + end) / 2)), fromMs: start, toMs: end };
  });
  return {
    fromMs,
    toMs,
    heights,
    spans,
    risesMs: passes(HORIZON_DEG, true),
    setsMs: passes(HORIZON_DEG, false),
  };
}

/** When a height is passed between two moments that lie on either side of it: halved, then along the last short line. */
function passesAt(heightAt: (atMs: number) => number, deg: number, fromMs: number, toMs: number): number {
  let [low, high] = [
    { atMs: fromMs, over: heightAt(fromMs) - deg },
    { atMs: toMs, over: heightAt(toMs) - deg },
  ];
  while (high.atMs - low.atMs > STRAIGHT_MS) {
    const atMs = (low.atMs + high.atMs) / 2;
    const middle = { atMs, over: heightAt(atMs) - deg };
    if (middle.over < 0 === low.over < 0) low = middle;
    else high = middle;
  }
  return Math.round(low.atMs + ((high.atMs - low.atMs) * low.over) / (low.over - high.over));
}
