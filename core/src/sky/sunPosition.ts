import { Body, Equator, Horizon, Observer } from 'astronomy-engine';

/** Where the sun stands. */
export interface SunPosition {
  /** over the horizon, geometric, degrees */
  altitudeDeg: number;
  /** from north through east, degrees */
  azimuthDeg: number;
}

/** The sun from a place and a moment. Source: astronomy-engine, precise to about an arc minute. */
export function sunPosition(latitudeDeg: number, longitudeDeg: number, at: Date): SunPosition {
  const observer = new Observer(latitudeDeg, longitudeDeg, 0);
  const { ra, dec } = Equator(Body.Sun, at, observer, true, true);
  const { altitude, azimuth } = Horizon(at, observer, ra, dec);
  return { altitudeDeg: altitude, azimuthDeg: azimuth };
}
