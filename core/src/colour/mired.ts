/** A colour of light: its place along the black-body line and how far it lies beside it. */
export interface LightColour {
  kelvin: number;
  /**
   * green (+) or magenta (−) beside the black-body line, in colour-compensating units of density × 100; full
   * plus-green is 30
   */
  greenCc: number;
}

/** The range in which colours of light are told, kelvin. */
export const KELVIN_RANGE = { least: 1500, most: 20_000 } as const;
export const GREEN_RANGE = { least: -60, most: 60 } as const;

/**
 * Micro reciprocal degrees, `10⁶ / K`: equal steps look about equally large, and filters shift them by a fixed
 * amount.
 */
export const miredOf = (kelvin: number): number => 1e6 / kelvin;
export const kelvinOf = (mired: number): number => 1e6 / mired;

/** Kelvin after a shift in mired (warming is positive), held to what a colour temperature can be. */
export const shiftedKelvin = (kelvin: number, shiftMired: number): number =>
  Math.min(
    KELVIN_RANGE.most,
    Math.max(KELVIN_RANGE.least, kelvinOf(Math.max(1e6 / KELVIN_RANGE.most, miredOf(kelvin) + shiftMired))),
  );

/** The light of a flash tube. */
export const FLASH_COLOUR: LightColour = { kelvin: 5600, greenCc: 0 };

/** Usual sources, each with the colour that it is taken to have until it is measured. */
export const NAMED_SOURCES = {
  daylight: { kelvin: 5500, greenCc: 0 },
  lowSun: { kelvin: 3500, greenCc: 0 },
  cloud: { kelvin: 6500, greenCc: 0 },
  shade: { kelvin: 7500, greenCc: 0 },
  leaves: { kelvin: 5800, greenCc: 15 },
  dusk: { kelvin: 10_000, greenCc: 0 },
  tungsten: { kelvin: 2900, greenCc: 0 },
  warmLed: { kelvin: 2800, greenCc: 4 },
  tubes: { kelvin: 4200, greenCc: 22 },
  candle: { kelvin: 1900, greenCc: 0 },
} as const satisfies Record<string, LightColour>;
export type NamedSource = keyof typeof NAMED_SOURCES;

/** How far a source looks off neutral in a picture: `mired(source) − mired(white balance)`; positive is warm. */
export const miredOffNeutral = (source: LightColour, whiteBalance: LightColour): number =>
  miredOf(source.kelvin) - miredOf(whiteBalance.kelvin);

/** About this much is just seen; this much is plain. */
export const MIRED_SEEN = 10;
const MIRED_PLAIN = 50;
const GREEN_SEEN_CC = 4;
const GREEN_PLAIN_CC = 15;

/** How a source looks in a picture: how plainly it is seen, and to which side; null where it is not. */
export interface Cast {
  warmth: { side: 'warm' | 'cool'; plain: boolean } | null;
  tint: { side: 'green' | 'magenta'; plain: boolean } | null;
}

/** How a source looks in a picture of this white balance. */
export function castOf(source: LightColour, whiteBalance: LightColour): Cast {
  const off = miredOffNeutral(source, whiteBalance);
  const green = source.greenCc - whiteBalance.greenCc;
  return {
    warmth:
      Math.abs(off) < MIRED_SEEN ? null : { side: off > 0 ? 'warm' : 'cool', plain: Math.abs(off) >= MIRED_PLAIN },
    tint:
      Math.abs(green) < GREEN_SEEN_CC
        ? null
        : { side: green > 0 ? 'green' : 'magenta', plain: Math.abs(green) >= GREEN_PLAIN_CC },
  };
}

/**
 * CIE 1931 chromaticity of a black body. Source: Kim et al. 2002, cubic fit of the Planckian locus, 1667 to 25
 * 000 K.
 */
function planckianXy(kelvin: number): [number, number] {
  const t = Math.min(25_000, Math.max(1667, kelvin));
  const x =
    t <= 4000
      ? -0.2661239e9 / t ** 3 - 0.2343589e6 / t ** 2 + 0.8776956e3 / t + 0.17991
      : -3.0258469e9 / t ** 3 + 2.1070379e6 / t ** 2 + 0.2226347e3 / t + 0.24039;
  const y =
    t <= 2222
      ? -1.1063814 * x ** 3 - 1.3481102 * x ** 2 + 2.18555832 * x - 0.20219683
      : t <= 4000
        ? -0.9549476 * x ** 3 - 1.37418593 * x ** 2 + 2.09137015 * x - 0.16748867
        : 3.081758 * x ** 3 - 5.8733867 * x ** 2 + 3.75112997 * x - 0.37001483;
  return [x, y];
}

/** The colour of a light as linear sRGB of unit luminance. Source: IEC 61966-2-1. */
export function linearRgb({ kelvin, greenCc }: LightColour): [number, number, number] {
  const [x, y] = planckianXy(kelvin);
  const [X, Z] = [x / y, (1 - x - y) / y];
  const least = 0.002; // the reddest sources leave the gamut
  const green = 10 ** (greenCc / 100);
  return [
    Math.max(least, 3.2406 * X - 1.5372 - 0.4986 * Z),
    green * Math.max(least, -0.9689 * X + 1.8758 + 0.0415 * Z),
    Math.max(least, 0.0557 * X - 0.204 + 1.057 * Z),
  ];
}

/**
 * What a grey card lit by the source looks like in the picture, as `#rrggbb`: its colour divided by that of the
 * white balance, channel by channel.
 */
export function castSwatch(source: LightColour, whiteBalance: LightColour): string {
  const [from, to] = [linearRgb(source), linearRgb(whiteBalance)];
  const ratio = from.map((value, index) => value / (to[index] ?? 1));
  const most = Math.max(...ratio);
  const level = 0.75;
  return `#${ratio
    .map((value) => {
      const linear = (level * value) / most;
      const encoded = linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055;
      return Math.round(255 * encoded)
        .toString(16)
        .padStart(2, '0');
    })
    .join('')}`;
}

/**
 * The colour of a light from a grey card in a picture: the card's cast against the white balance that the picture was
 * rendered with. Red over blue gives the mired, green against both the tint.
 * @param rgb mean of the card, linear, any scale above 0
 * @returns the colour, or undefined where a channel is empty
 */
export function colourFromGreyCard(
  rgb: readonly [number, number, number],
  whiteBalance: LightColour,
): LightColour | undefined {
  if (!rgb.every((value) => Number.isFinite(value) && value > 0)) return undefined;
  const to = linearRgb(whiteBalance);
  const wanted = Math.log((rgb[0] * to[0]) / (rgb[2] * to[2]));
  let [warm, cool]: [number, number] = [KELVIN_RANGE.least, KELVIN_RANGE.most];
  for (let i = 0; i < 50; i += 1) {
    const middle = kelvinOf((miredOf(warm) + miredOf(cool)) / 2);
    const [r, , b] = linearRgb({ kelvin: middle, greenCc: 0 });
    if (Math.log(r / b) > wanted) warm = middle;
    else cool = middle;
  }
  const kelvin = kelvinOf((miredOf(warm) + miredOf(cool)) / 2);
  const [r, g, b] = linearRgb({ kelvin, greenCc: 0 });
  const card = rgb.map((value, index) => value * (to[index] ?? 1)) as [number, number, number];
  const greenCc = 100 * Math.log10(card[1] / Math.sqrt(card[0] * card[2]) / (g / Math.sqrt(r * b)));
  return { kelvin, greenCc: Math.min(GREEN_RANGE.most, Math.max(GREEN_RANGE.least, greenCc)) };
}
