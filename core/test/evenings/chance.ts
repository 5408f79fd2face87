import { seeded } from '../../src/devices';

/** Chance by a seed, the same at every run. */
export interface Chance {
  uniform: () => number;
  normal: (sd: number) => number;
  /** Student's t of 4 degrees, scaled so that its middle is about a normal's */
  thick: (sd: number) => number;
}

export function chanceOf(seed: number): Chance {
  const uniform = seeded(seed);
  const normal = (sd: number) =>
    sd * Math.sqrt(-2 * Math.log(1 - uniform() * 0.999999)) * Math.cos(2 * Math.PI * uniform());
  const thick = (sd: number) => {
    const square = Array.from({ length: 4 }, () => normal(1) ** 2).reduce((sum, one) => sum + one, 0);
    return normal(sd * 0.85) / Math.sqrt(square / 4);
  };
  return { uniform, normal, thick };
}
