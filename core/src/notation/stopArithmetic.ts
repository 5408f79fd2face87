import { failure, type Outcome, ratioToStops, roundToStep, stopsToRatio, success } from '../photometry';
import { formatAperture, formatIso, formatShutter } from './format';
import { parseAperture, parseIso, parsePartStops, parseShutter } from './parse';

type Kind = 'aperture' | 'shutter' | 'iso' | 'energy' | 'distance' | 'fraction';
/** A value as it was understood. */
export interface StopValue {
  kind: Kind;
  /** as a device prints it; a fraction of power without the word, empty for full power */
  text: string;
}

/** What was asked, as it was understood. */
export type StopQuestion =
  | { kind: 'step'; from: StopValue; to: StopValue }
  | { kind: 'moved'; value: StopValue; byStops: number; brighter: boolean; becomesText: string; otherWayText: string }
  | { kind: 'ratio'; text: string }
  | { kind: 'count' };

/** A question of plain stop arithmetic, answered. */
export interface StopAnswer {
  asked: StopQuestion;
  /** signed, positive: more light in the picture */
  stops: number;
}

/** Why a text is no question of stop arithmetic. */
export type StopFault = { kind: 'nothing-asked' } | { kind: 'not-to-be-worked-out'; text: string };

interface Value extends StopValue {
  /** light that it lets in, in stops: smaller apertures and faster shutters less, higher ISO more */
  lightStops: number;
}

const plain = (value: number): string => String(Number(value.toPrecision(3)));
const NUMBER = /^(\d+(?:\.\d+)?)$/;

/** One value of a kind; the unit behind the second value also stands for the first. */
// eslint-disable-next-line complexity -- each kind of figure, told once
function readValue(text: string, kind: Kind): Value | undefined {
  const number = Number(NUMBER.exec(text.replace(/\s*(ws|j|m|ft)$/, ''))?.[1] ?? NaN);
  switch (kind) {
    case 'aperture': {
      const read = parseAperture(text);
      return read.ok ? { kind, lightStops: -read.value, text: formatAperture(read.value, 'third') } : undefined;
    }
    case 'shutter': {
      const read = parseShutter(text);
      return read.ok ? { kind, lightStops: -read.value, text: formatShutter(read.value, 'third') } : undefined;
    }
    case 'iso': {
      const read = parseIso(text);
      return read.ok ? { kind, lightStops: read.value, text: formatIso(read.value) } : undefined;
    }
    case 'energy':
      return number > 0 ? { kind, lightStops: ratioToStops(number), text: `${plain(number)} Ws` } : undefined;
    // inverse square: twice the distance is two stops less from a small source
    case 'distance':
      return number > 0
        ? { kind, lightStops: -2 * ratioToStops(number), text: `${plain(number)} ${/ft$/.test(text) ? 'ft' : 'm'}` }
        : undefined;
    case 'fraction': {
      const match = /^(?:full|1\/(\d+))\s*(.*)$/.exec(text.replace(/\s*power$/, ''));
      const part = match === null ? undefined : parsePartStops((match[2] ?? '').replace(/^\+\s*/, ''));
      const stops = part === undefined ? NaN : part - ratioToStops(Number(match?.[1] ?? 1));
      return Number.isFinite(stops)
        ? {
            kind,
            lightStops: stops,
            text: `${match?.[1] === undefined ? '' : `1/${match[1]}`}${match?.[2] ? ` ${match[2]}` : ''}`,
          }
        : undefined;
    }
  }
}

