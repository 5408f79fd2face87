import { texts } from './texts';
import { words } from '@/language/words';
import { msOfLocal } from '@/shell/localDay';
import { useActions } from '@/store/application';
import { ownedId } from '@/store/ids';
import { byId, selectDocument, selectSetups } from '@/store/selectors';
import type { RootState, Store } from '@/store/store';
import { useRef, useState } from 'react';
import { useStore } from 'react-redux';

import {
  type ColumnMap,
  guessedColumns,
  isOwnTable,
  MAX_CSV_BYTES,
  NO_COLUMNS,
  readCsv,
  ReadingsImport,
} from '@sphene/core/exchange';

/** So many rows are shown before anything is tried. */
const PREVIEW_ROWS = 5;

/** Where a table is on its way in. */
export type ImportState =
  | { step: 'rest'; said: string | null; wrong: boolean }
  /** its heading and first rows; the columns are said, or known */
  | {
      step: 'mapping';
      file: File;
      head: string[];
      rows: string[][];
      isOwn: boolean;
      columns: ColumnMap;
      setupId: string | null;
    }
  | { step: 'trying'; rows: number; share: number }
  | { step: 'tried'; gathered: ReadingsImport; here: number }
  | { step: 'keeping' };

const REST: ImportState = { step: 'rest', said: null, wrong: false };
const aFrame = () => new Promise<void>((done) => requestAnimationFrame(() => done()));

type Mapping = Extract<ImportState, { step: 'mapping' }>;

/** Gathers the rows of a table for a shoot; what names no setup goes into the one that was chosen. */
function gatheringOf(root: RootState, shootId: string, mapping: Mapping): ReadingsImport {
  const timeZone = selectDocument(root, 'shoot', shootId)?.timeZone ?? 'UTC';
  const all = selectSetups(root);
  const ofShoot = all.filter((setup) => setup.shootId === shootId);
  const first = ofShoot.filter(({ id }) => id === mapping.setupId);
  const known = new Set(all.map(({ id }) => id));
  return new ReadingsImport(
    {
      shootId,
      setups: [...first, ...ofShoot.filter(({ id }) => id !== mapping.setupId)],
      hasSetup: (id) => known.has(id),
      momentOf: (date, time) => momentOf(date, time, timeZone),
      idOf: (text) => ownedId(shootId, text),
    },
    mapping.isOwn ? null : mapping.columns,
  );
}

/** A table on its way into the log of a shoot: looked at, tried, kept all or not at all. */
export function useImport(shootId: string) {
  const store = useStore() as Store;
  const actions = useActions();
  const [state, setState] = useState<ImportState>(REST);
  const stopped = useRef(false);
  const refuse = (said: string) => setState({ step: 'rest', said, wrong: true });

  const choose = async (file: File) => {
    if (file.size > MAX_CSV_BYTES)
      return refuse(words.files.csvFault({ kind: 'too-large', mostMb: MAX_CSV_BYTES / 1e6 }));
    const rows: string[][] = [];
    const read = await readCsv(file, (cells) => rows.push(cells) <= PREVIEW_ROWS);
    if (!read.ok) return refuse(words.files.csvFault(read.reason));
    const [head = [], ...first] = rows;
    const isOwn = isOwnTable(head);
    const columns = isOwn ? NO_COLUMNS : guessedColumns(head);
    const setupId = selectSetups(store.getState()).find((setup) => setup.shootId === shootId)?.id ?? null;
    setState({ step: 'mapping', file, head, rows: first, isOwn, columns, setupId });
  };

  const tryIt = async (mapping: Mapping) => {
    stopped.current = false;
    const gathered = gatheringOf(store.getState(), shootId, mapping);
    let seen = 0;
    setState({ step: 'trying', rows: 0, share: 0 });
    const read = await readCsv(
      mapping.file,
      (cells, line) => {
        seen = line;
        if (line > 1) return gathered.row(cells, line);
        gathered.head(cells);
        return true;
      },
      async (bytes) => {
        setState({ step: 'trying', rows: seen, share: Math.min(1, bytes / Math.max(1, mapping.file.size)) });
        await aFrame();
        return !stopped.current;
      },
    );
    if (stopped.current) return setState({ step: 'rest', said: texts.stopped, wrong: false });
    if (!read.ok) return refuse(words.files.csvFault(read.reason));
    const documents = byId(store.getState());
    const here = [...gathered.readings, ...gathered.notes].filter(({ id }) => documents[id] !== undefined).length;
    setState({ step: 'tried', gathered, here });
  };

  const keep = async (gathered: ReadingsImport) => {
    setState({ step: 'keeping' });
    await aFrame();
    const documents = byId(store.getState());
    const fresh = [...gathered.readings, ...gathered.notes].filter(({ id }) => documents[id] === undefined);
    const kept = await actions.bringIn(fresh, new Map());
    setState(
      kept
        ? { step: 'rest', said: texts.kept(fresh.length), wrong: false }
        : { step: 'rest', said: texts.notKept, wrong: true },
    );
  };

  return {
    state,
    choose,
    tryIt,
    keep,
    map: (columns: ColumnMap) => state.step === 'mapping' && setState({ ...state, columns }),
    into: (setupId: string) => state.step === 'mapping' && setState({ ...state, setupId }),
    stop: () => {
      stopped.current = true;
    },
    leave: () => setState(REST),
  };
}

/** A moment as tables write it: with its own offset, or by the clock of the shoot; the date may stand apart. */
function momentOf(date: string, time: string, timeZone: string): string | null {
  const text = (date === '' ? time : `${date} ${time}`).trim();
  const local = text.replace(/^(\d{1,2})\.(\d{1,2})\.(\d{4})/, (_all, day: string, month: string, year: string) =>
    [year, month.padStart(2, '0'), day.padStart(2, '0')].join('-'),
  );
  const hasOffset = /(Z|[+-]\d\d:?\d\d)$/.test(local) && local.includes(':');
  const ms = hasOffset ? Date.parse(local) : msOfLocal(local, timeZone);
  return ms === null || Number.isNaN(ms) ? null : new Date(ms).toISOString();
}
