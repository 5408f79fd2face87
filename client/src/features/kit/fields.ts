import { texts } from './texts';
import { type GearList, SURFACES } from '@sphene/core/gear';
import {
  formatAperture,
  formatIso,
  formatShutter,
  formatStops,
  parseAperture,
  parseIso,
  parseShutter,
} from '@sphene/core/notation';

/** A thing of the kit as plain data, on its way through the form. */
export type Draft = Record<string, unknown>;

/** One field of a form: how it shows a value, and how what was typed becomes one. */
export interface Field {
  /** where it stands in the thing: `output.by` */
  path: string;
  label: string;
  hint?: string;
  /** one of these; else it is typed */
  choices?: readonly { value: string; label: string }[];
  show: (value: unknown) => string;
  /** undefined where it cannot be read */
  read: (text: string) => unknown;
  example: string;
  when?: (draft: Draft) => boolean;
}

/** The value at a path of a draft. */
export const valueAt = (draft: Draft, path: string): unknown =>
  path.split('.').reduce<unknown>((node, key) => (node as Draft | null | undefined)?.[key], draft);

/** A copy with the value at a path. */
export function withValueAt(draft: Draft, path: string, value: unknown): Draft {
  const [key = '', ...rest] = path.split('.');
  return {
    ...draft,
    [key]: rest.length === 0 ? value : withValueAt((draft[key] ?? {}) as Draft, rest.join('.'), value),
  };
}

const tidy = (value: number): string => String(Number(value.toFixed(4))).replace('-', '−');
const asNumber = (text: string): number | undefined => {
  const figure = Number(text.trim().replace(',', '.').replace('−', '-'));
  return text.trim() === '' || !Number.isFinite(figure) ? undefined : figure;
};

const text = (path: string, label: string): Field => ({
  path,
  label,
  show: String,
  read: (typed) => typed,
  example: 'a name',
});
const number = (path: string, label: string, example: string, more: Partial<Field> = {}): Field => ({
  path,
  label,
  example,
  show: (value) => (typeof value === 'number' ? tidy(value) : ''),
  read: asNumber,
  ...more,
});
/** May stay empty: then it is not known. */
const maybe = (field: Field): Field => ({
  ...field,
  hint: field.hint ?? texts.mayStayEmptyNotKnown,
  show: (value) => (value === null ? '' : field.show(value)),
  read: (typed) => (typed.trim() === '' ? null : field.read(typed)),
});
const parsed = (
  path: string,
  label: string,
  example: string,
  say: (value: number) => string,
  read: (typed: string) => { ok: true; value: number } | { ok: false },
  more: Partial<Field> = {},
): Field => ({
  path,
  label,
  example,
  show: (value) => (typeof value === 'number' ? say(value) : ''),
  read: (typed) => {
    const outcome = read(typed);
    return outcome.ok ? outcome.value : undefined;
  },
  ...more,
});
const shutter = (path: string, label: string, more: Partial<Field> = {}) =>
  parsed(
    path,
    label,
    '1/200',
    (tv) => formatShutter(tv, 'third'),
    (typed) => parseShutter(typed, 'third'),
    more,
  );
const aperture = (path: string, label: string) =>
  parsed(
    path,
    label,
    'f/2.8',
    (av) => formatAperture(av, 'third'),
    (typed) => parseAperture(typed, 'third'),
  );
const iso = (path: string, label: string) => parsed(path, label, texts.iso100, formatIso, parseIso);
const choice = (path: string, label: string, choices: Field['choices']): Field => ({
  path,
  label,
  choices: choices ?? [],
  show: String,
  read: (typed) => typed,
  example: '',
});
const yesNo = (path: string, label: string): Field => ({
  path,
  label,
  choices: [
    { value: 'true', label: texts.yes },
    { value: 'false', label: texts.no },
  ],
  show: String,
  read: (typed) => typed === 'true',
  example: '',
});
const stops = (path: string, label: string, example = '1.0', more: Partial<Field> = {}): Field =>
  number(path, label, example, { hint: 'stops', ...more });

const has =
  (path: string, ...values: unknown[]) =>
  (draft: Draft) =>
    values.includes(valueAt(draft, path));
