import type { Note } from '../record';
import { type SchemaFault, schemaFault } from '../gear';
import { formatAperture, formatIso, formatShutter, parseAperture, parseIso, parseShutter } from '../notation';
import { failure, type Outcome, success } from '../photometry';
import { noteSchema } from '../record';
import { PLAIN_READING, type Reading, readingSchema, type Setup } from '../setup';
import { migrateDocument } from '../documents';
import { unguarded, writeCsv } from './csv';

/** Columns that a person reads; those after them carry everything. */
const READ_COLUMNS = ['time', 'setup', 'point', 'light', 'aperture', 'shutter', 'iso', 'typed'] as const;
/** Fields that are one text or one figure. */
const PLAIN_FIELDS = [
  'id',
  'setupId',
  'pointId',
  'av',
  'tv',
  'sv',
  'read',
  'meterMode',
  'meterId',
  'cameraId',
  'lensId',
  'origin',
  'patchy',
  'corrects',
  'struckAt',
  'version',
] as const;
/** Fields that are lists or objects: each as JSON in a cell. */
const JSON_FIELDS = ['method', 'assumed', 'stood', 'fired'] as const;
const HEAD: readonly string[] = [...READ_COLUMNS, ...PLAIN_FIELDS, ...JSON_FIELDS];

const plainCell = (value: string | number | boolean | null): string | number =>
  typeof value === 'boolean' ? String(value) : (value ?? '');

/** Readings as a table: what a person reads in front, then everything that they are. */
export function readingsCsv(
  readings: readonly Reading[],
  setups: readonly Pick<Setup, 'id' | 'title' | 'points'>[],
): string {
  const byId = new Map(setups.map((setup) => [setup.id, setup]));
  const rows = readings.map((reading) => {
    const setup = byId.get(reading.setupId);
    const point = setup?.points.find(({ id }) => id === reading.pointId);
    return [
      reading.at,
      setup?.title ?? '',
      point?.name ?? '',
      reading.light,
      formatAperture(reading.av, 'tenth'),
      formatShutter(reading.tv, 'third'),
      formatIso(reading.sv),
      reading.text,
      ...PLAIN_FIELDS.map((field) => plainCell(reading[field])),
      ...JSON_FIELDS.map((field) => JSON.stringify(reading[field])),
    ];
  });
  return writeCsv(HEAD, rows);
}

/** Fields of a table from elsewhere that a column can be put to. */
export const MAPPED_FIELDS = ['time', 'date', 'setup', 'point', 'aperture', 'shutter', 'iso', 'note'] as const;
export type MappedField = (typeof MAPPED_FIELDS)[number];
/** Which column each field is read from, counted from 0; null: none. */
export type ColumnMap = Record<MappedField, number | null>;
export const NO_COLUMNS: ColumnMap = {
  time: null,
  date: null,
  setup: null,
  point: null,
  aperture: null,
  shutter: null,
  iso: null,
  note: null,
};

/** How columns are usually headed. */
const HEADED: Record<MappedField, RegExp> = {
  time: /^(time|when|uhrzeit|zeit|heure|hora|timestamp|date ?time|datetime)$/i,
  date: /^(date|day|datum|tag|jour|fecha)$/i,
  setup: /^(setup|set-?up|scene|aufbau|set)$/i,
  point: /^(point|where|subject|messpunkt|ort|place|position)$/i,
  aperture: /^(aperture|f-?stop|f-?number|blende|av|f)$/i,
  shutter: /^(shutter|shutter speed|exposure( time)?|belichtung(szeit)?|zeit \(s\)|tv)$/i,
  iso: /^(iso|sensitivity|empfindlichkeit)$/i,
  note: /^(note|notes|remark|remarks|comment|comments|bemerkung|notiz|text)$/i,
};

/** True for the heading of a table that was written here. */
export const isOwnTable = (head: readonly string[]): boolean =>
  [...PLAIN_FIELDS, ...JSON_FIELDS].every((one) => head.includes(one));

