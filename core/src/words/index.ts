export type { WordsContext } from './context';
export { english } from './english/english';
export { lightName } from './english/gear';
export { LOOK_WAYS } from './english/look';
export { sayMethod } from './english/method';
export { pseudo, PSEUDO_MARKS, pseudoText } from './pseudo';
export type { RippleWords, WhyWords, Words } from './words';
