const RADIANS = Math.PI / 180;

/**
 * Light of a clear sky by the sun's altitude, kilolux: the sun on a card facing it, and the sky on a card facing up.
 * Source: IES clear-sky daylight, `E_dn = 127.5·e^(−0.21/sin h)` and `E_dh = 0.8 + 15.5·√(sin h)`.
 * @returns both 0 once the sun is under the horizon
 */
export function clearSky(altitudeDeg: number): { sunKlx: number; skyKlx: number } {
  if (altitudeDeg <= 0) return { sunKlx: 0, skyKlx: 0 };
  const rise = Math.sin(altitudeDeg * RADIANS);
  return { sunKlx: 127.5 * Math.exp(-0.21 / rise), skyKlx: 0.8 + 15.5 * Math.sqrt(rise) };
}
