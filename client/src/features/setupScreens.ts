// The two screens of a setup come in one piece: what pieces share is fetched with the first page, and the renderer is large.
export { SetupScreen } from './balance/SetupScreen';
export { PictureScreen } from './preview/PictureScreen';
