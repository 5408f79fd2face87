export { type Deed, setupAtWork } from './atWork';
export {
  type DialColumn,
  type DialControl,
  type DialMatrix,
  dialMatrix,
  type DialSource,
  type DialStep,
} from './dialMatrix';
export { type EqualLook, equalLooks } from './equalLooks';
export { type SameAmbient, sameAmbient } from './sameAmbient';
export {
  anotherPlace,
  asVariant,
  type ChangedThing,
  differences,
  inOrder,
  setAside,
  toVariant,
  type VariantDifference,
  type VariantStep,
} from './variants';
export { type RecordLines, recordLines, type RecordSeries } from './recordSeries';
export { type LightSince, type ReturnPoint, returnPoint, setupAsAt } from './returnPoint';
export { ripple, type Ripple, type RippleFollow, type RippleMove } from './ripple';
export { type WhyChain, type WhyChains, whyChains, type WhyTerm } from './why';
