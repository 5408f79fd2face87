export { type AppliedLook, applyLook, type LookMiss, type MissedWhy } from './applyLook';
export { compareLooks, type LookRow } from './compareLooks';
export { lookPictureOf } from './lookPicture';
export { SHIPPED_LOOK_IDS, SHIPPED_LOOKS, type ShippedLookId } from './shipped';
