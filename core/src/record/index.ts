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
