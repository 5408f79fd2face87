import {
  ev100,
  ev100FromLux,
  type ExposureSettings,
  failure,
  type Increment,
  type METER_CONSTANT,
  type Outcome,
  success,
} from '../photometry';
import { formatAperture, formatIso, formatShutter } from './format';
import { type ReadValue, settingsAt } from './heldValues';
import { APERTURE_HALVES, APERTURE_THIRDS, findNominal, SHUTTER_FRACTION_THIRDS } from './nominalSeries';
import {
  AV_RANGE,
  parseAperture,
  parseEv,
  parseIso,
  parseLux,
  parsePartStops,
  parseShutter,
  SV_RANGE,
  TV_RANGE,
} from './parse';
import { figuresFromWords } from './numberWords';
import { readWhole, type WholeReading } from './wholeReading';

/** What is known when a figure is read: which value the meter shows, what it holds, and what light is expected. */
export interface ReadingContext {
  read: ReadValue;
  held: ExposureSettings;
  increment: Increment;
  /** the level that the scene's other readings suggest, EV100; null when there are none */
  expectedEv100: number | null;
  /** dome or disc, for lux */
  receptor?: keyof typeof METER_CONSTANT;
  /** what 4.5 means on a meter in tenths: f/4.5 as it is printed, or f/4 and five tenths; null: nobody has said */
  decimalMeans?: 'printed' | 'tenths' | null;
}

/** What is taken for granted when a figure was not written in full. */
export type Assumption =
  | {
      kind:
        | 'point-left-out'
        | 'point-left-out-tenths'
        | 'tenths-behind-point'
        | 'point-too-many'
        | 'point-for-stroke'
        | 'in-seconds'
        | 'exposure-value';
    }
  | { kind: 'meter-showed' | 'taken-as'; value: ReadValue };
type Slip = Exclude<Assumption['kind'], 'meter-showed' | 'taken-as'>;

/** One way to take what was written. */
export interface Meaning {
  settings: ExposureSettings;
  notation: 'aperture' | 'shutter' | 'iso' | 'ev' | 'lux';
  /** what it is taken for, such as `f/5.6` */
  text: string;
  /** what was assumed to take it so; null when it was written in full */
  assumption: Assumption | null;
  /** the values that the text named, where it named several: nothing else of them was taken over */
  named?: readonly ReadValue[];
  /** 0 to 1 over all meanings of the same text */
  plausibility: number;
}

/** A text read: the most plausible meaning first, and one question when another would change the result. */
export interface ReadText {
  best: Meaning;
  others: Meaning[];
  /** another meaning to be asked about, only when it matters; null otherwise */
  question: {
    other: Meaning;
    /** whose answer holds for this meter from then on: what each of the two says of its decimals */
    remembers: { best: 'printed' | 'tenths'; other: 'printed' | 'tenths' } | null;
  } | null;
}

interface Candidate extends Omit<Meaning, 'plausibility'> {
  /** logarithm of how readily people write so */
  habit: number;
}

/** What nobody writes unless it is meant. */
const FULL = 0;
const SWALLOWED_POINT = -1;
const TENTHS_AS_DECIMAL = -0.8;
const OTHER_VALUE = -2.5;
const RARELY_WRITTEN = -4;

/** Light that photographers meter by hand, EV100: candle to sun on snow. */
const USUAL_LEVELS = { least: -3, most: 16 } as const;
/** How far from the scene's other readings a new one usually lies, stops (one standard deviation). */
const SCENE_SPREAD_STOPS = 2.5;
/** A second meaning is asked about when it is at least this plausible and changes the result by over ⅓ stop. */
const WORTH_ASKING = 0.12;
const MATTERS_STOPS = 1 / 3;

const slip = (kind: Slip | null): Assumption | null => (kind === null ? null : { kind });

/** Whole stops up to where hand meters are used: what is written most. */
const WHOLE_STOPS = [1, 1.4, 2, 2.8, 4, 5.6, 8, 11, 16, 22, 32];

/** Printed numbers up to here are typed as such; beyond, a point was left out more often. */
const LARGEST_TYPED = 32;

const isPrintedAperture = (n: number): boolean =>
  findNominal(APERTURE_THIRDS, n) !== undefined || findNominal(APERTURE_HALVES, n) !== undefined;

