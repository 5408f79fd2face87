import Papa from 'papaparse';

import { failure, type Outcome, success } from '../photometry';

/** Letters that make a spreadsheet take a cell for a formula, and the sign by which it is told that it is none. */
const FORMULA = /^['=+\-@\t\r]/;
const PLAIN = "'";
/** What a spreadsheet reads the encoding by. */
const BYTE_ORDER_MARK = '\ufeff';
/** Stands where a file was not UTF-8. */
const REPLACED = '\ufffd';

/** A table as CSV (RFC 4180, UTF-8), its texts guarded so that no spreadsheet takes one for a formula; figures stay figures. */
export const writeCsv = (head: readonly string[], rows: readonly (readonly (string | number)[])[]): string =>
  BYTE_ORDER_MARK +
  Papa.unparse({ fields: [...head], data: rows.map((row) => [...row]) }, { escapeFormulae: FORMULA, newline: '\r\n' });

/** A cell as it was before it was guarded. */
export const unguarded = (cell: string): string =>
  cell.startsWith(PLAIN) && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell;

/** Larger files are no records of one person's work. */
export const MAX_CSV_BYTES = 200_000_000;
/** More cells in a row nobody maps. */
const MOST_COLUMNS = 200;
/** A longer cell is no reading. */
const MOST_CELL = 20_000;

/** Why a file is no table. */
export type CsvFault =
  | { kind: 'empty' }
  | { kind: 'not-utf8'; line: number }
  | { kind: 'binary'; line: number }
  | { kind: 'too-wide'; line: number; most: number }
  | { kind: 'cell-too-long'; line: number; most: number }
  | { kind: 'too-large'; mostMb: number }
  | { kind: 'quotes'; line: number }
  | { kind: 'unreadable' };

/** What is asked of each row; false ends the reading. */
export type OnRow = (cells: string[], line: number) => boolean | void;

/** What was wrong with a row as such; null: nothing. */
function rowFault(cells: readonly string[], line: number): CsvFault | null {
  if (cells.length > MOST_COLUMNS) return { kind: 'too-wide', line, most: MOST_COLUMNS };
  for (const cell of cells) {
    if (cell.length > MOST_CELL) return { kind: 'cell-too-long', line, most: MOST_CELL };
    if (cell.includes('\u0000')) return { kind: 'binary', line };
    if (cell.includes(REPLACED)) return { kind: 'not-utf8', line };
  }
  return null;
}

/** What CSV is read from: a file of the browser, or a stream of a program. */
export type CsvSource = object;

/** Read in parts of so many bytes: what is in memory at once. */
const PART_BYTES = 256 * 1024;

/**
 * Reads a table row by row, a part of the file at a time, so that its size does not matter; commas, semicolons or tabs are told
 * by themselves. The first row that is none ends it.
 * @param onProgress told after each part how many bytes were read; waited for, so that a page stays awake. false stops
 * @returns how many rows there were, or what is wrong
 */
export function readCsv(
  source: CsvSource,
  onRow: OnRow,
  onProgress: (bytes: number) => Promise<boolean> | boolean = () => true,
): Promise<Outcome<number, CsvFault>> {
  return new Promise((done) => {
    let line = 0;
    let fault: CsvFault | null = null;
    let isOver = false;
    const end = () => {
      if (isOver) return;
      isOver = true;
      done(fault !== null ? failure(fault) : line === 0 ? failure({ kind: 'empty' }) : success(line));
    };
    Papa.parse<string[]>(source as unknown as Papa.LocalFile, {
      chunkSize: PART_BYTES,
      skipEmptyLines: 'greedy',
      chunk: ({ data, errors, meta }, parser) => {
        for (const cells of data) {
          line += 1;
          if (line === 1) cells[0] = (cells[0] ?? '').replace(BYTE_ORDER_MARK, '');
          fault = rowFault(cells, line);
          if (fault !== null || onRow(cells, line) === false) {
            parser.abort();
            return end();
          }
        }
        // what is told of a row that goes on in the next part is not true yet
        const broken = errors.find(({ type, row }) => type === 'Quotes' && (row ?? 0) < data.length);
        if (broken !== undefined) {
          fault = { kind: 'quotes', line: (broken.row ?? 0) + 1 };
          parser.abort();
          return end();
        }
        parser.pause();
        void Promise.resolve(onProgress(meta.cursor)).then((goesOn) => {
          if (goesOn) parser.resume();
          else {
            parser.abort();
            end();
          }
        });
      },
      complete: end,
      error: () => {
        fault = { kind: 'unreadable' };
        end();
      },
    });
  });
}
