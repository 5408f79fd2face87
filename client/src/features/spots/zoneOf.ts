import { isTimeZone, type SpotPlace } from '@sphene/core/documents';

/** The time zone of a place, by boundaries that ship and are fetched when they are first wanted; null where that fails. */
export async function zoneOf({ latitudeDeg, longitudeDeg }: SpotPlace): Promise<string | null> {
  try {
    const { default: zoneAt } = await import('@photostructure/tz-lookup');
    const zone = zoneAt(latitudeDeg, longitudeDeg);
    return isTimeZone(zone) ? zone : null;
  } catch {
    return null;
  }
}
