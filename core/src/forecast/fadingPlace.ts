import { addLight } from '../photometry';

/** One place as the camera shows it with the dials as they are now: stops against mid grey, none where there is none. */
export interface FadingPlace {
  /** daylight and whatever lamps nobody trims, at each minute to come, from now on */
  daylightStops: readonly number[];
  flashStops: number | null;
  /** lamps that are lights */
  lampStops: number | null;
  /** how far it may leave where it is now, stops */
  withinStops: number;
}

/** The light that is there at a minute, lamps that are lights included. */
export const ambientAt = ({ daylightStops, lampStops }: FadingPlace, minute: number): number =>
  addLight(daylightStops[minute] ?? -Infinity, lampStops ?? -Infinity);

/** All light at a minute. */
export const totalAt = (place: FadingPlace, minute: number): number =>
  addLight(ambientAt(place, minute), place.flashStops ?? -Infinity);

/** The share of flash at a minute, 0 to 1; null where none is set. */
export const shareAt = (place: FadingPlace, minute: number): number | null =>
  place.flashStops === null ? null : 1 / (1 + 2 ** (ambientAt(place, minute) - place.flashStops));
