import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import Papa from 'papaparse';
import { Readable } from 'node:stream';

import { SAMPLE_HALL, SAMPLE_TERRACE, SAMPLE_TESTS, sampleId } from '../sample';
import { PLAIN_READING, type Reading, readingSchema } from '../setup';
import { isWellFormed } from '../gear';
import { type CsvSource, readCsv, unguarded, writeCsv } from './csv';
import {
  type ColumnMap,
  guessedColumns,
  type ImportTarget,
  isOwnTable,
  NO_COLUMNS,
  readingsCsv,
  ReadingsImport,
} from './readingsCsv';

const { setup } = SAMPLE_HALL;
const ids = new Map<string, string>();
const target = (over: Partial<ImportTarget> = {}): ImportTarget => ({
  shootId: setup.shootId,
  setups: [setup, SAMPLE_TERRACE.setup],
  hasSetup: () => true,
  momentOf: (date, time) => {
    const ms = Date.parse(date === '' ? time : `${date}T${time}Z`);
    return Number.isNaN(ms) ? null : new Date(ms).toISOString();
  },
  idOf: (text) => {
    const id = ids.get(text) ?? sampleId(5000 + ids.size);
    ids.set(text, id);
    return id;
  },
  ...over,
});
const streamed = (text: string, partLetters = 700): CsvSource => {
  const parts = Array.from({ length: Math.ceil(text.length / partLetters) }, (_, i) =>
    Buffer.from(text.slice(i * partLetters, (i + 1) * partLetters)),
  );
  return Readable.from(parts);
};
async function imported(text: string, columns: ColumnMap | null, into = target()) {
  const gathered = new ReadingsImport(into, columns);
  const read = await readCsv(streamed(text), (cells, line) => {
    if (line > 1) return gathered.row(cells, line);
    gathered.head(cells);
    return true;
  });
  return { gathered, read };
}

const anyText = fc
  .oneof(
    fc.string({ minLength: 1, maxLength: 60 }),
    fc.constantFrom('=1+2', "'=1", '@SUM(A1)', '-2+3', '+4', '"', 'a,b;c\td', 'zwei\nZeilen', "''", '5.6⁴', '−½'),
  )
  .filter((text) => isWellFormed(text) && text.length > 0 && text.length <= 60);
const anyReading: fc.Arbitrary<Reading> = fc
  .record({
    number: fc.integer({ min: 10_000, max: 99_999 }),
    text: anyText,
    av: fc.double({ min: -2, max: 14, noNaN: true }),
    tv: fc.double({ min: -10, max: 15, noNaN: true }),
    sv: fc.double({ min: -4, max: 13, noNaN: true }),
    patchy: fc.boolean(),
    struck: fc.boolean(),
    fired: fc.boolean(),
    origin: fc.constantFrom('typed' as const, 'device' as const),
  })
  .map(({ number, text, av, tv, sv, patchy, struck, fired, origin }) => {
    const [test] = SAMPLE_TESTS as [Reading];
    const base = fired ? test : { ...PLAIN_READING, setupId: setup.id, pointId: 'face', at: test.at };
    const figures = { av: av + 0, tv: tv + 0, sv: sv + 0 };
    return readingSchema.parse({
      ...base,
      id: sampleId(number),
      text,
      ...figures,
      patchy,
      origin,
      struckAt: struck ? '2026-02-27T15:00:00Z' : null,
    });
  });

