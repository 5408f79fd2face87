import { INCREMENT_STOPS, ceilToStep, floorToStep, formatAperture, formatIso, formatShutter, formatStopCount, roundToStep } from '../photometry';
import type { Camera, Filter } from './camera';
import type { Setup } from './setup';

/** Camera settings in stops, and whether they meet the wish. */
export interface CameraSolution {
  av: number;
  tv: number;
  sv: number;
  ndStops: number;
  /** true when the shutter is past sync */
  beyondSync: boolean;
  /** stops of shutter past sync, 0 when not */
  beyondSyncStops: number;
  /** the light level that is rendered as mid grey, filters included */
  ev100: number;
  met: boolean;
  /** what is missing to the wish, in stops; 0 when met */
  missingStops: number;
  missing: 'too bright' | 'too dark' | null;
  reason: string;
  text: { aperture: string; shutter: string; iso: string; filters: string | null };
}

/** The limits in force: the camera's own, unless the setup changes them. */
export function limitsInForce(camera: Camera, { limits }: Setup['camera']) {
  return {
    syncTv: limits.syncTv ?? camera.syncTv,
    slowestTv: limits.slowestTv ?? camera.slowestTv,
    baseSv: limits.baseSv ?? camera.baseSv,
    highestSv: Math.max(limits.highestSv ?? camera.highestSv, limits.baseSv ?? camera.baseSv),
  };
}

/** Ambient may come this near to the final exposure before a rounding of the shutter goes to the darker side. */
const LEAST_ROOM_FOR_FLASH_STOPS = 0.05;

/**
 * Shutter, aperture and ISO for a wanted light level, by the usual order of preference: keep the wanted aperture,
 * the lowest ISO, a shutter between the sharp limit and sync. What cannot be met is returned in stops.
 * @param targetEv100 the level to be rendered as mid grey (the ambient on the face plus the hold-back)
 * @param faceEv100 the ambient on the face; rounding never lets it reach the final exposure
 */
export function chooseCameraSettings(targetEv100: number, faceEv100: number, camera: Camera, wish: Setup['camera'], filters: readonly Filter[]): CameraSolution {
  const step = INCREMENT_STOPS[camera.increment];
  const limits = limitsInForce(camera, wish);
  const ndStops = filters.reduce((sum, filter) => sum + filter.lossStops, 0);
  const av = Math.min(floorToStep(camera.smallestAv, step), Math.max(ceilToStep(camera.widestAv, step), roundToStep(wish.wantedAv, step)));
  const syncTv = floorToStep(limits.syncTv, step);
  const fastestTv = wish.highSpeedSync ? Math.max(syncTv, floorToStep(camera.fastestTv, step)) : syncTv;
  const slowestTv = Math.min(fastestTv, ceilToStep(limits.slowestTv, step));
  const wantedTvAtBase = targetEv100 - ndStops - av + limits.baseSv;

  let sv = limits.baseSv;
  if (wantedTvAtBase < slowestTv - step / 2)
    sv = Math.min(limits.highestSv, limits.baseSv + ceilToStep(slowestTv - wantedTvAtBase, step));
  const wantedTv = targetEv100 - ndStops - av + sv;
  const clamp = (value: number) => Math.min(fastestTv, Math.max(slowestTv, value));
  const reachesFinal = (time: number) => faceEv100 - (av + time - sv + ndStops) > -LEAST_ROOM_FOR_FLASH_STOPS;
  const nearestTv = clamp(roundToStep(wantedTv, step));
  const tv = reachesFinal(nearestTv) ? clamp(ceilToStep(wantedTv, step)) : nearestTv;

  // A rounding to the dial's own step is not a miss, as long as there is still something left for the flash to do.
  const errorStops = wantedTv - tv;
  const rounding = Math.abs(errorStops) <= step / 2 + 1e-9 || tv === ceilToStep(wantedTv, step);
  const met = rounding && !reachesFinal(tv);
  const missing = met ? null : errorStops > 0 ? 'too bright' : 'too dark';
  const text = {
    aperture: formatAperture(av, camera.increment),
    shutter: formatShutter(tv, camera.increment),
    iso: formatIso(sv),
    filters: filters.length === 0 ? null : filters.map((filter) => filter.name).join(' + '),
  };
  const beyondSyncStops = Math.max(0, tv - syncTv);
  const missingStops = met ? 0 : Math.abs(errorStops);
  return {
    av, tv, sv, ndStops,
    beyondSync: beyondSyncStops > 1e-9,
    beyondSyncStops,
    ev100: av + tv - sv + ndStops,
    met, missingStops, missing, text,
    reason: reasonFor({ missing, missingStops, raisedIso: sv > limits.baseSv + 1e-9, beyondSync: beyondSyncStops > 1e-9, text, slowest: formatShutter(slowestTv, camera.increment), sync: formatShutter(syncTv, camera.increment), fastest: formatShutter(fastestTv, camera.increment) }),
  };
}

interface ReasonFacts {
  missing: CameraSolution['missing'];
  missingStops: number;
  raisedIso: boolean;
  beyondSync: boolean;
  text: CameraSolution['text'];
  slowest: string;
  sync: string;
  fastest: string;
}

function reasonFor({ missing, missingStops, raisedIso, beyondSync, text, slowest, sync, fastest }: ReasonFacts): string {
  const kept = `${text.aperture} kept${text.filters === null ? '' : ` behind ${text.filters}`}`;
  if (missing === 'too bright') return `${kept}, lowest ISO, shutter at its limit ${fastest}: still ${formatStopCount(missingStops)} stops too bright.`;
  if (missing === 'too dark') return `${kept}, highest ISO, shutter at its limit ${slowest}: still ${formatStopCount(missingStops)} stops too dark.`;
  if (beyondSync) return `${kept}, lowest ISO; ${text.shutter} is past sync ${sync}, so the flash works in high-speed sync.`;
  if (raisedIso) return `${kept}; ISO raised just enough to hold the shutter at ${slowest} or faster.`;
  return `${kept}, lowest ISO; ${text.shutter} lies between ${slowest} and sync ${sync}.`;
}
