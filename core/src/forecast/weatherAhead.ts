import { type Weather, weatherAt } from '../documents';
import type { LevelAhead } from '../metering';
import { addLight, remainingLight } from '../photometry';
import type { MeteringPoint } from '../setup';
import { cloudLossStops } from '../sky';

/** Half of what a forecast of cloud says may be wrong. */
const CLOUD_DOUBT = 0.5;
/** Cover between these moves over the sun and away from it. */
const MOVING = { from: 0.2, to: 0.9 };
/** How much further light wanders under moving cloud than under a steady sky, variance a minute. Source: the estimate's beliefs. */
const MOVING_VARIANCE = 0.2 ** 2 - 0.05 ** 2;
const MINUTE_MS = 60_000;

/** What cloud takes where a point stands: in shade and rooms a covered sky gives about what a clear one does. */
export const cloudLossAt = (cloud: number, standsIn: MeteringPoint['standsIn']): number =>
  standsIn === 'shade' || standsIn === 'indoors' ? 0 : cloudLossStops(cloud);

/** Where a level is foretold from, and what of it no cloud reaches. */
interface Beneath {
  fromMs: number;
  standsIn: MeteringPoint['standsIn'];
  /** lamps there; null: none */
  lampEv100: number | null;
  /** the estimate knows of moving cloud already */
  isMoving: boolean;
}

/**
 * A level to come under the weather that is foretold: it follows the change of cover from now on, half of it in doubt, and
 * wanders further while cloud moves.
 */
export function underWeather(
  at: (minutes: number) => LevelAhead,
  weather: Weather | null,
  { fromMs, standsIn, lampEv100, isMoving }: Beneath,
): (minutes: number) => LevelAhead {
  const now = weatherAt(weather, fromMs);
  if (now === null) return at;
  const lossNow = cloudLossAt(now.cloud, standsIn);
  return (minutes) => {
    const clear = at(minutes);
    const then = weatherAt(weather, fromMs + minutes * MINUTE_MS);
    if (then === null || minutes === 0) return clear;
    const change = lossNow - cloudLossAt(then.cloud, standsIn);
    const daylight = lampEv100 === null ? clear.ev100 : (remainingLight(clear.ev100, lampEv100) ?? -Infinity);
    const cover = (now.cloud + then.cloud) / 2;
    const moves = !isMoving && cover > MOVING.from && cover < MOVING.to;
    const variance = (change * CLOUD_DOUBT) ** 2 + (moves ? MOVING_VARIANCE * minutes : 0);
    const share = 2 ** (daylight - clear.ev100);
    return {
      ev100: addLight(daylight + change, lampEv100 ?? -Infinity),
      sdStops: Math.hypot(clear.sdStops, share * Math.sqrt(variance)),
    };
  };
}