const STEPS = [
  { value: 'third', label: texts.thirds },
  { value: 'half', label: texts.halves },
  { value: 'tenth', label: texts.tenths },
];
/** Outlets as they are typed: `A 67 %, B 33 %`. */
const outlets: Field = {
  path: 'outlets',
  label: texts.outletsWithFixedShares,
  hint: texts.suchAsOutlet167,
  example: 'Outlet 1 67 %, Outlet 2 33 %',
  show: (value) =>
    Array.isArray(value)
      ? value.map(({ name, share }: { name: string; share: number }) => `${name} ${tidy(share * 100)} %`).join(', ')
      : '',
  read: (typed) => {
    const parts = typed
      .split(',')
      .map((part) => part.trim())
      .filter((part) => part !== '')
      .map((part) => /^(.+?)\s+(\d+(?:[.]\d+)?)\s*%?$/.exec(part));
    return parts.some((part) => part === null)
      ? undefined
      : parts.map((part) => ({ name: part?.[1] ?? '', share: Number(part?.[2]) / 100 }));
  },
};

/** Surfaces of a reflector as they are typed: `white, silver`. */
const surfaces: Field = {
  path: 'surfaces',
  label: texts.surfaces,
  hint: `Of ${SURFACES.join(', ')}.`,
  example: 'white, silver',
  show: (value) => (Array.isArray(value) ? value.join(', ') : ''),
  read: (typed) => {
    const list = typed
      .toLowerCase()
      .split(',')
      .map((one) => one.trim())
      .filter((one) => one !== '');
    return list.length > 0 && list.every((one) => (SURFACES as readonly string[]).includes(one)) ? list : undefined;
  },
};

