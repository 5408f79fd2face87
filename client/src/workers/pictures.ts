import { SMALL_CELL_CM } from '@sphene/core/renderer';
import { PictureMaker } from './pictureMaker';
import { PictureWorkers } from './pictureWorkers';
import { SmallPictures } from './smallPictures';

const workers = new PictureWorkers();
let maker: PictureMaker | null = null;
let small: SmallPictures | null = null;

/** The one maker of small pictures of this page; the workers start with the first picture. */
export const smallPictures = (): SmallPictures => (small ??= new SmallPictures(workers));

/** Gets ready for the first picture while what it shows is still being fetched: the usual bust is sculpted. */
export function readyForPictures(): void {
  if (workers.started) return;
  const [first] = workers.first(1);
  // what fails here fails again, and is told, when a picture is made
  first?.sculpt({ hat: false, spectacles: false, deepSet: false }, SMALL_CELL_CM).catch(() => undefined);
}

/** The one maker of pictures of this page: what stood small in a list is seen at once. */
export const pictureMaker = (): PictureMaker =>
  (maker ??= new PictureMaker({ workers, firstLook: smallPictures().asFirstLook }));
