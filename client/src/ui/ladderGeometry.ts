import type { PointSolution } from '@sphene/core/balance';

/** Where stops lie across the drawing. */
export interface Scale {
  least: number;
  most: number;
  width: number;
  perStop: number;
  ticks: number[];
  x: (stops: number) => number;
  clamp: (stops: number) => number;
}

const MARGIN = 1;
/** The range always shown; it grows with the camera's latitude and with what is metered, up to a bound. */
const USUAL = { least: -6, most: 4 };
const BOUND = { least: -12, most: 10 };

/** The scale for these tones: whole stops, with the camera's limits and every tone inside. */
export function ladderScale(
  width: number,
  points: readonly PointSolution[],
  clipsAboveStops: number | null,
  noiseBelowStops: number | null,
): Scale {
  const levels = points
    .flatMap(({ placedAmbientStops, placedStops }) => [placedAmbientStops, placedStops])
    .filter((level) => level !== null);
  const least = Math.max(
    BOUND.least,
    Math.floor(Math.min(USUAL.least, (noiseBelowStops ?? 0) - 1, ...levels.map((level) => level - 0.5))),
  );
  const most = Math.min(
    BOUND.most,
    Math.ceil(Math.max(USUAL.most, (clipsAboveStops ?? 0) + 1, ...levels.map((level) => level + 0.5))),
  );
  const inner = Math.max(1, width - 2 * MARGIN);
  const perStop = inner / (most - least);
  return {
    least,
    most,
    perStop,
    width: inner,
    ticks: Array.from({ length: most - least - 1 }, (_, index) => least + 1 + index).filter(
      (stop) => perStop >= 26 || stop % 2 === 0,
    ),
    x: (stops) => MARGIN + (stops - least) * perStop,
    clamp: (stops) => Math.min(most, Math.max(least, stops)),
  };
}

/** Height of the wedge at its dark end, as a part of its full height. */
const TIP = 0.12;

/** A slice of the wedge between two levels, standing on a base line: it grows with the light. Points for an SVG polygon. */
export function wedge(scale: Scale, from: number, to: number, baseY: number, height: number): string {
  const top = (stops: number) =>
    baseY - height * (TIP + ((1 - TIP) * (stops - scale.least)) / (scale.most - scale.least));
  return [
    [from, baseY],
    [from, top(from)],
    [to, top(to)],
    [to, baseY],
  ]
    .map(([stops = 0, y = 0]) => `${scale.x(stops).toFixed(1)},${y.toFixed(1)}`)
    .join(' ');
}

/** The tone of a patch: what a display shows for this many stops from mid grey (18 % reflectance, sRGB curve), in the given white. */
export function patchTone(stops: number, white: readonly [number, number, number]): string {
  const linear = Math.min(1, 0.18 * 2 ** (stops + 0.5));
  const encoded = linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055;
  return `rgb(${white.map((part) => Math.round(part * encoded)).join()})`;
}
