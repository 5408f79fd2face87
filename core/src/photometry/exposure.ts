import { ratioToStops, stopsToRatio } from './stops';

/** Aperture value of an f-number: `Av = 2·log2(N)`. APEX, ISO 2720. */
export const avFromN = (n: number): number => 2 * Math.log2(n);

/** f-number of an aperture value. */
export const nFromAv = (av: number): number => 2 ** (av / 2);

/** Time value of a shutter time in seconds: `Tv = −log2(t)`. */
export const tvFromSeconds = (seconds: number): number => -Math.log2(seconds);

/** Shutter time in seconds of a time value. */
export const secondsFromTv = (tv: number): number => 2 ** -tv;

/** Speed value of an ISO: `Sv = log2(ISO/100)`, so that ISO 100 is 0. */
export const svFromIso = (iso: number): number => Math.log2(iso / 100);

/** ISO of a speed value. */
export const isoFromSv = (sv: number): number => 100 * 2 ** sv;

/** Exposure settings in stops. */
export interface ExposureSettings {
  av: number;
  tv: number;
  sv: number;
}

/** `EV100 = Av + Tv − Sv`: the light level that these settings render as mid grey. */
export const ev100 = ({ av, tv, sv }: ExposureSettings): number => av + tv - sv;

/** Incident-meter constant C: 330 for a dome, 250 for a flat disc. ISO 2720. */
export const METER_CONSTANT = { dome: 330, disc: 250 } as const;

/** Incident light in lux at an EV100: `E = C/100 · 2^EV100`. */
export const luxFromEv100 = (ev: number, receptor: keyof typeof METER_CONSTANT = 'dome'): number =>
  (METER_CONSTANT[receptor] / 100) * stopsToRatio(ev);

/** EV100 of an incident light in lux; the inverse of `luxFromEv100`. Wants lux above 0. */
export const ev100FromLux = (lux: number, receptor: keyof typeof METER_CONSTANT = 'dome'): number =>
  ratioToStops(lux / (METER_CONSTANT[receptor] / 100));
