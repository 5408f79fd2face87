export { type IesFault, readIes } from './ies';
export {
  factsOfFile,
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
