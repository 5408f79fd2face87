import type { PowerFault } from '../flash';
import {
  type Assumption,
  formatStopCount,
  formatStops,
  type ReadingFault,
  type ReadText,
  type ReadValue,
  type StopAnswer,
  type StopFault,
  type StopValue,
  type TypedFault,
} from '../notation';
import { stopsToRatio } from '../photometry';
import { stopsOf } from './count';

const VALUES: Record<ReadValue, { name: string; whole: string; help: string }> = {
  aperture: {
    name: 'aperture',
    whole: 'an aperture',
    help: 'Write it as 5.6, f/5.6, 5.6 4 (and four tenths), 5.6⅔ or 8 and a half.',
  },
  shutter: { name: 'shutter', whole: 'a shutter time', help: 'Write it as 1/125, 125, 0.5" or 2s.' },
  iso: { name: 'ISO', whole: 'an ISO', help: 'Write it as 400 or ISO 400.' },
};

/** Why a typed value is none, and what would be right. */
export function typedFault({ kind, value, text }: TypedFault): string {
  const { name, whole, help } = VALUES[value];
  switch (kind) {
    case 'nothing-typed':
      return `Enter the ${name}. ${help}`;
    case 'not-a-value':
      return `“${text}” is not ${whole}. ${help}`;
    case 'outside-devices': {
      const outside = {
        aperture: `f/${text} is outside f/0.5 to f/128.`,
        shutter: `“${text}” is outside 15 minutes to 1/32000.`,
        iso: `ISO ${text} is outside ISO 6 to ISO 819200.`,
      }[value];
      return `${outside} ${help}`;
    }
  }
}

const READING_HELP: Record<ReadValue, string> = {
  aperture: 'Write it as 5.6, f/5.6, 5.6 4 (and four tenths), 5.6⅔, 8 and a half, EV 12.3 or 2500 lux.',
  shutter: 'Write it as 1/125, 125, 0.5" or 2s, EV 12.3 or 2500 lux.',
  iso: 'Write it as 400 or ISO 400, EV 12.3 or 2500 lux.',
};

/** Why a text is no reading, and what would be right. */
export function readingFault({ kind, read, text }: ReadingFault): string {
  switch (kind) {
    case 'nothing-read':
      return `Enter what the meter shows. ${READING_HELP[read]}`;
    case 'not-a-reading':
      return `“${text}” is not a reading. ${READING_HELP[read]}`;
    case 'too-long':
      return `At most 60 letters are a reading; this goes on after “${text}”. ${READING_HELP[read]}`;
    case 'beyond-meters':
      return (
        `“${text}” would be beyond what meters show: f/0.5 to f/128, 15 minutes to 1/32000, ISO 6 to 819200. ` +
        'Check the figure and what the meter holds.'
      );
  }
}

/** What was taken for granted when a figure was not written in full. */
export function assumption(assumed: Assumption): string {
  switch (assumed.kind) {
    case 'point-left-out':
      return 'decimal point left out';
    case 'point-left-out-tenths':
      return 'decimal point left out, last figure in tenths';
    case 'tenths-behind-point':
      return 'figure behind the point in tenths of a stop';
    case 'point-too-many':
      return 'decimal point that should not be there';
    case 'point-for-stroke':
      return 'point for a stroke';
    case 'in-seconds':
      return 'in seconds';
    case 'exposure-value':
      return 'taken as an exposure value';
    case 'meter-showed':
      return `the meter showed the ${assumed.value}`;
    case 'taken-as':
      return `taken as the ${assumed.value}`;
  }
}

/** The one question about a figure that can mean two things; null where there is none. */
export const otherMeaning = ({ best, question }: ReadText): string | null =>
  question === null ? null : `Taken as ${best.text}. Or was it ${question.other.text}?`;

