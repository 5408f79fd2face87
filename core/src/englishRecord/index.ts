export { englishReview } from './review';
export { englishSheets } from './sheets';
