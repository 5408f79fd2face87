import { secondsFromTv, tvFromSeconds } from '../photometry';

/**
 * The strongest power that a shutter lets through whole, in stops below full.
 * The discharge is taken as exponential and cut when the dialled energy is out, so that with `τ = t0.1 / ln 10` the
 * shutter's window w passes the share `1 − e^(−w/τ)` of a full discharge. Power dialled over that is lost in the tail.
 * @param windowS how long the shutter is open from the moment of the flash, seconds
 * @param t01FullS t0.1 at full power, seconds; null: not known, nothing is taken off
 */
export const passedPowerStops = (windowS: number, t01FullS: number | null): number =>
  t01FullS === null ? 0 : Math.log2(-Math.expm1((-windowS * Math.LN10) / t01FullS));

/**
 * The fastest shutter at which the whole frame is still open when a flash that fires late has fired.
 * A radio of another make may fire late by a millisecond: the shutter must stay open that much longer.
 */
export const safeSyncTv = (syncTv: number, delayS: number): number => tvFromSeconds(secondsFromTv(syncTv) + delayS);

/**
 * The part of the frame (0 to 1) that stays dark at a shutter past sync without high-speed sync.
 * The curtains take the sync time to travel: at half of it the slit covers half of the frame when the flash fires.
 */
export const darkBandShare = (tv: number, syncTv: number): number => Math.max(0, 1 - 2 ** (syncTv - tv));
