export { type CameraRoll, cameraRollSchema, MOST_FRAMES, MOST_OFFSET_S, type RollFrame } from './cameraRoll';
export {
  type KeptLook,
  keptLookSchema,
  lookPictureSchema,
  LOOK_PANELS,
  type LookFigures,
  type LookLamp,
  type LookLight,
  type LookPanel,
  type LookPicture,
  type LookTarget,
  LOOK_FIGURES,
} from './look';
export { type Note, noteSchema, type Verdict, VERDICTS } from './note';
export { type Packing, packingSchema, PLAIN_PACKING } from './packing';