describe('readings as CSV', () => {
  it('come back as they were, whatever is written in them', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(anyReading, { minLength: 1, maxLength: 12 }), async (readings) => {
        const { gathered, read } = await imported(readingsCsv(readings, [setup]), null);
        expect(read.ok).toBe(true);
        expect(gathered.told).toEqual([]);
        expect(gathered.readings).toEqual(readings);
      }),
      { numRuns: 60 },
    );
  });

  it('hold nothing that a spreadsheet takes for a formula', () => {
    fc.assert(
      fc.property(fc.array(fc.array(anyText, { minLength: 2, maxLength: 2 }), { minLength: 1 }), (rows) => {
        const text = writeCsv(['a', 'b'], rows);
        const { data } = Papa.parse<string[]>(text.replace('\ufeff', ''));
        for (const cell of data.flat()) expect(cell).not.toMatch(/^[=+\-@\t\r]/);
        expect(data.slice(1).map((row) => row.map(unguarded))).toEqual(rows);
      }),
    );
  });

  it('say line by line what is wrong: the first twenty, and how many', async () => {
    const lines = Array.from({ length: 30 }, (_, i) => `soon,f/${i + 2}`);
    const { gathered } = await imported(['time,aperture', ...lines].join('\n'), {
      ...NO_COLUMNS,
      time: 0,
      aperture: 1,
    });
    expect(gathered.readings).toEqual([]);
    expect(gathered.faults).toBe(30);
    expect(gathered.told).toHaveLength(20);
    expect(gathered.told[0]).toEqual({ line: 2, fault: { kind: 'time', text: 'soon' } });
  });

  it('of a newer version, or of a setup that is not here, are refused', async () => {
    const own = readingsCsv([SAMPLE_HALL.readings[0]!], [setup]);
    const newer = await imported(own.replace(',6,{', ',7,{').replace(/,6,"\{/, ',7,"{'), null);
    expect(newer.gathered.told[0]?.fault).toEqual({ kind: 'newer', version: 7 });
    const elsewhere = await imported(own, null, target({ hasSetup: () => false }));
    expect(elsewhere.gathered.told[0]?.fault).toEqual({ kind: 'setup', text: setup.title });
  });
});

describe('a table from elsewhere', () => {
  const TABLE = [
    'Datum;Uhrzeit;Ort;Blende;ISO;Notiz',
    '2026-02-27;14:12;face;f/2.8 3;400;',
    '2026-02-27;14:13;Background;2.2;;',
    '2026-02-27;14:20;;;;Wind from the left',
  ].join('\n');

  it('is told by its headings, and mapped column by column', async () => {
    const columns = guessedColumns(TABLE.split('\n')[0]!.split(';'));
    expect(columns).toEqual({ ...NO_COLUMNS, date: 0, time: 1, point: 2, aperture: 3, iso: 4, note: 5 });
    const { gathered } = await imported(TABLE, columns);
    expect(gathered.told).toEqual([]);
    expect(gathered.readings).toMatchObject([
      { pointId: 'face', sv: 2, tv: setup.meter.tv, assumed: ['shutter'], at: '2026-02-27T14:12:00.000Z' },
      { pointId: 'background', sv: setup.meter.sv, assumed: ['shutter', 'iso'] },
    ]);
    expect(gathered.readings[0]?.av).toBeCloseTo(3.3, 6);
    expect(gathered.notes).toMatchObject([{ text: 'Wind from the left', setupId: setup.id }]);
  });

  it('adds nothing the second time: what is the same has the same id', async () => {
    const columns = guessedColumns(TABLE.split('\n')[0]!.split(';'));
    const [first, second] = [await imported(TABLE, columns), await imported(TABLE, columns)];
    expect(second.gathered.readings.map(({ id }) => id)).toEqual(first.gathered.readings.map(({ id }) => id));
  });

  it('says which points there are where one is not known', async () => {
    const { gathered } = await imported('time,point,f\n2026-02-27T14:12:00Z,Dress,4', {
      ...NO_COLUMNS,
      time: 0,
      point: 1,
      aperture: 2,
    });
    expect(gathered.told[0]?.fault).toMatchObject({ kind: 'point', text: 'Dress', known: ['Face', 'Background'] });
  });

  it('is not one of our own unless every column is there', () => {
    expect(isOwnTable(['time', 'id'])).toBe(false);
    expect(isOwnTable(readingsCsv([], []).replace('\ufeff', '').split('\r\n')[0]!.split(','))).toBe(true);
  });
});

describe('hostile files', () => {
  const faultOf = async (text: string) => {
    const { read } = await imported(text, { ...NO_COLUMNS, time: 0, aperture: 1 });
    return read.ok ? null : read.reason;
  };

  it.each([
    ['nothing', '', { kind: 'empty' }],
    ['NUL bytes', 'time,f\n2026\u0000,4', { kind: 'binary', line: 2 }],
    ['another encoding', 'time,f\n2026\ufffd,4', { kind: 'not-utf8', line: 2 }],
    ['a thousand columns', 'x,'.repeat(1000), { kind: 'too-wide', line: 1 }],
    ['one endless cell', `time,f\n${'9'.repeat(30_000)},4`, { kind: 'cell-too-long', line: 2 }],
  ])('with %s are refused with what is wrong', async (_name, text, fault) => {
    expect(await faultOf(text)).toMatchObject(fault);
  });

  it('of any bytes never break the reader', async () => {
    await fc.assert(
      fc.asyncProperty(fc.uint8Array({ minLength: 1, maxLength: 600 }), async (bytes) => {
        const gathered = new ReadingsImport(target(), { ...NO_COLUMNS, time: 0, aperture: 1 });
        await readCsv(Readable.from([Buffer.from(bytes)]), (cells, line) => {
          if (line > 1) return gathered.row(cells, line);
          return true;
        });
        for (const one of gathered.readings) expect(readingSchema.safeParse(one).success).toBe(true);
      }),
      { numRuns: 150 },
    );
  });

  it('stop when they are stopped, with what came until then', async () => {
    const lines = Array.from({ length: 5000 }, () => '2026-02-27T14:12:00Z,f/4').join('\n');
    let parts = 0;
    let rows = 0;
    await readCsv(
      streamed(`time,f\n${lines}`, 4000),
      () => {
        rows += 1;
      },
      () => (parts += 1) < 3,
    );
    expect(parts).toBe(3);
    expect(rows).toBeLessThan(2000);
  });
});
