import { failure, type Outcome, ratioToStops, roundToStep, stopsToRatio, success } from '../photometry';
import { formatAperture, formatIso, formatShutter, formatStopCount, formatStops } from './format';
import { parseAperture, parseIso, parsePartStops, parseShutter } from './parse';

/** A question of plain stop arithmetic, answered in words and in all notations. */
export interface StopAnswer {
  /** what was asked, as it was understood: `f/5 to f/7.1` */
  asked: string;
  /** signed, positive: more light in the picture */
  stops: number;
  /** the answer in words: `1.0 stop darker` */
  words: string;
  /** the same in thirds, as a factor, a ratio and a percentage */
  notations: { name: string; text: string }[];
}

type Kind = 'aperture' | 'shutter' | 'iso' | 'energy' | 'distance' | 'fraction';
interface Value {
  kind: Kind;
  /** light that it lets in, in stops: smaller apertures and faster shutters less, higher ISO more */
  lightStops: number;
  text: string;
}

const HELP =
  'Ask like this: f/5 to f/7.1, 1/60 to 1/200, ISO 100 to 640, 35 to 90 Ws, 2 to 3 m, 3:1, f/4 + 1⅓, 1/16 power to 1/64, 37 %.';

const plain = (value: number): string => String(Number(value.toPrecision(3)));
const NUMBER = /^(\d+(?:\.\d+)?)$/;

/** One value of a kind; the unit behind the second value also stands for the first. */
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
            text: `${match?.[1] === undefined ? 'full' : `1/${match[1]}`}${match?.[2] ? ` ${match[2]}` : ''} power`,
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

const DIRECTION: Record<Kind, (stops: number) => string> = {
  aperture: (stops) => (stops < 0 ? 'a smaller opening, the number goes up' : 'a wider opening, the number goes down'),
  shutter: (stops) => (stops < 0 ? 'a faster shutter' : 'a slower shutter'),
  iso: (stops) => (stops < 0 ? 'a lower ISO' : 'a higher ISO'),
  energy: (stops) => (stops < 0 ? 'less energy' : 'more energy'),
  distance: (stops) => (stops < 0 ? 'farther, from a small source' : 'nearer, from a small source'),
  fraction: (stops) => (stops < 0 ? 'less power' : 'more power'),
};

const darkerOrBrighter = (stops: number): string => {
  const count = formatStopCount(stops);
  return count === '0.0'
    ? 'no difference'
    : `${count} ${count === '1.0' ? 'stop' : 'stops'} ${stops < 0 ? 'darker' : 'brighter'}`;
};

function answer(asked: string, stops: number, words: string): StopAnswer {
  const factor = stopsToRatio(stops);
  return {
    asked,
    stops: stops + 0,
    words,
    notations: [
      { name: 'Stops, tenths', text: formatStops(stops) },
      { name: 'Stops, thirds', text: formatStops(stops, 'third') },
      { name: 'Light', text: factor >= 1 ? `${plain(factor)} times` : `1/${plain(1 / factor)}` },
      { name: 'Ratio', text: `${plain(Math.max(factor, 1 / factor))}:1` },
      { name: 'Percent', text: `${plain(factor * 100)} %` },
    ],
  };
}

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
    const same = Math.abs(stops) < 0.05;
    return answer(
      `${a.text} to ${b.text}`,
      stops,
      same ? 'no difference' : `${darkerOrBrighter(stops)}: ${DIRECTION[kind](stops)}`,
    );
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
  const said = answer(
    `${value.text}, ${formatStopCount(size)} stops ${sign === '+' ? 'brighter' : 'darker'}`,
    stops,
    `${at(value.lightStops + stops)}: ${darkerOrBrighter(stops)}`,
  );
  // plus means more light here; who meant the number to go up reads the other line
  return {
    ...said,
    notations: [
      { name: 'The other way', text: `${at(value.lightStops - stops)}: ${darkerOrBrighter(-stops)}` },
      ...said.notations,
    ],
  };
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
 * @returns the answer, or a message that says what can be asked
 */
export function answerStops(question: string): Outcome<StopAnswer> {
  const text = question
    .trim()
    .toLowerCase()
    .replace(/[−–]/g, '-')
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/\s+/g, ' ');
  if (text === '') return failure(HELP);
  const found = askRatio(text) ?? askStep(text) ?? askMoved(text) ?? askCount(text);
  if (found === undefined || !Number.isFinite(found.stops) || Math.abs(found.stops) > 40)
    return failure(`“${question.trim()}” cannot be worked out. ${HELP}`);
  return success(found);
}

function askRatio(text: string): StopAnswer | undefined {
  const ratio = /^(?:ratio )?(\d+(?:\.\d+)?) ?: ?(\d+(?:\.\d+)?)$/.exec(text);
  const percent = /^(\d+(?:\.\d+)?) ?%$/.exec(text);
  const factor = ratio ? Number(ratio[1]) / Number(ratio[2]) : percent ? Number(percent[1]) / 100 : NaN;
  if (!(factor > 0)) return undefined;
  const stops = ratioToStops(factor);
  return answer(
    ratio ? `${ratio[1]}:${ratio[2]}` : `${percent?.[1] ?? ''} %`,
    stops,
    darkerOrBrighter(stops).replace('darker', 'less').replace('brighter', 'more'),
  );
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
  return answer(`${formatStops(stops)} stops`, stops, darkerOrBrighter(stops));
}
