import { LOOK_WAY_IDS, type LookWayId } from '../gear';
import type { LookMiss, LookRow, ShippedLookId } from '../looks';
import { formatShare, formatStopCount, formatStops, parsePartStops } from '../notation';
import {
  failure,
  flashMinusAmbient,
  holdBackFromFlashMinusAmbient,
  holdBackFromShare,
  type Outcome,
  shareFromHoldBack,
  success,
} from '../photometry';
import type { LookPicture } from '../record';
import { HOLD_BACK_RANGE, type LightRole } from '../setup';
import { sentence, stopsOf, stopWord } from './count';
import { LIGHT_ROLES, lightNamed } from './gear';
import { POINT_ROLES } from './metering';
import type { LookFault, Mark, ShippedLookWords, WordsContext } from '../words';

/** From flash hardly noticed to ambient shut out; the places where photographers usually set the balance. */
export const LOOK_MARKS: readonly Mark[] = [
  { stops: 0.15, name: 'Hint', words: 'Flash hardly noticed' },
  { stops: 1 / 3, name: 'Touch', words: 'Flash opens the shadows' },
  { stops: 2 / 3, name: 'Lift', words: 'Ambient two thirds under, flash lifts it back' },
  { stops: 1, name: 'Even', words: 'Flash and ambient even' },
  { stops: 1.6, name: 'Lead', words: 'Flash leads, ambient fills' },
  { stops: 2, name: 'Carry', words: 'Flash carries the face, ambient two under' },
  { stops: 3, name: 'Dusk', words: 'Ambient only a trace' },
  { stops: 5, name: 'Shut', words: 'Ambient shut out' },
];

/** A hold-back in words: those of the nearest mark. */
export const lookWords = (holdBackStops: number): string =>
  LOOK_MARKS.reduce((best, mark) =>
    Math.abs(mark.stops - holdBackStops) < Math.abs(best.stops - holdBackStops) ? mark : best,
  ).words;

/** One school's way of saying the look. */
export interface LookWay {
  id: LookWayId;
  name: string;
  /** the figure alone, for a large display */
  figure: (holdBackStops: number) => string;
  /** what the figure counts, behind it */
  unit: (holdBackStops: number) => string;
  /** how it is typed, as an example */
  example: string;
  /** hold-back of the plain figure that was typed, or undefined when it is out of the question */
  read: (text: string) => number | undefined;
}

const LESS =
  /\s*(?:stops?|st)?\s*(?:under|below|less|darker|weaker)?\s*(?:than)?\s*(?:the)?\s*(?:total|key|ambient)?\s*(?:alone)?$/;

/** A count of stops in any usual writing, with its sign: `1.6`, `-0.8`, `⅔`, `1⅓`, `0.8 over`. `over` turns the sign round. */
function readStops(text: string): number | undefined {
  const over = /\b(over|above|more|brighter|stronger)\b/.test(text);
  const plain = text
    .replace(/\b(over|above|more|brighter|stronger)\b/, '')
    .replace(LESS, '')
    .trim();
  const match = /^([+−-]?)\s*(\d*\.?\d*)\s*([⅓½⅔¼¾]|[12]\/[23])?$/.exec(plain);
  if (match === null || plain === '' || /^[+−-]$/.test(plain)) return undefined;
  const fraction = /^([+−-]?)([12])\/([23])$/.exec(plain);
  const size = fraction
    ? Number(fraction[2]) / Number(fraction[3])
    : Number(match[2] || 0) + (parsePartStops(match[3] ?? '') ?? 0);
  return (match[1] === '-' || match[1] === '−' ? -1 : 1) * (over ? -1 : 1) * size;
}

/** The sides that a signed difference lies on, in words. */
const side = (stops: number, over: string, under: string, even: string): string =>
  Math.abs(stops) < 0.05 ? even : stops > 0 ? over : under;

/**
 * Every way of saying the look. All convert into the hold-back and back:
 * `share = 1 − 2^−h`, `flash − ambient = log2(2^h − 1)`.
 */
