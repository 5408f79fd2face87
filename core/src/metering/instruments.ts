import { learnedId } from '../calibration';
import { BELIEFS, type Made } from '../estimate';
import type { Kit } from '../gear';
import type { Increment } from '../photometry';
import type { Reading } from '../setup';

/** The meter that others are compared with: the first that came into the kit. Ids are made in the order of time. */
const standardMeter = ({ meters }: Pick<Kit, 'meters'>): string | null =>
  meters.reduce<string | null>((first, { id }) => (first === null || id < first ? id : first), null);

/** The steps in which a meter shows its figure; those of the preferences where the kit does not name it. */
export const meterIncrementOf = (
  meterId: string | null,
  { meters, preferences }: Pick<Kit, 'meters' | 'preferences'>,
): Increment => meters.find(({ id }) => id === meterId)?.increment ?? preferences.meterIncrement;

/**
 * What a reading was taken with, as far as it may differ from the usual meter: another meter, or a body with its lens and
 * its picture curve. null: nothing to tell apart.
 */
export function instrumentOf({ method, meterId, cameraId, lensId }: Reading, kit: Pick<Kit, 'meters'>): Made | null {
  const byCamera = method.kind === 'frame' || method.kind === 'reflected' || method.kind === 'eye';
  if (byCamera)
    return cameraId === null
      ? null
      : { id: learnedId('camera', cameraId, ...(lensId === null ? [] : [lensId])), sdStops: BELIEFS.instrument };
  return meterId === null || meterId === standardMeter(kit)
    ? null
    : { id: learnedId('meter', meterId), sdStops: BELIEFS.instrument };
}
