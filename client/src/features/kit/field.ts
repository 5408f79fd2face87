import { texts } from './texts';
import { SURFACES } from '@sphene/core/gear';
import { formatAperture, formatIso, formatShutter, parseAperture, parseIso, parseShutter } from '@sphene/core/notation';

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

export const tidy = (value: number): string => String(Number(value.toFixed(4))).replace('-', '−');
export const asNumber = (text: string): number | undefined => {
  const figure = Number(text.trim().replace(',', '.').replace('−', '-'));
  return text.trim() === '' || !Number.isFinite(figure) ? undefined : figure;
};

export const text = (path: string, label: string): Field => ({
  path,
  label,
  show: String,
  read: (typed) => typed,
  example: texts.aName,
});
export const number = (path: string, label: string, example: string, more: Partial<Field> = {}): Field => ({
  path,
  label,
  example,
  show: (value) => (typeof value === 'number' ? tidy(value) : ''),
  read: asNumber,
  ...more,
});
/** May stay empty: then it is not known. */
export const maybe = (field: Field): Field => ({
  ...field,
  hint: field.hint ?? texts.mayStayEmptyNotKnown,
  show: (value) => (value === null ? '' : field.show(value)),
  read: (typed) => (typed.trim() === '' ? null : field.read(typed)),
});
export const parsed = (
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
export const shutter = (path: string, label: string, more: Partial<Field> = {}) =>
  parsed(
    path,
    label,
    '1/200',
    (tv) => formatShutter(tv, 'third'),
    (typed) => parseShutter(typed, 'third'),
    more,
  );
export const aperture = (path: string, label: string) =>
  parsed(
    path,
    label,
    'f/2.8',
    (av) => formatAperture(av, 'third'),
    (typed) => parseAperture(typed, 'third'),
  );
export const iso = (path: string, label: string) => parsed(path, label, texts.iso100, formatIso, parseIso);
export const choice = (path: string, label: string, choices: Field['choices']): Field => ({
  path,
  label,
  choices: choices ?? [],
  show: String,
  read: (typed) => typed,
  example: '',
});
export const yesNo = (path: string, label: string): Field => ({
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
export const stops = (path: string, label: string, example = '1.0', more: Partial<Field> = {}): Field =>
  number(path, label, example, { hint: texts.inStops, ...more });

export const has =
  (path: string, ...values: unknown[]) =>
  (draft: Draft) =>
    values.includes(valueAt(draft, path));
export const STEPS = [
  { value: 'third', label: texts.thirds },
  { value: 'half', label: texts.halves },
  { value: 'tenth', label: texts.tenths },
];
/** Outlets as they are typed: `A 67 %, B 33 %`. */
export const outlets: Field = {
  path: 'outlets',
  label: texts.outletsWithFixedShares,
  hint: texts.suchAsOutlet167,
  example: texts.outletsExample,
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
export const surfaces: Field = {
  path: 'surfaces',
  label: texts.surfaces,
  hint: texts.ofThese(SURFACES.join(', ')),
  example: texts.surfacesExample,
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
