import { catalogue } from '@/language/language';

/** What the files of a log say in words of their own. */
export const texts = catalogue({
  files: 'Files',
  filesSummary: 'readings and log as tables, the log as PDF',
  readingsOut: 'Readings as CSV',
  logOut: 'Log as CSV',
  tableIn: 'Bring a table in',
  logTitle: (shoot: string) => `Log of ${shoot}`,
  columns: {
    time: 'Time',
    setup: 'Setup',
    kind: 'Kind',
    what: 'What',
    star: 'Starred',
    verdict: 'Verdict',
    note: 'Note',
  },
  yes: 'yes',
  tooLong: (most: number) => `Only the newest ${most} lines are printed; the CSV has all of them.`,

  // bringing a table in
  own: 'This table was written here: every column is known.',
  mapWhat:
    'Say which column is what. Times are by the clock of the shoot; what a column does not say is as the meter holds it.',
  column: (field: string) => `Column: ${field}`,
  noColumn: 'none',
  unnamed: (number: number) => `Column ${number}`,
  target: 'Into',
  preview: 'First rows',
  tryIt: 'Try it',
  trying: (rows: number, percent: number) => `${rows} rows, ${percent} %`,
  stop: 'Stop',
  stopped: 'Stopped: nothing was kept.',
  found: (readings: number, notes: number) =>
    `${readings === 1 ? '1 reading' : `${readings} readings`}${notes === 0 ? '' : `, ${notes === 1 ? '1 note' : `${notes} notes`}`}`,
  hereAlready: (count: number) => `${count} of them are here already and stay as they are.`,
  faults: (count: number) => (count === 1 ? '1 row cannot be read:' : `${count} rows cannot be read:`),
  line: (line: number, why: string) => `Line ${line}: ${why}.`,
  more: (count: number) => `and ${count} more`,
  allOrNothing: 'All or nothing: mend these rows, or the columns, and choose the file again.',
  tooMany: (most: number) => `There are over ${most} rows. Bring them in parts.`,
  keep: 'Keep them',
  keeping: 'Keeping them…',
  kept: (count: number) => (count === 1 ? '1 kept.' : `${count} kept.`),
  notKept: 'This device could not keep them. Nothing was changed.',
  leaveIt: 'Leave it',
  needsTime: 'Choose the column of the time, and one of the aperture or the note.',
  nothingNew: 'Everything in it is here already.',
});
