import { catalogue } from '@/language/language';

/** What `stops` says in words of its own. */
export const texts = catalogue({
  andAHalf: 'and a half',
  andOneThird: 'and one third',
  andTwoThirds: 'and two thirds',
  aperturesShuttersIsoPowerDistance: 'Apertures, shutters, ISO, power, distance, ratios',
  ask: (example: string) => `Ask ${example}`,
  askForTheStepBetween: 'Ask for the step between two values, a value moved by stops, or a ratio. Plus is brighter.',
  brighterBy: 'brighter by',
  clear: 'Clear',
  iso: 'ISO',
  metres: 'metres',
  percent: 'percent',
  point: 'point',
  to: 'to',
  wattSeconds: 'watt-seconds',
  darkerBy: 'darker by',
  howManyStops: 'How many stops',
  inAllNotations: 'In all notations',
  keys: 'Keys',
  oneOver: 'one over',
  ratioTo: 'ratio to',
  stopArithmetic: 'Stop arithmetic',
  suchAs: 'Such as',
  takeTheLastCharacterAway: 'Take the last character away',
});
