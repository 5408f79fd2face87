export { type CameraClock, cameraClockSchema, MOST_OFFSET_S } from './cameraClock';
export {
  type KeptLook,
  keptLookSchema,
  type LookFigures,
  type LookLight,
  type LookPicture,
  type LookTarget,
  LOOK_FIGURES,
} from './look';
export { type Note, noteSchema, type Verdict, VERDICTS } from './note';
export { type Packing, packingSchema, PLAIN_PACKING } from './packing';
