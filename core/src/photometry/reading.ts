import { ev100FromLux } from './exposure';
import type { Increment } from './increments';
import { AV_RANGE, parseAperture, parseEv, parseLux } from './notation';
import { type Outcome, failure, success } from './outcome';

/** How a meter reading was written. */
export type ReadingNotation = 'aperture' | 'ev' | 'lux';

/** A meter reading as the aperture value at the shutter and ISO that the meter holds. */
export interface MeterReading {
  av: number;
  notation: ReadingNotation;
}

/**
 * Reads whatever the meter shows: an aperture in any notation, `EV 12.3` (at ISO 100) or lux.
 * @param held the shutter and ISO set on the meter, in stops
 * @returns the equivalent aperture value at the held settings, or a message that says what would be right
 */
export function parseMeterReading(text: string, held: { tv: number; sv: number }, increment: Increment = 'third'): Outcome<MeterReading> {
  const lux = parseLux(text);
  const ev = parseEv(text) ?? (lux !== undefined && lux > 0 ? ev100FromLux(lux) : undefined);
  if (ev !== undefined) {
    const av = ev - held.tv + held.sv;
    if (av < AV_RANGE.least || av > AV_RANGE.most)
      return failure(`“${text.trim()}” would be beyond f/0.5 to f/128 at this shutter and ISO. Check the figure, or set the shutter and ISO that the meter used.`);
    return success({ av, notation: lux === undefined ? 'ev' : 'lux' });
  }
  const aperture = parseAperture(text, increment);
  if (aperture.ok) return success({ av: aperture.value, notation: 'aperture' });
  return failure(aperture.message.replace('is not an aperture.', 'is not a reading.').replace('Enter the aperture.', 'Enter what the meter shows.').replace(/ or 8 and a half\.$/, ', 8 and a half or EV 12.3.'));
}
