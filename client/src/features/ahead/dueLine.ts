import { texts } from './texts';
import { clockAt } from '@/shell/localDay';

import type { Forecast } from '@sphene/core/forecast';
import type { Setup } from '@sphene/core/setup';

/** A point of a setup as it is called. */
export const nameOf = (setup: Setup, pointId: string): string =>
  setup.points.find(({ id }) => id === pointId)?.name ?? '';

/** When a reading is due, in one line. */
export function dueLine({ meterAgain, minutes }: Forecast, setup: Setup, timeZone: string): string {
  if (meterAgain === null) return texts.holdsFor;
  const name = nameOf(setup, meterAgain.pointId).toLowerCase();
  if (meterAgain.minute === 0) return texts.meterAgainNow(name);
  const atMs = minutes[meterAgain.minute]?.atMs ?? 0;
  return texts.meterAgainIn(name, texts.inMinutes(String(meterAgain.minute)), clockAt(atMs, timeZone));
}