export const LOOK_WAYS: Record<LookWayId, LookWay> = {
  underTotal: {
    id: 'underTotal',
    name: 'Ambient under the total',
    example: '0.7 or ⅔',
    figure: (stops) => formatStopCount(stops),
    unit: (stops) => `${stopWord(stops)} under the total`,
    read: readStops,
  },
  share: {
    id: 'share',
    name: 'Flash share',
    example: '37 %',
    figure: (stops) => formatShare(shareFromHoldBack(stops)),
    unit: () => 'of the light is flash',
    read: (text) => {
      const match = /^(\d+(?:\.\d+)?)\s*(%|percent)?$/.exec(text);
      const figure = Number(match?.[1]);
      const share = match?.[2] === undefined && figure < 1 ? figure : figure / 100;
      return match === null || !(share > 0 && share < 1) ? undefined : holdBackFromShare(share);
    },
  },
  underKey: {
    id: 'underKey',
    name: 'Ambient under the key alone',
    example: '1.6, or 0.8 over',
    figure: (stops) => formatStopCount(flashMinusAmbient(stops)),
    unit: (stops) =>
      side(
        flashMinusAmbient(stops),
        `${stopWord(flashMinusAmbient(stops))} under the key alone`,
        `${stopWord(flashMinusAmbient(stops))} over the key alone`,
        'ambient matches the key',
      ),
    read: (text) => {
      const stops = readStops(text);
      return stops === undefined ? undefined : holdBackFromFlashMinusAmbient(stops);
    },
  },
  fill: {
    id: 'fill',
    name: 'Match and fill',
    example: 'match, 0.8 under or 1 over',
    figure: (stops) => formatStopCount(flashMinusAmbient(stops)),
    unit: (stops) =>
      side(
        flashMinusAmbient(stops),
        `${stopWord(flashMinusAmbient(stops))}, fill over the ambient`,
        `${stopWord(flashMinusAmbient(stops))}, fill under the ambient`,
        'fill matches the ambient',
      ),
    read: (text) => {
      if (/^(match|even|same)/.test(text)) return holdBackFromFlashMinusAmbient(0);
      const under = readStops(text);
      // a bare figure is a fill under the ambient, as this school says it; a sign or “over” is taken at its word
      return under === undefined ? undefined : holdBackFromFlashMinusAmbient(/^[+−-]/.test(text) ? under : -under);
    },
  },
};

/** A look in one way of saying it: `37 % of the light is flash`. */
export function lookAs(holdBackStops: number, way: LookWayId): string {
  const { figure, unit } = LOOK_WAYS[way];
  const said = figure(holdBackStops);
  return Number(said) === 0 ? unit(holdBackStops) : `${said} ${unit(holdBackStops)}`;
}

/** All ways of saying a look, this person's own first. */
export const lookEveryWay = (holdBackStops: number, own: LookWayId): { way: LookWay; text: string }[] =>
  [own, ...LOOK_WAY_IDS.filter((id) => id !== own)].map((id) => ({
    way: LOOK_WAYS[id],
    text: lookAs(holdBackStops, id),
  }));

/**
 * Reads a look in one way of saying it.
 * @returns the hold-back in stops, or why it is none
 */
export function readLook(way: LookWayId, text: string): Outcome<number, LookFault> {
  const tidied = text
    .trim()
    .toLowerCase()
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/\s+/g, ' ');
  const holdBackStops = LOOK_WAYS[way].read(tidied);
  if (holdBackStops === undefined || Number.isNaN(holdBackStops))
    return failure({ kind: 'not-a-look', way, text: text.trim() });
  const { least, most } = HOLD_BACK_RANGE;
  if (holdBackStops < least - 1e-3 || holdBackStops > most + 1e-3)
    return failure({ kind: 'look-outside', way, text: text.trim() });
  return success(Math.min(most, Math.max(least, holdBackStops)));
}

/** Why a text is no look, and what would be right. */
export function lookFault({ kind, way, text }: LookFault): string {
  if (kind === 'not-a-look') return `“${text}” does not say a look here. Write it as ${LOOK_WAYS[way].example}.`;
  const { least, most } = HOLD_BACK_RANGE;
  return `“${text}” is outside the range: from ${lookAs(least, way)} to ${lookAs(most, way)}.`;
}