/** The form of each kind of gear, in the order in which people know things. */
export const FIELDS: Record<GearList, readonly Field[]> = {
  flashUnits: [
    text('name', 'Name'),
    choice('output.by', texts.strengthStatedAs, [
      { value: 'guideNumber', label: texts.guideNumber },
      { value: 'wattSeconds', label: 'Watt-seconds' },
    ]),
    number('output.guideNumberM', texts.guideNumber, '34', {
      hint: texts.metresIso100FullPower,
      when: has('output.by', 'guideNumber'),
    }),
    maybe(
      number('output.zoomMm', texts.statedAtZoom, '50', {
        hint: texts.mmEmptyWhenTheHead,
        when: has('output.by', 'guideNumber'),
      }),
    ),
    number('output.ws', texts.energyAtFullPower, '400', { hint: texts.ws, when: has('output.by', 'wattSeconds') }),
    choice('scale.kind', texts.itsPowerScale, [
      { value: 'fraction', label: '1/16' },
      { value: 'stopNumber', label: '7.3' },
      { value: 'wattSeconds', label: texts.ws },
      { value: 'percent', label: '%' },
    ]),
    choice('scale.step', texts.itsStep, STEPS),
    stops('scale.lowestStops', texts.lowestPower, '−8', { hint: texts.stopsBelowFull1256 }),
    number('scale.topNumber', texts.numberOfFullPower, '10', { when: has('scale.kind', 'stopNumber') }),
    number('scale.fullWs', texts.energyThatFullPowerShows, '1000', {
      hint: texts.ws,
      when: has('scale.kind', 'wattSeconds'),
    }),
    maybe(
      stops('highSpeedSyncLossStops', texts.lossOnEnteringHighSpeed, '1.7', {
        hint: texts.stopsEmptyWhenItHas,
      }),
    ),
    maybe(number('recycleFullS', texts.recycleAfterFullPower, '0.9', { hint: texts.secondsMayStayEmpty })),
    maybe(number('popsFull', texts.fullPowerFlashesInA, '390', { hint: texts.emptyOnTheMainsOr })),
    maybe({
      ...parsed(
        't01FullS',
        texts.t01AtFullPower,
        '1/220',
        (s) => (s < 0.5 ? `1/${Math.round(1 / s)}` : tidy(s)),
        (typed) => {
          const match = /^1\s*\/\s*(\d+)$/.exec(typed.trim());
          const value = match === null ? asNumber(typed) : 1 / Number(match[1]);
          return value === undefined ? { ok: false } : { ok: true, value };
        },
      ),
      hint: texts.secondsSuchAs1220,
    }),
    outlets,
  ],
  modifiers: [
    text('name', 'Name'),
    choice('shape.kind', 'Shape', [
      { value: 'round', label: texts.round },
      { value: 'rectangle', label: texts.rectangle },
      { value: 'point', label: texts.small },
    ]),
    number('shape.diameterM', 'Diameter', '0.9', { hint: 'metres', when: has('shape.kind', 'round') }),
    number('shape.widthM', 'Width', '0.6', { hint: 'metres', when: has('shape.kind', 'rectangle') }),
    number('shape.heightM', 'Height', '0.6', { hint: 'metres', when: has('shape.kind', 'rectangle') }),
    number('layers', texts.layersOfCloth, '1', { hint: texts.oneLayerUsuallyTakes1 }),
    stops('lossStops', texts.lossAgainstTheStandardReflector, '1.0', { hint: texts.stopsOnItsAxisMinus }),
    choice('beam.kind', 'Beam', [
      { value: 'diffuse', label: texts.cloth },
      { value: 'cone', label: texts.cone },
      { value: 'table', label: texts.fromAFile },
    ]),
    number('beam.fullDeg', texts.fullAngleOfTheBeam, '60', {
      hint: texts.degreesHalfTheLightIs,
      when: has('beam.kind', 'cone'),
    }),
  ],
  grids: [
    text('name', 'Name'),
    number('angleDeg', 'Angle', '40', { hint: 'degrees' }),
    stops('lossStops', 'Loss', '0.7'),
  ],
  gels: [
    text('name', 'Name'),
    number('shiftMired', 'Shift', '109', { hint: texts.miredWarmingIsPlus }),
    number('greenCc', 'Green', '0', { hint: texts.colourCompensatingUnitsMagentaIs }),
    stops('lossStops', 'Loss', '0.5'),
  ],
  stands: [
    text('name', 'Name'),
    number('highestM', 'Highest', '2.6', { hint: texts.metresOverTheGround }),
    number('footRadiusM', texts.middleToFeet, '0.45', { hint: texts.metresLegsSpreadTheBallast }),
  ],
  filters: [
    text('name', 'Name'),
    choice('kind', 'Kind', [
      { value: 'nd', label: texts.neutralDensity },
      { value: 'polariser', label: texts.polariser },
    ]),
    stops('lossStops', 'Loss', '3'),
  ],
  cameras: [
    text('name', 'Name'),
    choice('increment', texts.dialsCount, STEPS.slice(0, 2)),
    shutter('syncTv', 'Sync'),
    yesNo('highSpeedSync', texts.highSpeedSync),
    shutter('slowestTv', texts.slowestSharpInTheHand, { hint: texts.whereNoLensIsNamed }),
    shutter('fastestTv', texts.fastestShutter),
    iso('baseSv', texts.baseIso),
    iso('highestSv', texts.highestIsoAccepted),
    maybe(iso('extendedLowSv', texts.lowestExtendedIso)),
    maybe(iso('extendedHighSv', texts.highestExtendedIso)),
    aperture('widestAv', texts.widestAperture),
    aperture('smallestAv', texts.smallestAperture),
    number('sensorDiagonalMm', texts.diagonalOfTheSensor, '43.3', { hint: 'mm' }),
    stops('clipsAboveStops', texts.clipsAboveMidGreyBy, '3'),
    stops('noiseBelowStops', texts.lostBelowMidGreyBy, formatStops(-5)),
  ],
  lamps: [
    text('name', 'Name'),
    choice('output.by', texts.strengthStatedAs, [
      { value: 'lux', label: texts.luxAt1M },
      { value: 'lumens', label: texts.lumens },
    ]),
    number('output.luxAt1M', texts.luxAt1M, '1600', { when: has('output.by', 'lux') }),
    number('output.lumens', 'Lumens', '2000', { when: has('output.by', 'lumens') }),
    number('output.beamDeg', texts.filledAngle, '100', { hint: 'degrees', when: has('output.by', 'lumens') }),
    number('kelvinLow', texts.warmestColour, '2800', { hint: 'K' }),
    number('kelvinHigh', texts.coolestColour, '6000', { hint: 'K' }),
    choice('beam.kind', 'Beam', [
      { value: 'diffuse', label: texts.cloth },
      { value: 'cone', label: texts.cone },
      { value: 'table', label: texts.fromAFile },
    ]),
    number('beam.fullDeg', texts.fullAngleOfTheBeam, '60', { hint: 'degrees', when: has('beam.kind', 'cone') }),
  ],
  reflectors: [text('name', 'Name'), number('diameterM', 'Across', '1.1', { hint: 'metres' }), surfaces],
  lenses: [
    text('name', 'Name'),
    number('shortestMm', texts.shortestFocalLength, '24', { hint: 'mm' }),
    number('longestMm', texts.longestFocalLength, '70', { hint: texts.mmTheSameForA }),
    aperture('widestAv', texts.widestAperture),
    aperture('smallestAv', texts.smallestAperture),
    stops('stabilisedStops', texts.stabiliserGains, '3'),
  ],
};

