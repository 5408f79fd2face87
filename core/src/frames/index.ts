export { type ByItself, exposureFromExif, hasSettings } from './exposureFromExif';
export {
  HISTOGRAM_BINS,
  linearFromSrgb,
  MAX_FRAME_IMAGE_LETTERS,
  type PictureTones,
  pictureTones,
  type Pixels,
  type Place,
  placeInPicture,
} from './tones';