/** What kind of value a text names by itself. */
function kindOf(text: string): Kind | undefined {
  if (/power|full/.test(text)) return 'fraction';
  if (/^f\s*\/?\s*\d/.test(text)) return 'aperture';
  if (/iso/.test(text)) return 'iso';
  if (/(ws|j)$/.test(text)) return 'energy';
  if (/\d\s*(m|ft)$/.test(text)) return 'distance';
  if (/^1\s*\/\s*\d/.test(text) || /\d\s*(s|sec|seconds?|"|th)$/.test(text)) return 'shutter';
  return undefined;
}

const answer = (asked: StopQuestion, stops: number): StopAnswer => ({ asked, stops: stops + 0 });
const shown = ({ kind, text }: Value): StopValue => ({ kind, text });

function between(from: string, to: string): StopAnswer | undefined {
  const kinds: Kind[] = [kindOf(to), kindOf(from)].filter((kind) => kind !== undefined);
  // two bare numbers are apertures, as people say them
  for (const kind of new Set<Kind>([
    ...(kinds.includes('fraction') ? ['fraction' as const] : kinds),
    ...(kinds.length === 0 ? ['aperture' as const] : []),
  ])) {
    const [a, b] = [readValue(from, kind), readValue(to, kind)];
    if (a === undefined || b === undefined) continue;
    const stops = b.lightStops - a.lightStops;
    return answer({ kind: 'step', from: shown(a), to: shown(b) }, stops);
  }
  return undefined;
}

/** A value and a count of stops: what it becomes; `f/4 + 1` is one stop more light, which is the smaller number. */
function moved(from: string, sign: string, count: string): StopAnswer | undefined {
  const kind = kindOf(from) ?? 'aperture';
  const value = readValue(from, kind);
  const size = readCount(count);
  if (value === undefined || size === undefined || kind === 'fraction') return undefined;
  const stops = sign === '+' ? size : -size;
  const at = (light: number) =>
    ({
      aperture: formatAperture(-light, 'third'),
      shutter: formatShutter(-light, 'third'),
      iso: formatIso(light),
      energy: `${plain(stopsToRatio(light))} Ws`,
      distance: `${plain(stopsToRatio(-light / 2))} ${/ft$/.test(from) ? 'ft' : 'm'}`,
    })[kind];
  // plus means more light here; who meant the number to go up reads the other way
  return answer(
    {
      kind: 'moved',
      value: shown(value),
      byStops: size,
      brighter: sign === '+',
      becomesText: at(value.lightStops + stops),
      otherWayText: at(value.lightStops - stops),
    },
    stops,
  );
}

function readCount(text: string): number | undefined {
  const match = /^(\d+(?:\.\d+)?)?\s*([⅓½⅔]|[12]\/[23])?\s*(?:stops?)?$/.exec(text);
  if (match === null || (match[1] === undefined && match[2] === undefined)) return undefined;
  return Number(match[1] ?? 0) + (parsePartStops(match[2] ?? '') ?? 0);
}

/**
 * Answers plain stop arithmetic: the step between two apertures, shutters, ISOs, energies, powers or distances
 * (`f/5 to f/7.1`), a value moved by stops (`f/4 − 1⅓`), a ratio (`3:1`), a percentage or a count of stops.
 * Nominal numbers stand for their exact stops.
 * @returns the answer, or why there is none
 */
export function answerStops(question: string): Outcome<StopAnswer, StopFault> {
  const text = question
    .trim()
    .toLowerCase()
    .replace(/[−–]/g, '-')
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/\s+/g, ' ');
  if (text === '') return failure({ kind: 'nothing-asked' });
  const found = askRatio(text) ?? askStep(text) ?? askMoved(text) ?? askCount(text);
  if (found === undefined || !Number.isFinite(found.stops) || Math.abs(found.stops) > 40)
    return failure({ kind: 'not-to-be-worked-out', text: question.trim() });
  return success(found);
}

function askRatio(text: string): StopAnswer | undefined {
  const ratio = /^(?:ratio )?(\d+(?:\.\d+)?) ?: ?(\d+(?:\.\d+)?)$/.exec(text);
  const percent = /^(\d+(?:\.\d+)?) ?%$/.exec(text);
  const factor = ratio ? Number(ratio[1]) / Number(ratio[2]) : percent ? Number(percent[1]) / 100 : NaN;
  if (!(factor > 0)) return undefined;
  const stops = ratioToStops(factor);
  return answer({ kind: 'ratio', text: ratio ? `${ratio[1]}:${ratio[2]}` : `${percent?.[1] ?? ''} %` }, stops);
}

function askStep(text: string): StopAnswer | undefined {
  const match = /^(?:from )?(.+?) (?:to|->|→) (.+)$/.exec(text);
  return match?.[1] === undefined || match[2] === undefined ? undefined : between(match[1], match[2]);
}

function askMoved(text: string): StopAnswer | undefined {
  const match = /^(.+?) ?(?:\b(plus|minus)\b|([+-])) ?(.+)$/.exec(text);
  const sign = match?.[2] === 'plus' || match?.[3] === '+' ? '+' : '-';
  return match?.[1] === undefined || match[4] === undefined ? undefined : moved(match[1], sign, match[4]);
}

function askCount(text: string): StopAnswer | undefined {
  const match = /^([+-]?) ?(.+)$/.exec(text);
  const size = readCount(match?.[2] ?? '');
  if (size === undefined) return undefined;
  const stops = roundToStep((match?.[1] === '-' ? -1 : 1) * size, 1e-6);
  return answer({ kind: 'count' }, stops);
}
