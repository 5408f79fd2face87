// The two screens of a setup come in one piece: what pieces share is fetched with the first page, and the renderer is large.
export { SetupScreen } from './SetupScreen';
export { PictureScreen } from '../picture/PictureScreen';
