import { flashMinusAmbient, shareFromHoldBack } from '../photometry';

/** A usual place on the hold-back control, under our own name. */
export interface LookMark {
  holdBackStops: number;
  name: string;
  words: string;
}

/** From flash hardly noticed to ambient shut out; the places where photographers usually set the balance. */
export const LOOK_MARKS: readonly LookMark[] = [
  { holdBackStops: 0.15, name: 'Hint', words: 'Flash hardly noticed' },
  { holdBackStops: 1 / 3, name: 'Touch', words: 'Flash opens the shadows' },
  { holdBackStops: 2 / 3, name: 'Lift', words: 'Ambient two thirds under, flash lifts it back' },
  { holdBackStops: 1, name: 'Even', words: 'Flash and ambient even' },
  { holdBackStops: 1.6, name: 'Lead', words: 'Flash leads, ambient fills' },
  { holdBackStops: 2, name: 'Carry', words: 'Flash carries the face, ambient two under' },
  { holdBackStops: 3, name: 'Dusk', words: 'Ambient only a trace' },
  { holdBackStops: 5, name: 'Shut', words: 'Ambient shut out' },
];

/** One wish, every way to say it. */
export interface LookStatement {
  holdBackStops: number;
  /** 0 to 1 */
  flashShare: number;
  flashMinusAmbientStops: number;
  words: string;
}

/** Says a hold-back as stops, share, flash against ambient, and in words (those of the nearest mark by share). */
export function sayLook(holdBackStops: number): LookStatement {
  const flashShare = shareFromHoldBack(holdBackStops);
  const nearest = LOOK_MARKS.reduce((best, mark) =>
    Math.abs(mark.holdBackStops - holdBackStops) < Math.abs(best.holdBackStops - holdBackStops) ? mark : best,
  );
  return { holdBackStops, flashShare, flashMinusAmbientStops: flashMinusAmbient(holdBackStops), words: nearest.words };
}