/** A first guess which column is which, by their headings. */
export function guessedColumns(head: readonly string[]): ColumnMap {
  const taken = new Set<number>();
  const of = (field: MappedField): number | null => {
    const at = head.findIndex((name, index) => !taken.has(index) && HEADED[field].test(name.trim()));
    if (at >= 0) taken.add(at);
    return at < 0 ? null : at;
  };
  return Object.fromEntries(MAPPED_FIELDS.map((field) => [field, of(field)])) as ColumnMap;
}

/** What is wrong with a row. */
export type RowFault =
  | { kind: 'json'; column: string }
  | { kind: 'schema'; fault: SchemaFault }
  | { kind: 'newer'; version: number }
  | { kind: 'time'; text: string }
  | { kind: 'setup'; text: string }
  | { kind: 'point'; text: string; known: string[] }
  | { kind: 'aperture' | 'shutter' | 'iso'; text: string }
  | { kind: 'nothing' };

/** A faulty row by its line in the file. */
export interface LineFault {
  line: number;
  fault: RowFault;
}

/** Where rows of a table from elsewhere go. */
export interface ImportTarget {
  shootId: string;
  /** setups that a column may name; the first is taken where none does */
  setups: readonly Pick<Setup, 'id' | 'title' | 'points' | 'meter'>[];
  /** whether a setup is here, that a table of our own names by its id */
  hasSetup: (id: string) => boolean;
  /** a date and a time of the place's own clock as a moment; null: it is none */
  momentOf: (date: string, time: string) => string | null;
  /** the same id for the same text, so that a file that is read twice adds nothing the second time */
  idOf: (text: string) => string;
}

/** So many faults are told one by one; the rest is counted. */
const FAULTS_TOLD = 20;
/** More readings nobody brings in one file. */
export const MOST_IMPORTED = 100_000;

/** Gathers what a table holds row by row; nothing of it is kept before somebody has seen it. */
export class ReadingsImport {
  readonly readings: Reading[] = [];
  readonly notes: Note[] = [];
  readonly told: LineFault[] = [];
  faults = 0;
  /** true once more came than is taken */
  tooMany = false;
  private own: ReadonlyMap<string, number> | null = null;

  /** @param columns null: a table that was written here, read by its heading */
  constructor(
    private readonly target: ImportTarget,
    private readonly columns: ColumnMap | null,
  ) {}

  /** The heading, the first row. */
  head(cells: readonly string[]): void {
    if (this.columns === null) this.own = new Map(cells.map((name, index) => [name, index]));
  }

  /** One row. @returns false once enough came */
  row(cells: readonly string[], line: number): boolean {
    if (this.readings.length + this.notes.length >= MOST_IMPORTED) {
      this.tooMany = true;
      return false;
    }
    const read = this.own === null ? this.foreign(cells.map(unguarded)) : this.ours(cells.map(unguarded), this.own);
    if (!read.ok) {
      this.faults += 1;
      if (this.told.length < FAULTS_TOLD) this.told.push({ line, fault: read.reason });
    } else if (read.value.type === 'reading') this.readings.push(read.value);
    else this.notes.push(read.value);
    return true;
  }

  private ours(cells: readonly string[], at: ReadonlyMap<string, number>): Outcome<Reading, RowFault> {
    const cell = (name: string): string => cells[at.get(name) ?? -1] ?? '';
    const raw: Record<string, unknown> = {
      type: 'reading',
      at: cell('time'),
      light: cell('light'),
      text: cell('typed'),
    };
    for (const field of PLAIN_FIELDS) raw[field] = plainValue(field, cell(field));
    for (const field of JSON_FIELDS) {
      try {
        raw[field] = JSON.parse(cell(field)) as unknown;
      } catch {
        return failure({ kind: 'json', column: field });
      }
    }
    const version = Number(raw['version']);
    if (version > PLAIN_READING.version) return failure({ kind: 'newer', version });
    const parsed = readingSchema.safeParse(migrateDocument(raw));
    if (parsed.success && !this.target.hasSetup(parsed.data.setupId))
      return failure({ kind: 'setup', text: cell('setup') });
    return parsed.success ? success(parsed.data) : failure({ kind: 'schema', fault: schemaFault(parsed.error) });
  }