const POWER_EXAMPLES = {
  fraction: '1/16, 1/16 +0.3 or 1/16+⅓',
  stopNumber: '7 or 7.3',
  wattSeconds: '25 Ws or 25',
  percent: '12.5 % or 12.5',
} as const;

/** Why a text is no power of a unit, and what would be right. */
export const powerFault = (fault: PowerFault): string =>
  fault.kind === 'not-a-power'
    ? `“${fault.text}” is not a power of this unit. Write it as ${POWER_EXAMPLES[fault.scale]}.`
    : `“${fault.text}” is outside this unit's range, ${fault.lowestText} to ${fault.highestText}.`;

const STOP_HELP =
  'Ask like this: f/5 to f/7.1, 1/60 to 1/200, ISO 100 to 640, 35 to 90 Ws, 2 to 3 m, 3:1, f/4 + 1⅓, 1/16 power to 1/64, 37 %.';

export const stopFault = (fault: StopFault): string =>
  fault.kind === 'nothing-asked' ? STOP_HELP : `“${fault.text}” cannot be worked out. ${STOP_HELP}`;

const LESS_MORE: Record<StopValue['kind'], [less: string, more: string]> = {
  aperture: ['a smaller opening, the number goes up', 'a wider opening, the number goes down'],
  shutter: ['a faster shutter', 'a slower shutter'],
  iso: ['a lower ISO', 'a higher ISO'],
  energy: ['less energy', 'more energy'],
  distance: ['farther, from a small source', 'nearer, from a small source'],
  fraction: ['less power', 'more power'],
};

const plain = (value: number): string => String(Number(value.toPrecision(3)));
const valueText = ({ kind, text }: StopValue): string =>
  kind === 'fraction' ? `${/^1\//.test(text) ? text : `full${text}`} power` : text;

function difference(stops: number, less = 'darker', more = 'brighter'): string {
  return Number(formatStopCount(stops)) === 0 ? 'no difference' : `${stopsOf(stops)} ${stops < 0 ? less : more}`;
}

function askedAndAnswered({ asked, stops }: StopAnswer): { asked: string; words: string; otherWay: string | null } {
  switch (asked.kind) {
    case 'step': {
      const [less, more] = LESS_MORE[asked.from.kind];
      return {
        asked: `${valueText(asked.from)} to ${valueText(asked.to)}`,
        words: Math.abs(stops) < 0.05 ? 'no difference' : `${difference(stops)}: ${stops < 0 ? less : more}`,
        otherWay: null,
      };
    }
    case 'moved':
      return {
        asked: `${valueText(asked.value)}, ${stopsOf(asked.byStops)} ${asked.brighter ? 'brighter' : 'darker'}`,
        words: `${asked.becomesText}: ${difference(stops)}`,
        otherWay: `${asked.otherWayText}: ${difference(-stops)}`,
      };
    case 'ratio':
      return { asked: asked.text, words: difference(stops, 'less', 'more'), otherWay: null };
    case 'count':
      return { asked: `${formatStops(stops)} stops`, words: difference(stops), otherWay: null };
  }
}

/** An answer of stop arithmetic: as it was understood, in words, and in all notations. */
export function stopAnswer(answer: StopAnswer): {
  asked: string;
  words: string;
  notations: { name: string; text: string }[];
} {
  const { asked, words, otherWay } = askedAndAnswered(answer);
  const factor = stopsToRatio(answer.stops);
  return {
    asked,
    words,
    notations: [
      ...(otherWay === null ? [] : [{ name: 'The other way', text: otherWay }]),
      { name: 'Stops, tenths', text: formatStops(answer.stops) },
      { name: 'Stops, thirds', text: formatStops(answer.stops, 'third') },
      { name: 'Light', text: factor >= 1 ? `${plain(factor)} times` : `1/${plain(1 / factor)}` },
      { name: 'Ratio', text: `${plain(Math.max(factor, 1 / factor))}:1` },
      { name: 'Percent', text: `${plain(factor * 100)} %` },
    ],
  };
}
