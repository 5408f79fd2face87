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
  hint: field.hint ?? 'May stay empty: not known.',
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
const iso = (path: string, label: string) => parsed(path, label, 'ISO 100', formatIso, parseIso);
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
    { value: 'true', label: 'Yes' },
    { value: 'false', label: 'No' },
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
  { value: 'third', label: 'Thirds' },
  { value: 'half', label: 'Halves' },
  { value: 'tenth', label: 'Tenths' },
];
/** Outlets as they are typed: `A 67 %, B 33 %`. */
const outlets: Field = {
  path: 'outlets',
  label: 'Outlets with fixed shares',
  hint: 'Such as: Outlet 1 67 %, Outlet 2 33 %. Empty for a single head.',
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
  label: 'Surfaces',
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
    choice('output.by', 'Strength stated as', [
      { value: 'guideNumber', label: 'Guide number' },
      { value: 'wattSeconds', label: 'Watt-seconds' },
    ]),
    number('output.guideNumberM', 'Guide number', '34', {
      hint: 'metres, ISO 100, full power',
      when: has('output.by', 'guideNumber'),
    }),
    maybe(
      number('output.zoomMm', 'Stated at zoom', '50', {
        hint: 'mm; empty when the head has no zoom',
        when: has('output.by', 'guideNumber'),
      }),
    ),
    number('output.ws', 'Energy at full power', '400', { hint: 'Ws', when: has('output.by', 'wattSeconds') }),
    choice('scale.kind', 'Its power scale', [
      { value: 'fraction', label: '1/16' },
      { value: 'stopNumber', label: '7.3' },
      { value: 'wattSeconds', label: 'Ws' },
      { value: 'percent', label: '%' },
    ]),
    choice('scale.step', 'Its step', STEPS),
    stops('scale.lowestStops', 'Lowest power', '−8', { hint: 'stops below full; 1/256 is −8' }),
    number('scale.topNumber', 'Number of full power', '10', { when: has('scale.kind', 'stopNumber') }),
    number('scale.fullWs', 'Energy that full power shows', '1000', {
      hint: 'Ws',
      when: has('scale.kind', 'wattSeconds'),
    }),
    maybe(
      stops('highSpeedSyncLossStops', 'Loss on entering high-speed sync', '1.7', {
        hint: 'stops; empty when it has none',
      }),
    ),
    maybe(number('recycleFullS', 'Recycle after full power', '0.9', { hint: 'seconds; may stay empty' })),
    maybe(
      number('popsFull', 'Full-power flashes in a charge', '390', { hint: 'empty on the mains or when not known' }),
    ),
    maybe({
      ...parsed(
        't01FullS',
        't0.1 at full power',
        '1/220',
        (s) => (s < 0.5 ? `1/${Math.round(1 / s)}` : tidy(s)),
        (typed) => {
          const match = /^1\s*\/\s*(\d+)$/.exec(typed.trim());
          const value = match === null ? asNumber(typed) : 1 / Number(match[1]);
          return value === undefined ? { ok: false } : { ok: true, value };
        },
      ),
      hint: 'seconds, such as 1/220; may stay empty',
    }),
    outlets,
  ],
  modifiers: [
    text('name', 'Name'),
    choice('shape.kind', 'Shape', [
      { value: 'round', label: 'Round' },
      { value: 'rectangle', label: 'Rectangle' },
      { value: 'point', label: 'Small' },
    ]),
    number('shape.diameterM', 'Diameter', '0.9', { hint: 'metres', when: has('shape.kind', 'round') }),
    number('shape.widthM', 'Width', '0.6', { hint: 'metres', when: has('shape.kind', 'rectangle') }),
    number('shape.heightM', 'Height', '0.6', { hint: 'metres', when: has('shape.kind', 'rectangle') }),
    number('layers', 'Layers of cloth', '1', { hint: 'one layer usually takes 1.0, two 1.7 stops' }),
    stops('lossStops', 'Loss against the standard reflector', '1.0', { hint: 'stops, on its axis; minus is a gain' }),
    choice('beam.kind', 'Beam', [
      { value: 'diffuse', label: 'Cloth' },
      { value: 'cone', label: 'Cone' },
      { value: 'table', label: 'From a file' },
    ]),
    number('beam.fullDeg', 'Full angle of the beam', '60', {
      hint: 'degrees; half the light is left at its edge',
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
    number('shiftMired', 'Shift', '109', { hint: 'mired; warming is plus' }),
    number('greenCc', 'Green', '0', { hint: 'colour-compensating units; magenta is minus' }),
    stops('lossStops', 'Loss', '0.5'),
  ],
  stands: [
    text('name', 'Name'),
    number('highestM', 'Highest', '2.6', { hint: 'metres over the ground' }),
    number('footRadiusM', 'Middle to feet', '0.45', { hint: 'metres, legs spread; the ballast hangs on it' }),
  ],
  filters: [
    text('name', 'Name'),
    choice('kind', 'Kind', [
      { value: 'nd', label: 'Neutral density' },
      { value: 'polariser', label: 'Polariser' },
    ]),
    stops('lossStops', 'Loss', '3'),
  ],
  cameras: [
    text('name', 'Name'),
    choice('increment', 'Dials count', STEPS.slice(0, 2)),
    shutter('syncTv', 'Sync'),
    yesNo('highSpeedSync', 'High-speed sync'),
    shutter('slowestTv', 'Slowest sharp in the hand', { hint: 'where no lens is named' }),
    shutter('fastestTv', 'Fastest shutter'),
    iso('baseSv', 'Base ISO'),
    iso('highestSv', 'Highest ISO accepted'),
    maybe(iso('extendedLowSv', 'Lowest extended ISO')),
    maybe(iso('extendedHighSv', 'Highest extended ISO')),
    aperture('widestAv', 'Widest aperture'),
    aperture('smallestAv', 'Smallest aperture'),
    number('sensorDiagonalMm', 'Diagonal of the sensor', '43.3', { hint: 'mm' }),
    stops('clipsAboveStops', 'Clips above mid grey by', '3'),
    stops('noiseBelowStops', 'Lost below mid grey by', formatStops(-5)),
  ],
  lamps: [
    text('name', 'Name'),
    choice('output.by', 'Strength stated as', [
      { value: 'lux', label: 'Lux at 1 m' },
      { value: 'lumens', label: 'Lumens' },
    ]),
    number('output.luxAt1M', 'Lux at 1 m', '1600', { when: has('output.by', 'lux') }),
    number('output.lumens', 'Lumens', '2000', { when: has('output.by', 'lumens') }),
    number('output.beamDeg', 'Filled angle', '100', { hint: 'degrees', when: has('output.by', 'lumens') }),
    number('kelvinLow', 'Warmest colour', '2800', { hint: 'K' }),
    number('kelvinHigh', 'Coolest colour', '6000', { hint: 'K' }),
    choice('beam.kind', 'Beam', [
      { value: 'diffuse', label: 'Cloth' },
      { value: 'cone', label: 'Cone' },
      { value: 'table', label: 'From a file' },
    ]),
    number('beam.fullDeg', 'Full angle of the beam', '60', { hint: 'degrees', when: has('beam.kind', 'cone') }),
  ],
  reflectors: [text('name', 'Name'), number('diameterM', 'Across', '1.1', { hint: 'metres' }), surfaces],
  lenses: [
    text('name', 'Name'),
    number('shortestMm', 'Shortest focal length', '24', { hint: 'mm' }),
    number('longestMm', 'Longest focal length', '70', { hint: 'mm; the same for a fixed lens' }),
    aperture('widestAv', 'Widest aperture'),
    aperture('smallestAv', 'Smallest aperture'),
    stops('stabilisedStops', 'Stabiliser gains', '3'),
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
