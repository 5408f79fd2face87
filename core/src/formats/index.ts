export { isWithinDepth } from './depth';
export { type JsonFault, jsonWithin } from './jsonWithin';
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
