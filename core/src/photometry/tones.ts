/** A tone that people aim a spot meter at, and how far it lies from mid grey when it is lit correctly. */
export interface Tone {
  id: string;
  name: string;
  /** stops from mid grey; usual values, each can be typed over */
  offsetStops: number;
}

/** Usual tones from light to dark. Source: diffuse reflectances against 18 %, as log2 and rounded to thirds. */
export const TONES = [
  { id: 'white-cloth', name: 'White cloth', offsetStops: 7 / 3 },
  { id: 'snow', name: 'Snow', offsetStops: 2 },
  { id: 'pale-skin', name: 'Pale skin', offsetStops: 1 },
  { id: 'medium-skin', name: 'Medium skin', offsetStops: 1 / 3 },
  { id: 'grey-card', name: 'Grey card', offsetStops: 0 },
  { id: 'grass', name: 'Grass', offsetStops: -1 / 3 },
  { id: 'deep-skin', name: 'Deep skin', offsetStops: -1 },
  { id: 'dark-cloth', name: 'Dark cloth', offsetStops: -2.5 },
] as const satisfies readonly Tone[];

/** The range in which a tone of one's own may lie, stops from mid grey. */
export const TONE_RANGE = { least: -5, most: 4 } as const;
