export { englishFiles } from './files';
export { englishReview } from './review';
export { englishSheets } from './sheets';
export { SHIPPED_LOOK_WORDS } from './shippedLooks';
