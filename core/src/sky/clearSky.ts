const RADIANS = Math.PI / 180;

/**
 * Light of a clear sky on level ground by the sun's altitude, sun and sky together: degrees and lux. Source: tables of natural
 * illumination as photographers use them, twilight included.
 */
const LEVEL_LUX: readonly (readonly [altitudeDeg: number, lux: number])[] = [
  [-12, 0.008],
  [-8, 0.45],
  [-6, 3.4],
  [-4, 24],
  [-2, 140],
  [0, 700],
  [2, 1800],
  [5, 4700],
  [10, 11_000],
  [15, 19_000],
  [20, 27_000],
  [30, 47_000],
  [45, 77_000],
  [60, 104_000],
  [90, 120_000],
];

/** Between two altitudes of the table the logarithm is even. @returns lux on level ground; the last figure beyond an end */
function levelLux(altitudeDeg: number): number {
  const next = LEVEL_LUX.findIndex(([altitude]) => altitude >= altitudeDeg);
  const [above, lux] = LEVEL_LUX.at(next) ?? [90, 120_000];
  const [below, lessLux] = LEVEL_LUX[next - 1] ?? [above, lux];
  if (above === below) return lux;
  return lessLux * (lux / lessLux) ** ((altitudeDeg - below) / (above - below));
}

/**
 * The sun's part of the light on level ground.
 * Source: IES clear-sky daylight, `E_dn = 127.5·e^(−0.21/sin h)` and `E_dh = 0.8 + 15.5·√(sin h)`, kilolux.
 */
function sunShare(rise: number): number {
  const sun = 127.5 * Math.exp(-0.21 / rise) * rise;
  return sun / (sun + 0.8 + 15.5 * Math.sqrt(rise));
}

/**
 * Light of a clear sky by the sun's altitude, kilolux: the sun on a card facing it, and the sky on a card facing up. Their
 * sum on level ground is the table's, twilight included; how it divides is the standard model's.
 */
export function clearSky(altitudeDeg: number): { sunKlx: number; skyKlx: number } {
  const klx = levelLux(altitudeDeg) / 1000;
  if (altitudeDeg <= 0) return { sunKlx: 0, skyKlx: klx };
  const rise = Math.sin(altitudeDeg * RADIANS);
  const share = sunShare(rise);
  return { sunKlx: (klx * share) / rise, skyKlx: klx * (1 - share) };
}
