export {
  type Backup,
  type BackupFault,
  MAX_BACKUP_LETTERS,
  readBackup,
  type RestorePlan,
  restorePlan,
  writeBackup,
} from './backup';
export { isWithinDepth } from './depth';
export { type IesFault, readIes } from './ies';
export {
  factsOfFile,
  imagesOfFile,
  kitInUse,
  MAX_SETUP_FILE_BYTES,
  type PartsFault,
  readSetupFile,
  type SetupFile,
  type SetupFileFault,
  setupFileJsonSchema,
  withNewIds,
  writeSetupFile,
} from './setupFile';