/** Usual places of the background against mid grey, under our own names. */
export const BACKGROUND_MARKS: readonly Mark[] = [
  { stops: -3, name: 'Night', words: 'Only lights and edges are left' },
  { stops: -2, name: 'Deep', words: 'Dark and saturated, two stops down' },
  { stops: -1, name: 'Down', words: 'A stop down, colours deepen' },
  { stops: -0.5, name: 'Calm', words: 'A little under the face' },
  { stops: 0, name: 'Level', words: 'As a meter would have it' },
  { stops: 1, name: 'Airy', words: 'A stop up, light and open' },
  { stops: 2, name: 'High', words: 'Two stops up, detail thins' },
  { stops: 7 / 3, name: 'White', words: 'White, just before it clips' },
];

/** Looks that ship: what each is for, and what it costs. */
export const SHIPPED_LOOK_WORDS: Record<ShippedLookId, ShippedLookWords> = {
  'quiet-lift': {
    name: 'Quiet lift',
    because: 'Flash that nobody notices: a quarter of the light, the place stays as it is.',
    price: 'Little control over contrast; a cloud shows at once.',
  },
  'even-hand': {
    name: 'Even hand',
    because: 'Flash and ambient as strong as each other, a stop of each: forgiving while light changes.',
    price: 'Two sources of the same strength: mind crossed shadows.',
  },
  'evening-made': {
    name: 'Evening made',
    because: 'The background a stop and a half down, the face lit by flash alone: dusk before it comes.',
    price: 'Takes power, and filters or high-speed sync in the sun.',
  },
  'closed-room': {
    name: 'Closed room',
    because: 'The ambient shut out: nothing but your light, always the same.',
    price: 'The place is gone; small apertures, much power.',
  },
  'sun-behind': {
    name: 'Sun behind',
    because: 'The sun as rim, a soft key from the other side lifts the face.',
    price: 'Flare in the lens, and the key must hold against the sky.',
  },
  wrapped: {
    name: 'Wrapped',
    because: 'A large key from the side where the ambient comes from: one direction, soft all round.',
    price: 'A large modifier near by: wind, and little depth of light.',
  },
  'deep-side': {
    name: 'Deep side',
    because: 'A key from far aside without fill: half of the face stays dark.',
    price: 'Nothing is left in the dark half; spectacles and deep eyes suffer.',
  },
  'two-and-rim': {
    name: 'Two and a rim',
    because: 'Key, fill a stop and a half under it, an edge of light at the hair: as portraits are usually built.',
    price: 'Three lights to carry, set and watch.',
  },
  'warm-at-dusk': {
    name: 'Warm at dusk',
    because: 'A gelled key and a balance for it: skin stays skin, the sky turns deep blue.',
    price: 'The gel takes about half a stop; no more than half an hour of such sky.',
  },
};

const degrees = (deg: number): string => `${Math.round(deg)}°`.replace('-', '−');
const miredOf = (mired: number): string => `${mired < -0.5 ? '−' : '+'}${Math.abs(mired).toFixed(0)} mired`;
const metres = (m: number): string => (m < 1 ? `${(m * 100).toFixed(0)} cm` : `${m.toFixed(1)} m`);

type FigureRow = Extract<LookRow, { kind: 'figure' }>;
type LightRow = Extract<LookRow, { kind: 'light' }>;

const LOOK_FIGURE_NAMES: Record<FigureRow['figure'], string> = {
  faceStops: 'Face against mid grey',
  holdBackStops: 'Ambient on the face held back',
  flashShare: 'Flash share on the face',
  backgroundStops: 'Background against mid grey',
  backgroundHoldBackStops: 'Ambient on the background held back',
  faceRatioStops: 'Lit side over dark side',
  keyOverFillStops: 'Key over fill',
  rimOverKeyStops: 'Rim over key',
  depthM: 'Sharp from front to back',
  keyOverAmbientMired: 'Key warmer than the ambient',
  whiteBalanceMired: 'Balanced warmer than the ambient',
};

