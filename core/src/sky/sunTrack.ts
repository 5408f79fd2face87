import { sunPosition } from './sunPosition';

/** Where the sun stands, degrees; the azimuth from north through east. */
export interface SunAt {
  altitudeDeg: number;
  azimuthDeg: number;
}

/** The sun over a stretch of time at one place. */
export interface SunTrack {
  fromMs: number;
  toMs: number;
  at: (ms: number) => SunAt;
}

/** Over so short a time a parabola through three positions is the sun's way within a thousandth of a degree. */
const STEP_MS = 10 * 60_000;

const RADIANS = Math.PI / 180;

/** Towards the sun: east, north, up; its length is 1. A direction turns evenly over the zenith too, a bearing does not. */
function towards({ altitudeDeg, azimuthDeg }: SunAt): [number, number, number] {
  const level = Math.cos(altitudeDeg * RADIANS);
  return [
    level * Math.sin(azimuthDeg * RADIANS),
    level * Math.cos(azimuthDeg * RADIANS),
    Math.sin(altitudeDeg * RADIANS),
  ];
}

/** The sun's way from a moment to another, worked out every ten minutes and along parabolas between. */
export function sunTrack(latitudeDeg: number, longitudeDeg: number, fromMs: number, toMs: number): SunTrack {
  const steps = Math.max(2, Math.ceil((toMs - fromMs) / STEP_MS));
  const stepMs = (toMs - fromMs) / steps;
  const directions = Array.from({ length: steps + 1 }, (_, step) =>
    towards(sunPosition(latitudeDeg, longitudeDeg, new Date(fromMs + step * stepMs))),
  );
  return {
    fromMs,
    toMs,
    at: (ms) => {
      const along = (ms - fromMs) / stepMs;
      const middle = Math.min(steps - 1, Math.max(1, Math.round(along)));
      const off = along - middle;
      const through = (axis: 0 | 1 | 2) => {
        const [before = 0, at = 0, after = 0] = directions
          .slice(middle - 1, middle + 2)
          .map((direction) => direction[axis]);
        return at + (off * (after - before)) / 2 + (off * off * (before - 2 * at + after)) / 2;
      };
      const [east, north, up] = [through(0), through(1), through(2)];
      return {
        altitudeDeg: Math.atan2(up, Math.hypot(east, north)) / RADIANS,
        azimuthDeg: (Math.atan2(east, north) / RADIANS + 360) % 360,
      };
    },
  };
}
