export { type DialColumn, type DialMatrix, dialMatrix } from './dialMatrix';
export { equalLooks } from './equalLooks';
export { type Ripple, ripple } from './ripple';
export { type WhyChain, type WhyChains, whyChains } from './why';
