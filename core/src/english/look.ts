import { LOOK_WAY_IDS, type LookWayId } from '../gear';
import type { LookCulprit, LookMiss, LookRow } from '../looks';
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
import { LIGHT_ROLES, lightNamed, panelName } from './gear';
import { POINT_ROLES } from './metering';
import type { LookFault, Mark, WordsContext } from '../words';

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

const degrees = (deg: number): string => `${Math.round(deg)}°`.replace('-', '−');
const miredOf = (mired: number): string => `${mired < -0.5 ? '−' : '+'}${Math.abs(mired).toFixed(0)} mired`;
const metres = (m: number): string => (m < 1 ? `${(m * 100).toFixed(0)} cm` : `${m.toFixed(1)} m`);

type FigureRow = Extract<LookRow, { kind: 'figure' }>;
type LightRow = Extract<LookRow, { kind: 'light' }>;
type LampRow = Extract<LookRow, { kind: 'lamp' }>;
type PanelRow = Extract<LookRow, { kind: 'panel' }>;

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

const LOOK_LAMP_NAMES: Record<LampRow['figure'], string> = {
  noseDeg: LOOK_LIGHT_NAMES.noseDeg,
  riseDeg: LOOK_LIGHT_NAMES.riseDeg,
  overAmbientStops: 'over the ambient',
  ambientMired: 'warmer than the ambient',
};

/** A figure of a look in its own unit. */
function lookValue(row: FigureRow | LightRow | LampRow | PanelRow, value: number): string {
  switch (row.figure) {
    case 'flashShare':
      return formatShare(value);
    case 'depthM':
      return metres(value);
    case 'keyOverAmbientMired':
    case 'whiteBalanceMired':
    case 'gelMired':
    case 'ambientMired':
      return miredOf(value);
    case 'faceStops':
    case 'backgroundStops':
    case 'rimOverKeyStops':
    case 'overAmbientStops':
      return formatStops(value, 'tenth');
    default:
      return row.kind === 'figure' ? stopsOf(value) : degrees(value);
  }
}

const roleNth = (role: LightRole, nth: number): string =>
  nth === 0 ? LIGHT_ROLES[role].name : `${LIGHT_ROLES[role].name} ${nth + 1}`;

const lampNth = (role: LightRole, nth: number): string => `${roleNth(role, nth)} lamp`;
const panelNth = (panel: PanelRow['panel'], nth: number): string =>
  nth === 0 ? panelName(panel) : `${panelName(panel)} ${nth + 1}`;

function lookRowTitle(row: FigureRow | LightRow | LampRow | PanelRow): string {
  switch (row.kind) {
    case 'figure':
      return LOOK_FIGURE_NAMES[row.figure];
    case 'light':
      return `${roleNth(row.role, row.nth)} ${LOOK_LIGHT_NAMES[row.figure]}`;
    case 'lamp':
      return `${lampNth(row.role, row.nth)} ${LOOK_LAMP_NAMES[row.figure]}`;
    case 'panel':
      return `${panelNth(row.panel, row.nth)} ${LOOK_LIGHT_NAMES[row.figure]}`;
  }
}

/** One relation of a look: what it is, as it should be, as it is; empty where it is not there. */
export function lookRow(row: LookRow): { title: string; wanted: string; is: string } {
  switch (row.kind) {
    case 'no-light':
      return { title: roleNth(row.role, row.nth), wanted: 'a light', is: 'none' };
    case 'no-lamp':
      return { title: lampNth(row.role, row.nth), wanted: 'a lamp', is: 'none' };
    case 'no-panel':
      return { title: panelNth(row.panel, row.nth), wanted: 'a panel', is: 'none' };
    default:
      return {
        title: lookRowTitle(row),
        wanted: lookValue(row, row.wanted),
        is: row.is === null ? 'not known' : lookValue(row, row.is),
      };
  }
}

/** What is to be changed so that a picture is the same, as it is called. */
export function lookCulprit(culprit: LookCulprit): string {
  switch (culprit.kind) {
    case 'light':
      return roleNth(culprit.role, culprit.nth);
    case 'lamp':
      return lampNth(culprit.role, culprit.nth);
    case 'panel':
      return panelNth(culprit.panel, culprit.nth);
    case 'ambient':
      return 'the camera against the ambient';
    case 'white-balance':
      return 'the white balance';
    case 'depth':
      return 'the aperture';
  }
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
    case 'no-lamp':
      return 'No lamp of the kit is left for it.';
    case 'lamp-range':
      return 'The nearest that a lamp of the kit can do.';
    case 'no-panel':
      return 'The kit has no reflector with this surface.';
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
export function lookTold({ figures, lights, lamps, panels }: LookPicture): string {
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
        ? lamps.length > 0
          ? []
          : ['no flash']
        : [
            `${LIGHT_ROLES[key.role].name.toLowerCase()} ${degrees(Math.abs(key.noseDeg))} from the nose, ${degrees(key.sizeDeg)} wide`,
          ]),
      ...others,
      ...lamps.map(({ role }) => `${LIGHT_ROLES[role].name.toLowerCase()} lamp`),
      ...panels.map((panel) => panelName(panel).toLowerCase()),
    ].join(' · '),
  );
}
