/** A colour that light is foretold to have. */
export interface ForetoldColour {
  kelvin: number;
  /** one standard deviation, mired */
  sdMired: number;
}

type Row = readonly [altitudeDeg: number, kelvin: number, sdMired: number];

/**
 * The light of a clear day by the sun's altitude. Sources: daylight warms with the way through the air while the sun is up
 * and cools to the blue of the sky after it has set; usual measured figures, which differ from day to day by what the ±
 * says: dust and haze are warmer, thin air is cooler.
 */
const IN_THE_SUN: readonly Row[] = [
  [-8, 13_000, 30],
  [-6, 12_000, 30],
  [-4, 9500, 30],
  [-2, 6500, 40],
  [0, 4500, 50],
  [2, 3600, 50],
  [5, 3900, 40],
  [10, 4600, 25],
  [15, 5000, 20],
  [30, 5400, 15],
  [60, 5600, 15],
];

/** The sky alone, as it lights open shade. */
const IN_THE_SHADE: readonly Row[] = [
  [-8, 13_000, 30],
  [-6, 12_500, 30],
  [-4, 10_500, 30],
  [-2, 9000, 30],
  [0, 8500, 30],
  [10, 8000, 25],
  [30, 7500, 20],
  [60, 7500, 20],
];

const miredOf = (kelvin: number): number => 1e6 / kelvin;

/**
 * The colour of a clear sky's light by the sun's altitude, evenly in mired between the rows.
 * @param light in the sun once it is up, else what the sky gives
 */
export function skyColour(altitudeDeg: number, light: 'sun' | 'shade'): ForetoldColour {
  const rows = light === 'sun' ? IN_THE_SUN : IN_THE_SHADE;
  const next = rows.findIndex(([altitude]) => altitude >= altitudeDeg);
  const above = rows.at(next) ?? IN_THE_SUN[0]!;
  const below = rows[next - 1] ?? above;
  const part = above[0] === below[0] ? 0 : (altitudeDeg - below[0]) / (above[0] - below[0]);
  const mired = miredOf(below[1]) + (miredOf(above[1]) - miredOf(below[1])) * part;
  return { kelvin: 1e6 / mired, sdMired: below[2] + (above[2] - below[2]) * part };
}
