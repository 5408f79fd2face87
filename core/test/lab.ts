import type { Rgb } from '../src/renderer/base/rgb';

/** White of CIELAB and sRGB alike: D65. */
const WHITE = [0.95047, 1, 1.08883] as const;

/** CIELAB of a linear sRGB colour under daylight, L* a* b*. Sources: CIE 15 (CIELAB), IEC 61966-2-1 (sRGB). */
export function labOf([red, green, blue]: Rgb): readonly [number, number, number] {
  const f = (t: number) => (t > (6 / 29) ** 3 ? Math.cbrt(t) : t / (3 * (6 / 29) ** 2) + 4 / 29);
  const x = f((0.4124564 * red + 0.3575761 * green + 0.1804375 * blue) / WHITE[0]),
    y = f(0.2126729 * red + 0.7151522 * green + 0.072175 * blue),
    z = f((0.0193339 * red + 0.119192 * green + 0.9503041 * blue) / WHITE[2]);
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}
