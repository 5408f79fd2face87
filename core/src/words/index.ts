export { incrementOf, lightOf, pointOf, unitOf, type WordsContext } from './context';
export { pseudo, pseudoText } from './pseudo';
export type { FileWords } from './fileWords';
export type { ReviewWords, SuggestionNames } from './reviewWords';
export type { MeantFigures, SheetWords } from './sheetWords';
export type {
  LookFault,
  Mark,
  PriceWords,
  QuestionWords,
  RippleWords,
  ShippedLookWords,
  StandOf,
  WhyWords,
  Words,
} from './words';
