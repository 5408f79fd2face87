import { texts } from './texts';
import { words } from '@/language/words';
import { gps } from 'exifr';

import { type NamedPlace, readPlaces } from '@sphene/core/exchange';
import { failure, type Outcome, success } from '@sphene/core/photometry';

/** Places that a file tells: of GPX and GeoJSON all, of a picture the one that it was made at. */
export async function placesInFile(file: File): Promise<Outcome<NamedPlace[], string>> {
  if (file.type.startsWith('image/') || /\.(jpe?g|heic|tiff?|png)$/i.test(file.name)) {
    const found = await gps(file).catch(() => undefined);
    return found === undefined || !Number.isFinite(found.latitude) || !Number.isFinite(found.longitude)
      ? failure(texts.pictureWithoutPlace)
      : success([{ name: file.name, place: { latitudeDeg: found.latitude, longitudeDeg: found.longitude } }]);
  }
  const read = readPlaces(await file.text());
  return read.ok ? read : failure(words.placesFault(read.reason));
}
