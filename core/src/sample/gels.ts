import type { Gel } from '../colour';

/** The usual grades. Source: published transmissions and shifts, rounded as the trade gives them. */
export const USUAL_GELS: readonly Gel[] = [
  { name: 'Full warm', shiftMired: 159, greenCc: 0, lossStops: 0.85 },
  { name: '¾ warm', shiftMired: 131, greenCc: 0, lossStops: 0.65 },
  { name: '½ warm', shiftMired: 109, greenCc: 0, lossStops: 0.5 },
  { name: '¼ warm', shiftMired: 64, greenCc: 0, lossStops: 0.34 },
  { name: '⅛ warm', shiftMired: 26, greenCc: 0, lossStops: 0.23 },
  { name: 'Full cool', shiftMired: -137, greenCc: 0, lossStops: 1.56 },
  { name: '½ cool', shiftMired: -78, greenCc: 0, lossStops: 0.86 },
  { name: '¼ cool', shiftMired: -35, greenCc: 0, lossStops: 0.52 },
  { name: '⅛ cool', shiftMired: -18, greenCc: 0, lossStops: 0.3 },
  { name: 'Plus-green', shiftMired: 0, greenCc: 30, lossStops: 0.44 },
  { name: '½ plus-green', shiftMired: 0, greenCc: 15, lossStops: 0.28 },
  { name: '¼ plus-green', shiftMired: 0, greenCc: 8, lossStops: 0.17 },
  { name: 'ND gel, 2 stops', shiftMired: 0, greenCc: 0, lossStops: 2 },
  { name: 'White cloth over the head', shiftMired: 0, greenCc: 0, lossStops: 1 },
];
