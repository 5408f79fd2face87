/** A tone that people aim a spot meter at, and how far it lies from mid grey when it is lit correctly. */
export interface Tone {
  id: string;
  /** stops from mid grey; usual values, each can be typed over */
  offsetStops: number;
}

/**
 * Skin: its tone, and its hue as CIELAB a* and b* under daylight (D65). A reading aimed at skin and the skin in pictures both
 * come from here. Source: rounded means of measured skins, reflectance 0.38, 0.23 and 0.07 (Xiao et al. 2017, *Characterising
 * the variations in ethnic skin colours*, Skin Research and Technology 23), the tone to the next third of a stop.
 */
export const SKINS = {
  light: { offsetStops: 1, a: 9, b: 13 },
  medium: { offsetStops: 1 / 3, a: 11, b: 16 },
  deep: { offsetStops: -4 / 3, a: 9, b: 11 },
} as const;

/** Usual tones from light to dark. Source: diffuse reflectances against 18 %, as log2 and rounded to thirds. */
export const TONES = [
  { id: 'white-cloth', offsetStops: 7 / 3 },
  { id: 'snow', offsetStops: 2 },
  { id: 'pale-skin', offsetStops: SKINS.light.offsetStops },
  { id: 'medium-skin', offsetStops: SKINS.medium.offsetStops },
  { id: 'grey-card', offsetStops: 0 },
  { id: 'as-it-reads', offsetStops: 0 },
  { id: 'grass', offsetStops: -1 / 3 },
  { id: 'deep-skin', offsetStops: SKINS.deep.offsetStops },
  { id: 'dark-cloth', offsetStops: -2.5 },
] as const satisfies readonly Tone[];
export type ToneId = (typeof TONES)[number]['id'];

/** The range in which a tone of one's own may lie, stops from mid grey. */
export const TONE_RANGE = { least: -5, most: 4 } as const;

/** Mid grey sends back this share of the light on it. */
const MID_GREY_SHARE = 0.18;

/** The tone of something that sends back a share of the light on it, stops from mid grey: `log2(ρ / 0.18)`. */
export const toneOfReflectance = (share: number): number => Math.log2(share / MID_GREY_SHARE);

/** The share of light that a tone sends back: the inverse of `toneOfReflectance`; lamps and skies lie over 1. */
export const reflectanceOfTone = (stops: number): number => MID_GREY_SHARE * 2 ** stops;
