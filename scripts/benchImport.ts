// A table of a hundred thousand readings on its way in: how long it takes and what memory it holds on the way.
import { Readable } from 'node:stream';

import { MOST_IMPORTED, readCsv, readingsCsv, ReadingsImport } from '@sphene/core/exchange';
import { SAMPLE_HALL, sampleId } from '@sphene/core/sample';
import { PLAIN_READING, type Reading } from '@sphene/core/setup';

const MOST_MB = 250;
/** What is still in use is looked at after so many parts. */
const LOOKED_AT = 20;
const PART_ROWS = 500;
const { setup } = SAMPLE_HALL;

const readingAt = (index: number): Reading => ({
  ...PLAIN_READING,
  id: sampleId(1_000_000 + index),
  setupId: setup.id,
  pointId: index % 2 === 0 ? 'face' : 'background',
  at: new Date(Date.parse('2026-02-27T08:00:00Z') + index * 1000).toISOString(),
  text: '5.6 4',
  av: 5.4,
  tv: 6,
  sv: 2,
});

/** The table in parts, made as they are read: no more of it is in memory than a part. */
function* parts(): Generator<Buffer> {
  for (let from = 0; from < MOST_IMPORTED; from += PART_ROWS) {
    const rows = Array.from({ length: PART_ROWS }, (_, i) => readingAt(from + i));
    const text = readingsCsv(rows, [setup]);
    yield Buffer.from(from === 0 ? text : `\r\n${text.slice(text.indexOf('\n') + 1)}`);
  }
}

const heapMb = (): number => process.memoryUsage().heapUsed / 1e6;
global.gc?.();
const before = heapMb();
let peak = before;
let bytes = 0;
let told = 0;
const gathered = new ReadingsImport(
  {
    shootId: setup.shootId,
    setups: [setup],
    hasSetup: () => true,
    momentOf: () => null,
    idOf: (text) => text,
  },
  null,
);
const began = performance.now();
const read = await readCsv(
  Readable.from(parts()),
  (cells, line) => {
    if (line > 1) return gathered.row(cells, line);
    gathered.head(cells);
    return true;
  },
  (done) => {
    bytes = done;
    told += 1;
    if (told % LOOKED_AT === 0) {
      global.gc?.();
      peak = Math.max(peak, heapMb());
    }
    return true;
  },
);
const seconds = (performance.now() - began) / 1000;
if (!read.ok || gathered.faults > 0) throw new Error('the table is read');
global.gc?.();
const held = heapMb() - before;
console.log(
  `${gathered.readings.length} readings (${(bytes / 1e6).toFixed(0)} MB of CSV) read in ${seconds.toFixed(1)} s; in use at most ` +
    `${(peak - before).toFixed(0)} MB over what was there (bound ${MOST_MB}), of which the readings themselves ${held.toFixed(0)} MB`,
);
process.exit(peak - before > MOST_MB ? 1 : 0);