const LOOK_LIGHT_NAMES: Record<LightRow['figure'], string> = {
  noseDeg: 'from the nose',
  riseDeg: 'over its aim',
  sizeDeg: 'wide, as softness',
  halfBeamDeg: 'of beam to each side',
  gelMired: 'of gel',
};

/** A figure of a look in its own unit. */
function lookValue(row: FigureRow | LightRow, value: number): string {
  switch (row.figure) {
    case 'flashShare':
      return formatShare(value);
    case 'depthM':
      return metres(value);
    case 'keyOverAmbientMired':
    case 'whiteBalanceMired':
    case 'gelMired':
      return miredOf(value);
    case 'faceStops':
    case 'backgroundStops':
    case 'rimOverKeyStops':
      return formatStops(value, 'tenth');
    default:
      return row.kind === 'light' ? degrees(value) : stopsOf(value);
  }
}

const roleNth = (role: LightRole, nth: number): string =>
  nth === 0 ? LIGHT_ROLES[role].name : `${LIGHT_ROLES[role].name} ${nth + 1}`;

/** One relation of a look: what it is, as it should be, as it is; empty where it is not there. */
export function lookRow(row: LookRow): { title: string; wanted: string; is: string } {
  if (row.kind === 'no-light') return { title: roleNth(row.role, row.nth), wanted: 'a light', is: 'none' };
  const title =
    row.kind === 'figure'
      ? LOOK_FIGURE_NAMES[row.figure]
      : `${roleNth(row.role, row.nth)} ${LOOK_LIGHT_NAMES[row.figure]}`;
  return {
    title,
    wanted: lookValue(row, row.wanted),
    is: row.is === null ? 'not known' : lookValue(row, row.is),
  };
}

/** Why a relation of a look is not reached. */
export function missedWhy({ why }: LookMiss, context: WordsContext): string {
  switch (why.kind) {
    case 'no-flash':
      return 'No flash of the kit is left for it.';
    case 'not-metered':
      return `${POINT_ROLES[why.role].name} is not metered here.`;
    case 'unit-range': {
      const light = lightNamed(why.lightId, context);
      return why.direction === 'too-weak'
        ? `${light} is at full power, ${stopsOf(why.byStops)} too weak.`
        : `${light} is at its lowest, ${stopsOf(why.byStops)} too strong.`;
    }
    case 'camera':
      return `The camera's dials end ${stopsOf(why.byStops)} before that.`;
    case 'lens':
      return 'The lens opens or closes no further, or the exposure asks for another aperture.';
    case 'no-lens':
      return 'Name the lens and the distance, and depth can be kept.';
    case 'no-modifier':
      return 'The nearest that the kit can do.';
    case 'no-gel':
      return 'The nearest that the gels of the kit can do.';
    case 'no-colour':
      return 'Say what colour the ambient has.';
    case 'ambient':
      return 'The ambient makes it so here; no light of this look changes that.';
  }
}

/** Under this share nobody sees a flash. */
const LEAST_SHARE = 0.005;

/** A look in a few words: `held back 1.0 stop, 50 % flash · background −1.8 · key 40° from the nose, 27° wide`. */
export function lookTold({ figures, lights }: LookPicture): string {
  const { holdBackStops, backgroundStops } = figures;
  const flashShare = figures.flashShare ?? 0;
  const isLit = flashShare >= LEAST_SHARE;
  const key = lights.find(({ role }) => role === 'key') ?? lights[0];
  const others = lights.filter((light) => light !== key).map(({ role }) => LIGHT_ROLES[role].name.toLowerCase());
  return sentence(
    [
      ...(holdBackStops === null || !isLit ? [] : [`held back ${stopsOf(holdBackStops)}`]),
      ...(isLit ? [`${formatShare(flashShare)} flash`] : []),
      ...(backgroundStops === null ? [] : [`background ${formatStops(backgroundStops, 'tenth')}`]),
      ...(key === undefined
        ? ['no flash']
        : [
            `${LIGHT_ROLES[key.role].name.toLowerCase()} ${degrees(Math.abs(key.noseDeg))} from the nose, ${degrees(key.sizeDeg)} wide`,
          ]),
      ...others,
    ].join(' · '),
  );
}