/** Whether a figure is printed as an aperture, and is a whole stop with tenths behind it as well: `4.5`, and not `5.6`. */
const isTwoFold = (figure: string): boolean => {
  const [whole = '', tenth = ''] = figure.split('.');
  const printed = isPrintedAperture(Number(figure)) && !WHOLE_STOPS.includes(Number(figure));
  return /^[1-9]$/.test(tenth) && WHOLE_STOPS.includes(Number(whole)) && printed;
};

// eslint-disable-next-line complexity -- each way to print an aperture, in order of likelihood
function apertureCandidates(text: string, { held, increment, decimalMeans }: ReadingContext): Candidate[] {
  const series = increment === 'half' ? 'half' : 'third';
  const found: Candidate[] = [];
  const add = (av: number, habit: number, assumption: Slip | null) =>
    found.push({
      settings: { ...held, av },
      notation: 'aperture',
      text: formatAperture(av, 'tenth'),
      assumption: slip(assumption),
      habit,
    });
  const read = (written: string, habit: number, assumption: Slip | null) => {
    const parsed = parseAperture(written, series);
    if (parsed.ok) add(parsed.value, habit, assumption);
  };
  const bare = text.trim().replace(',', '.');
  const n = /^\d*\.?\d+$/.test(bare) ? Number(bare) : null;
  if (n === null) {
    read(text, FULL, null);
    return found;
  }
  const whole = WHOLE_STOPS.includes(n);
  // f/14, f/20, f/32 stand on dials and meters: on an aperture pad they are meant
  const printed = isPrintedAperture(n) && n <= LARGEST_TYPED;
  const literal = whole || (printed && n >= 10) ? FULL : printed ? -0.3 : n > 22 ? RARELY_WRITTEN : -1;
  read(bare, literal, null);
  if (/^\d\d0?$/.test(bare) && !printed) {
    const meant = Number(bare.slice(0, 2)) / 10;
    if (isPrintedAperture(meant)) read(String(meant), SWALLOWED_POINT - (literal > -1 ? 2.5 : 0), 'point-left-out');
  }
  if (/^\d{3}$/.test(bare) && bare[2] !== '0' && isPrintedAperture(Number(bare.slice(0, 2)) / 10))
    read(`${Number(bare.slice(0, 2)) / 10} ${bare[2] ?? ''}`, SWALLOWED_POINT - 0.3, 'point-left-out-tenths');
  // 8.03 on a meter in tenths: eight and three tenths of a stop
  const behindNought = /^(\d+(?:\.\d)?)\.?0(\d)$/.exec(bare.replace(/^(\d+\.\d)0(?=\d$)/, '$1.0'));
  if (increment === 'tenth' && behindNought && /\./.test(bare) && isPrintedAperture(Number(behindNought[1])))
    read(`${behindNought[1] ?? ''} ${behindNought[2] ?? ''}`, 1, 'tenths-behind-point');
  const tenths = /^(\d+)\.(\d)$/.exec(bare);
  // 4.5 on a meter in tenths: f/4.5 as it is printed, or four and five tenths of a stop
  if (increment === 'tenth' && isTwoFold(bare)) {
    const habit = { printed: RARELY_WRITTEN, tenths: 1, unsaid: TENTHS_AS_DECIMAL }[decimalMeans ?? 'unsaid'];
    read(bare.replace('.', ' '), habit, 'tenths-behind-point');
  }
  // 8.5 on a meter in tenths: eight and five tenths of a stop
  if (tenths && tenths[2] !== '0' && isPrintedAperture(Number(tenths[1])) && !isPrintedAperture(n))
    read(
      `${tenths[1] ?? ''} ${tenths[2] ?? ''}`,
      increment === 'tenth' ? TENTHS_AS_DECIMAL : -2,
      'tenths-behind-point',
    );
  return found;
}

/** A figure and the part of a stop behind it, as the pad writes them: `125⅓`, `400 3`. */
function splitPart(text: string): { figure: string; partStops: number } {
  const match = /^(\d\S*?)(?:\s*([⅓½⅔])|\s+(\d))$/.exec(text);
  const partStops = match === null ? undefined : parsePartStops(match[2] ?? match[3] ?? '');
  return match === null || partStops === undefined
    ? { figure: text, partStops: 0 }
    : { figure: match[1] ?? text, partStops };
}

