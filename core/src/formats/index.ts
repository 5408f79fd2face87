export { readIes } from './ies';
export {
  factsOfFile,
  kitInUse,
  MAX_SETUP_FILE_BYTES,
  readSetupFile,
  type SetupFile,
  setupFileJsonSchema,
  withNewIds,
  writeSetupFile,
} from './setupFile';
