export { englishSheets } from './sheets';
