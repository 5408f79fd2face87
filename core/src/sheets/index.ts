export { assistantCard } from './assistantCard';
export { clockAt, clockHour, type SheetFacts } from './sheetFacts';
export { packedName, packingSheet } from './packingSheet';
export { clientSheet, editorSheet, secondShooterSheet } from './others';
export {
  type DrawnShape,
  drawingSchema,
  type Paint,
  type Sheet,
  type SheetBlock,
  sheetSchema,
  type StageDrawing,
} from './sheet';
export { stageDrawing } from './stageDrawing';
export {
  CARD_HOURS,
  CARD_SHEETS,
  type CardLink,
  type CardLinks,
  cardLinkSchema,
  cardLinksSchema,
  type CardSheetKind,
  type OpenCard,
  openCardSchema,
} from './links';
export { stageSvg, xmlText } from './stageSvg';
export { frameLit, type FrameLit } from './frameLit';
