/** Red, green and blue, linear. */
export type Rgb = readonly [number, number, number];

/** White of CIELAB and sRGB alike: D65. */
const WHITE = [0.95047, 1, 1.08883] as const;

/**
 * Linear sRGB of a reflectance with a hue in CIELAB under daylight. Sources: CIE 15 (CIELAB), IEC 61966-2-1 (sRGB).
 * @param share the luminance that it sends back, 0 to 1  @param a towards red  @param b towards yellow
 */
export function reflectanceOf(share: number, a: number, b: number): Rgb {
  const cube = (f: number) => (f > 6 / 29 ? f ** 3 : 3 * (6 / 29) ** 2 * (f - 4 / 29));
  const root = share > (6 / 29) ** 3 ? Math.cbrt(share) : share / (3 * (6 / 29) ** 2) + 4 / 29;
  const [x, y, z] = [WHITE[0] * cube(root + a / 500), share, WHITE[2] * cube(root - b / 200)];
  return [
    3.2404542 * x - 1.5371385 * y - 0.4985314 * z,
    -0.969266 * x + 1.8760108 * y + 0.041556 * z,
    0.0556434 * x - 0.2040259 * y + 1.0572252 * z,
  ];
}
