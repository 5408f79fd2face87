import { formatShare, formatStops } from '../notation';
import type { SceneKind, Suggestion, TasteFigure } from '../review';
import type { ReviewWords, SuggestionNames } from '../words';

const SCENES: Record<SceneKind | 'any', string> = {
  indoors: 'Indoors',
  shade: 'Open shade',
  'low-sun': 'Low sun',
  open: 'Open sky',
  dusk: 'Dusk',
  unsaid: 'Place not said',
  any: 'All scenes',
};

const FIGURES: Record<TasteFigure, string> = {
  holdBackStops: 'Ambient held back',
  flashShare: 'Flash on the face',
  faceRatioStops: 'Lit over dark side',
  feelStops: 'Feel',
};

const PLURALS = new Intl.PluralRules('en');
const counted = (count: number, one: string, other: string): string =>
  `${count} ${PLURALS.select(count) === 'one' ? one : other}`;

function tasteValue(figure: TasteFigure, value: number): string {
  if (figure === 'flashShare') return formatShare(value);
  if (figure === 'feelStops') return formatStops(value);
  return `${value.toFixed(1)} stops`;
}

const strayed = (name: string, stops: number, sdStops: number, readings: number): string =>
  `${name} gives ${Math.abs(stops).toFixed(1)} stops ${stops < 0 ? 'less' : 'more'} than its plate says ` +
  `(± ${sdStops.toFixed(1)}, from ${counted(readings, 'reading', 'readings')}).`;

function suggestion(one: Suggestion, { setup, thing, way }: SuggestionNames): { title: string; evidence: string } {
  switch (one.kind) {
    case 'meter-sooner':
      return {
        title: 'Meter again before you test',
        evidence: `${setup}: ${one.staleTests} of ${counted(one.tests, 'test', 'tests')} while a reading was due.`,
      };
    case 'correct-plate':
      return {
        title: `Reckon ${thing} as it is`,
        evidence: strayed(thing, one.strayed.stops, one.strayed.sdStops, one.strayed.readings),
      };
    case 'say-place':
      return {
        title: 'Say how far the light stands before the first test',
        evidence: `${setup}: ${counted(one.pops, 'test', 'tests')} of ${thing}, its distance only assumed.`,
      };
    case 'keep-look':
      return {
        title: 'Keep this look, and begin with it next time',
        evidence: `${setup}: ${counted(one.pops, 'test', 'tests')} until it stood; two are usual.`,
      };
    case 'plan-longer':
      return {
        title: `Plan ${Math.ceil(one.minutes / 5) * 5} minutes for such a setup`,
        evidence: `${setup}: it took ${Math.round(one.minutes)} minutes, planned were ${one.plannedMin}.`,
      };
    case 'have-ready':
      return {
        title: `Have it ready: ${way.charAt(0).toLowerCase()}${way.slice(1)}`,
        evidence: `${setup}: that way out was taken ${counted(one.times, 'time', 'times')}.`,
      };
    case 'answer-doubts':
      return {
        title: 'Answer what is asked about readings',
        evidence: `${setup}: ${counted(one.open, 'reading', 'readings')} still in doubt; the numbers hang on them.`,
      };
    case 'note-frames':
      return {
        title: 'Note the frames, or put them to setups by time',
        evidence: `${counted(one.setups, 'setup has', 'setups have')} tests and no frames written down.`,
      };
  }
}

/** Review and taste in English. */
export const englishReview: ReviewWords = {
  scene: (scene) => SCENES[scene],
  tasteFigure: (figure) => FIGURES[figure],
  tasteValue,
  suggestion,
  strayed,
};
