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

/** The sun's way from a moment to another, worked out every ten minutes and along parabolas between. */
export function sunTrack(latitudeDeg: number, longitudeDeg: number, fromMs: number, toMs: number): SunTrack {
  const steps = Math.max(2, Math.ceil((toMs - fromMs) / STEP_MS));
  const stepMs = (toMs - fromMs) / steps;
  const altitudes: number[] = [];
  const azimuths: number[] = [];
  for (let step = 0; step <= steps; step += 1) {
    const { altitudeDeg, azimuthDeg } = sunPosition(latitudeDeg, longitudeDeg, new Date(fromMs + step * stepMs));
    const before = azimuths.at(-1) ?? azimuthDeg;
    altitudes.push(altitudeDeg);
    azimuths.push(azimuthDeg + 360 * Math.round((before - azimuthDeg) / 360));
  }
  return {
    fromMs,
    toMs,
    at: (ms) => {
      const along = (ms - fromMs) / stepMs;
      const middle = Math.min(steps - 1, Math.max(1, Math.round(along)));
      const off = along - middle;
      const through = (values: readonly number[]) => {
        const [a = 0, b = 0, c = 0] = values.slice(middle - 1, middle + 2);
        return b + (off * (c - a)) / 2 + (off * off * (a - 2 * b + c)) / 2;
      };
      return { altitudeDeg: through(altitudes), azimuthDeg: ((through(azimuths) % 360) + 360) % 360 };
    },
  };
}
