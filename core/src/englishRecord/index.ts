export { englishFiles } from './files';
export { englishReview } from './review';
export { englishSheets } from './sheets';