function shutterCandidates(text: string, { held, increment }: ReadingContext): Candidate[] {
  const series = increment === 'half' ? 'half' : 'third';
  const found: Candidate[] = [];
  const { figure: bare, partStops } = splitPart(text.trim().replace(',', '.'));
  const read = (written: string, habit: number, assumption: Slip | null) => {
    const parsed = parseShutter(written, series);
    if (parsed.ok)
      found.push({
        settings: { ...held, tv: parsed.value + partStops },
        notation: 'shutter',
        text: formatShutter(parsed.value + partStops, series),
        assumption: slip(assumption),
        habit,
      });
  };
  read(bare, FULL, null);
  const dotted = /^1\.(\d{2,4})$/.exec(bare)?.[1];
  if (dotted !== undefined) {
    const isDial = (denominator: number) => findNominal(SHUTTER_FRACTION_THIRDS, denominator) !== undefined;
    // 1.25 is 1/125 with a slip; 1.250 is 1/250 with a point for the stroke
    if (dotted.length === 2 && isDial(Number(`1${dotted}`))) read(`1/1${dotted}`, 2, 'point-too-many');
    if (isDial(Number(dotted))) read(`1/${dotted}`, dotted.length === 2 ? 0.5 : 2, 'point-for-stroke');
  }
  if (/^\d{1,2}$/.test(bare) && Number(bare) <= 30) read(`${bare}s`, -1, 'in-seconds');
  return found;
}

function isoCandidates(text: string, { held }: ReadingContext): Candidate[] {
  const { figure, partStops } = splitPart(text.trim());
  const thousands = /^(\d+(?:[.,]\d)?) ?k$/i.exec(figure)?.[1];
  const parsed = parseIso(thousands === undefined ? figure : String(Number(thousands.replace(',', '.')) * 1000));
  return parsed.ok
    ? [
        {
          settings: { ...held, sv: parsed.value + partStops },
          notation: 'iso',
          text: formatIso(parsed.value + partStops),
          assumption: null,
          habit: FULL,
        },
      ]
    : [];
}

const OWN = { aperture: apertureCandidates, shutter: shutterCandidates, iso: isoCandidates } as const;

