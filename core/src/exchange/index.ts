export {
  type Backup,
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