  private foreign(cells: readonly string[]): Outcome<Reading | Note, RowFault> {
    const { setups, momentOf, idOf, shootId } = this.target;
    const cell = (field: MappedField): string => {
      const at = this.columns?.[field] ?? null;
      return at === null ? '' : (cells[at] ?? '').trim();
    };
    const at = momentOf(cell('date'), cell('time'));
    if (at === null) return failure({ kind: 'time', text: [cell('date'), cell('time')].join(' ').trim() });
    const setupName = cell('setup');
    const setup = setupName === '' ? setups[0] : setups.find(({ title }) => sameName(title, setupName));
    if (setup === undefined) return failure({ kind: 'setup', text: setupName });
    const [aperture, note] = [cell('aperture'), cell('note')];
    if (aperture === '' && note === '') return failure({ kind: 'nothing' });
    if (aperture === '') {
      const made = { type: 'note', version: 1, id: idOf([at, setup.id, note].join('|')), shootId, setupId: setup.id };
      const parsed = noteSchema.safeParse({ ...made, about: null, at, star: false, verdict: null, text: note });
      return parsed.success ? success(parsed.data) : failure({ kind: 'schema', fault: schemaFault(parsed.error) });
    }
    const figures = figuresOf(aperture, cell('shutter'), cell('iso'), setup.meter);
    if (!figures.ok) return figures;
    const pointName = cell('point');
    const point = pointName === '' ? setup.points[0] : setup.points.find(({ name }) => sameName(name, pointName));
    if (point === undefined)
      return failure({ kind: 'point', text: pointName, known: setup.points.map(({ name }) => name) });
    const made = {
      ...PLAIN_READING,
      ...figures.value,
      id: idOf([at, setup.id, point.id, ...Object.values(figures.value)].join('|')),
      setupId: setup.id,
      pointId: point.id,
      at,
      text: aperture.slice(0, 60),
    };
    const parsed = readingSchema.safeParse(made);
    return parsed.success ? success(parsed.data) : failure({ kind: 'schema', fault: schemaFault(parsed.error) });
  }
}

const sameName = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** A plain field out of its cell: figures, truth values, texts; an empty cell is nothing. */
function plainValue(field: (typeof PLAIN_FIELDS)[number], cell: string): unknown {
  switch (field) {
    case 'av':
    case 'tv':
    case 'sv':
    case 'version':
      return Number(cell === '' ? NaN : cell);
    case 'patchy':
      return cell === 'true' ? true : cell === 'false' ? false : cell;
    case 'meterMode':
    case 'meterId':
    case 'cameraId':
    case 'lensId':
    case 'corrects':
    case 'struckAt':
      return cell === '' ? null : cell;
    default:
      return cell;
  }
}

/** What a meter showed; a shutter or an ISO that no column says is as the setup's meter holds it. */
function figuresOf(
  aperture: string,
  shutter: string,
  iso: string,
  held: Setup['meter'],
): Outcome<Pick<Reading, 'av' | 'tv' | 'sv' | 'assumed'>, RowFault> {
  const av = parseAperture(aperture, 'tenth');
  if (!av.ok) return failure({ kind: 'aperture', text: aperture });
  const tv = shutter === '' ? success(held.tv) : parseShutter(shutter);
  if (!tv.ok) return failure({ kind: 'shutter', text: shutter });
  const sv = iso === '' ? success(held.sv) : parseIso(iso);
  if (!sv.ok) return failure({ kind: 'iso', text: iso });
  const assumed: Reading['assumed'] = [
    ...(shutter === '' ? (['shutter'] as const) : []),
    ...(iso === '' ? (['iso'] as const) : []),
  ];
  return success({ av: av.value, tv: tv.value, sv: sv.value, assumed });
}
