import { texts } from './texts';
import { texts as logTexts } from '../texts';
import { words } from '@/language/words';
import { downloadText, fileNameOf } from '@/shell/download';
import { PrintPart } from '@/shell/paper/PrintPart';
import { byId, ofType } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { pickFile } from '@/ui/pickFile';
import { Txt } from '@/ui/Txt';
import { View } from 'react-native';

import type { Shoot } from '@sphene/core/documents';
import { readingsCsv, writeCsv } from '@sphene/core/exchange';
import type { Note } from '@sphene/core/record';
import type { Setup } from '@sphene/core/setup';
import type { Sheet } from '@sphene/core/sheets';
import type { Entry } from '../entries';
import { momentOf } from '../momentOf';
import { ImportTable } from './ImportTable';
import { useImport } from './useImport';

/** More lines nobody prints. */
const MOST_PRINTED = 2000;

interface LogFilesProps {
  shoot: Shoot;
  setups: readonly Setup[];
  /** as they are shown: found and filtered */
  entries: readonly Entry[];
  notes: ReadonlyMap<string, Note>;
}

/** The entries of a log as a table. */
function logRows({ entries, notes, setups }: LogFilesProps): string[][] {
  const titles = new Map(setups.map(({ id, title }) => [id, title]));
  return entries.map((entry) => {
    const note = entry.note ?? notes.get(entry.id);
    return [
      entry.at,
      titles.get(entry.setupId ?? '') ?? '',
      logTexts.kinds[entry.kind],
      entry.text,
      note?.star === true ? texts.yes : '',
      note?.verdict == null ? '' : logTexts.verdicts[note.verdict],
      note === undefined || note === entry.note ? '' : note.text,
    ];
  });
}

/** The log as a page: times by the clock of the place. */
function logSheet(log: LogFilesProps): Sheet {
  const { shoot, entries, setups } = log;
  const titles = new Map(setups.map(({ id, title }) => [id, title]));
  const when = momentOf(shoot.timeZone);
  const { columns } = texts;
  return {
    language: words.tag,
    title: texts.logTitle(shoot.title),
    under: words.sheet.ofShoot(shoot.title, shoot.date),
    blocks: [
      {
        kind: 'table',
        head: [columns.time, columns.setup, columns.what],
        rows: entries
          .slice(0, MOST_PRINTED)
          .map((entry) => [when(entry.at), titles.get(entry.setupId ?? '') ?? '', entry.text]),
      },
    ],
  };
}

/** What is shown of a log, as tables and on paper; and tables from elsewhere in. */
export function LogFiles(log: LogFilesProps) {
  const { shoot, setups, entries } = log;
  const documents = useAppSelector(byId);
  const flow = useImport(shoot.id);
  const { columns } = texts;
  const putReadings = () => {
    const shown = new Set(setups.map(({ id }) => id));
    const readings = ofType(documents, 'reading').filter(({ setupId }) => shown.has(setupId));
    downloadText(fileNameOf(`${shoot.title} readings`, 'csv'), readingsCsv(readings, setups), 'text/csv');
  };
  const putLog = () => {
    const head = [columns.time, columns.setup, columns.kind, columns.what, columns.star, columns.verdict, columns.note];
    downloadText(fileNameOf(`${shoot.title} log`, 'csv'), writeCsv(head, logRows(log)), 'text/csv');
  };
  return (
    <Disclosure title={texts.files} summary={texts.filesSummary}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <ActionButton icon="tray-arrow-up" label={texts.readingsOut} onPress={putReadings} />
        <ActionButton icon="tray-arrow-up" label={texts.logOut} onPress={putLog} />
        <ActionButton
          icon="tray-arrow-down"
          label={texts.tableIn}
          onPress={() => pickFile('.csv,.tsv,.txt,text/csv', (file) => void flow.choose(file))}
        />
      </View>
      <ImportTable flow={flow} shootId={shoot.id} />
      {entries.length > MOST_PRINTED && <Txt tone="quiet">{texts.tooLong(MOST_PRINTED)}</Txt>}
      <PrintPart sheet={() => logSheet(log)} />
    </Disclosure>
  );
}
