export { type AppliedLook, applyLook, type LookMiss } from './applyLook';
export { compareLooks, type LookCulprit, type LookRow, toChange } from './compareLooks';
export { lookPictureOf } from './lookPicture';
export { SHIPPED_LOOK_IDS, SHIPPED_LOOKS, type ShippedLookId } from './shipped';
export type { MissedWhy } from './whyMissed';