/** A label in the text says which value it is: then nothing else is meant. */
function labelled(text: string): ReadValue | null {
  const tidied = text.trim().toLowerCase();
  if (/^(f\s*\/?|ƒ)\s*[\d.]/.test(tidied)) return 'aperture';
  if (/^1\s*\/\s*\d/.test(tidied) || /\d\s*(s|sec|secs|seconds?|"|″|th)$/.test(tidied)) return 'shutter';
  return /^iso/.test(tidied) ? 'iso' : null;
}

function candidatesFor(text: string, context: ReadingContext): Candidate[] {
  const lux = parseLux(text);
  const level = parseEv(text) ?? (lux !== undefined && lux > 0 ? ev100FromLux(lux, context.receptor) : undefined);
  if (level !== undefined)
    return [
      {
        settings: settingsAt(level, context.read, context.held),
        notation: lux === undefined ? 'ev' : 'lux',
        text: `EV ${level.toFixed(1)}`,
        assumption: null,
        habit: FULL,
      },
    ];
  const label = labelled(text);
  if (label !== null)
    return OWN[label](text, context).map((candidate) =>
      label === context.read ? candidate : { ...candidate, assumption: { kind: 'meter-showed', value: label } },
    );
  const own = OWN[context.read](text, context);
  const bare = /^\d+(?:[.,]\d+)?$/.test(text.trim());
  if (!bare) return own;
  // what stands on every dial was read as it stands there
  const figure = Number(text.trim().replace(',', '.'));
  if (context.read === 'aperture' && figure >= 10 && figure <= LARGEST_TYPED && isPrintedAperture(figure)) return own;
  const others = (['aperture', 'shutter'] as const)
    .filter((value) => value !== context.read)
    .flatMap((value) =>
      OWN[value](text, context)
        .filter(({ assumption }) => assumption?.kind !== 'in-seconds')
        .map((candidate): Candidate => ({
          ...candidate,
          habit: Math.min(0, candidate.habit) + OTHER_VALUE,
          assumption: candidate.assumption ?? { kind: 'taken-as', value },
        })),
    );
  const unlabelledEv = Number(text.trim().replace(',', '.'));
  const ev: Candidate[] =
    unlabelledEv <= 17 && /[.,]\d$/.test(text.trim()) && !isPrintedAperture(unlabelledEv)
      ? [
          {
            settings: settingsAt(unlabelledEv, context.read, context.held),
            notation: 'ev',
            text: `EV ${unlabelledEv.toFixed(1)}`,
            assumption: { kind: 'exposure-value' },
            habit: OTHER_VALUE,
          },
        ]
      : [];
  return [...own, ...others, ...ev];
}

const inRange = ({ av, tv, sv }: ExposureSettings): boolean =>
  av >= AV_RANGE.least &&
  av <= AV_RANGE.most &&
  tv >= TV_RANGE.least &&
  tv <= TV_RANGE.most &&
  sv >= SV_RANGE.least &&
  sv <= SV_RANGE.most;

function sceneWeight(settings: ExposureSettings, expectedEv100: number | null): number {
  const level = ev100(settings);
  const unusual = Math.max(0, USUAL_LEVELS.least - level, level - USUAL_LEVELS.most);
  const off = expectedEv100 === null ? 0 : (level - expectedEv100) / SCENE_SPREAD_STOPS;
  return -3 * unusual - (off * off) / 2;
}

/** A line that names several values, as the one meaning that it has. */
function wholeText({ settings, named }: WholeReading, { read, increment }: ReadingContext): ReadText {
  const best: Meaning = {
    settings,
    notation: named.includes(read) ? read : (named[0] ?? read),
    text: formatAperture(settings.av, increment),
    assumption: null,
    named,
    plausibility: 1,
  };
  return { best, others: [], question: null };
}

/** A reading is noted in fewer; a log keeps them as they were typed. */
const MOST_LETTERS = 60;

/** Why a text is no reading. */
export interface ReadingFault {
  kind: 'nothing-read' | 'not-a-reading' | 'beyond-meters' | 'too-long';
  read: ReadValue;
  /** as it was typed */
  text: string;
}

/**
 * Reads whatever was noted of a meter, sloppy or in full: every meaning it can have, ranked by how readily people write
 * so and by how well the light fits the scene. At most one question, and only when the other meaning would change the
 * result by over ⅓ stop.
 * @returns the meanings, or why there are none
 */
export function readMeterText(text: string, context: ReadingContext): Outcome<ReadText, ReadingFault> {
  if (text.trim() === '') return failure({ kind: 'nothing-read', read: context.read, text: '' });
  if (text.trim().length > MOST_LETTERS)
    return failure({ kind: 'too-long', read: context.read, text: text.trim().slice(0, MOST_LETTERS) });
  const whole = readWhole(text, context.held);
  if (whole !== null && inRange(whole.settings)) return success(wholeText(whole, context));
  const all = candidatesFor(/[a-z]/i.test(text) ? figuresFromWords(text) : text, context);
  const possible = all.filter(({ settings }) => inRange(settings));
  if (possible.length === 0)
    return failure({
      kind: all.length === 0 ? 'not-a-reading' : 'beyond-meters',
      read: context.read,
      text: text.trim(),
    });
  const weighed = possible.map((candidate) => ({
    candidate,
    weight: candidate.habit + sceneWeight(candidate.settings, context.expectedEv100),
  }));
  const top = Math.max(...weighed.map(({ weight }) => weight));
  const sum = weighed.reduce((total, { weight }) => total + Math.exp(weight - top), 0);
  const ranked = weighed
    .map(({ candidate: { habit: _habit, ...meaning }, weight }): Meaning => ({
      ...meaning,
      plausibility: Math.exp(weight - top) / sum,
    }))
    .sort((a, b) => b.plausibility - a.plausibility);
  const [best, ...others] = ranked as [Meaning, ...Meaning[]];
  const { increment, decimalMeans = null } = context;
  const figure = text.trim().replace(',', '.');
  const twofold = increment === 'tenth' && decimalMeans === null && context.read === 'aperture' && isTwoFold(figure);
  const inTenths = twofold ? others.find(({ assumption }) => assumption?.kind === 'tenths-behind-point') : undefined;
  if (inTenths !== undefined && best.notation === 'aperture')
    return success({
      best,
      others,
      question: { other: inTenths, remembers: { best: 'printed', other: 'tenths' } },
    });
  const rival = others.find(
    ({ settings, plausibility }) =>
      plausibility >= WORTH_ASKING && Math.abs(ev100(settings) - ev100(best.settings)) > MATTERS_STOPS,
  );
  return success({
    best,
    others,
    question: rival === undefined ? null : { other: rival, remembers: null },
  });
}