/** What a new thing of each kind is until something else is said. */
export const TEMPLATES: Record<GearList, Draft> = {
  flashUnits: {
    name: '',
    output: { by: 'wattSeconds', ws: 400 },
    scale: { kind: 'fraction', step: 'tenth', lowestStops: -8 },
    highSpeedSyncLossStops: 1.7,
    recycleFullS: null,
    popsFull: null,
    t01FullS: null,
    outlets: [],
  },
  modifiers: { name: '', shape: { kind: 'round', diameterM: 0.9 }, layers: 1, lossStops: 1, beam: { kind: 'diffuse' } },
  grids: { name: '', angleDeg: 40, lossStops: 0.7 },
  gels: { name: '', shiftMired: 109, greenCc: 0, lossStops: 0.5 },
  stands: { name: '', highestM: 2.6, footRadiusM: 0.45 },
  filters: { name: '', kind: 'nd', lossStops: 3 },
  lamps: {
    name: '',
    output: { by: 'lux', luxAt1M: 1600 },
    kelvinLow: 2800,
    kelvinHigh: 6000,
    beam: { kind: 'diffuse' },
  },
  reflectors: { name: '', diameterM: 1.1, surfaces: ['white', 'silver'] },
  cameras: {
    name: '',
    increment: 'third',
    syncTv: 23 / 3,
    highSpeedSync: true,
    slowestTv: 7,
    fastestTv: 13,
    baseSv: 0,
    highestSv: 6,
    extendedLowSv: null,
    extendedHighSv: null,
    widestAv: 3,
    smallestAv: 8,
    sensorDiagonalMm: 43.3,
    clipsAboveStops: 3,
    noiseBelowStops: -5,
  },
  lenses: { name: '', shortestMm: 50, longestMm: 50, widestAv: 2, smallestAv: 8, stabilisedStops: 0 },
};

/** What a choice brings along: the fields that it opens get their usual values, those that it closes go. */
export function chosen(draft: Draft, path: string, value: string): Draft {
  switch (path) {
    case 'output.by':
      return {
        ...draft,
        output:
          value === 'lux'
            ? { by: value, luxAt1M: 1600 }
            : value === 'lumens'
              ? { by: value, lumens: 2000, beamDeg: 100 }
              : value === 'guideNumber'
                ? { by: value, guideNumberM: 34, zoomMm: null }
                : { by: value, ws: 400 },
      };
    case 'scale.kind': {
      const { step, lowestStops } = draft['scale'] as { step: string; lowestStops: number };
      return {
        ...draft,
        scale: {
          kind: value,
          step,
          lowestStops,
          ...(value === 'stopNumber' ? { topNumber: 10 } : value === 'wattSeconds' ? { fullWs: 1000 } : {}),
        },
      };
    }
    case 'shape.kind':
      return {
        ...draft,
        shape:
          value === 'round'
            ? { kind: value, diameterM: 0.9 }
            : value === 'rectangle'
              ? { kind: value, widthM: 0.6, heightM: 0.6 }
              : { kind: value },
      };
    case 'beam.kind':
      return value === 'table'
        ? draft
        : { ...draft, beam: value === 'cone' ? { kind: value, fullDeg: 60 } : { kind: value } };
    default:
      return withValueAt(draft, path, value);
  }
}
