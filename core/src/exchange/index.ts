export {
  type Backup,
  backupJsonSchema,
  type BackupProgress,
  type BackupFault,
  MAX_BACKUP_LETTERS,
  readBackup,
  type RestorePlan,
  restorePlan,
  writeBackup,
} from './backup';
export { type CalendarEvent, type CalendarFault, readCalendar, writeCalendar } from './calendar';
export { type PlaceFault, readPlace, writePlace } from './coordinates';
export { type IesFault, readIes } from './ies';
export { type NamedPlace, type PlacesFault, readPlaces, writeGeoJson, writeGpx } from './places';
export { type CsvFault, type CsvSource, MAX_CSV_BYTES, readCsv, unguarded, writeCsv } from './csv';
export {
  type ColumnMap,
  guessedColumns,
  type ImportTarget,
  isOwnTable,
  type LineFault,
  MAPPED_FIELDS,
  type MappedField,
  MOST_IMPORTED,
  NO_COLUMNS,
  readingsCsv,
  ReadingsImport,
  type RowFault,
} from './readingsCsv';
export { type FrameSidecar, readXmp, writeXmp, type XmpFault } from './xmp';
