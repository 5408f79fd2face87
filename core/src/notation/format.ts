import { type Increment, INCREMENT_STOPS, isoFromSv, nFromAv, roundToStep, secondsFromTv } from '../photometry';
import {
  APERTURE_HALVES,
  APERTURE_THIRDS,
  ISO_HALVES,
  ISO_THIRDS,
  nearestNominal,
  type NominalStep,
  SHUTTER_FRACTION_HALVES,
  SHUTTER_FRACTION_THIRDS,
  SHUTTER_SECONDS_HALVES,
  SHUTTER_SECONDS_THIRDS,
} from './nominalSeries';

const SUPERSCRIPTS = '⁰¹²³⁴⁵⁶⁷⁸⁹';
const MINUS = '−';

const within = (steps: readonly NominalStep[], stops: number): boolean => {
  const first = steps[0];
  const last = steps[steps.length - 1];
  return first !== undefined && last !== undefined && stops > first.stops - 0.26 && stops < last.stops + 0.26;
};

/** A plain figure of two significant digits, for values that no dial prints. */
const plain = (value: number): string => (value >= 10 ? value.toFixed(0) : Number(value.toPrecision(2)).toString());

const superscript = (digit: number): string => (digit === 0 ? '' : SUPERSCRIPTS.charAt(digit));

/** Whole stops below and the tenths above them: 5.4 gives [5, 4]. */
const splitTenths = (stops: number): [whole: number, tenths: number] => {
  const tenths = Math.round(stops * 10);
  const whole = Math.floor(tenths / 10);
  return [whole, tenths - whole * 10];
};

/**
 * The number a device with this increment prints for an aperture value, without the f/.
 * Tenths are set as meters show them: the whole stop and a raised digit, `5.6⁴`.
 */
export function apertureNumber(av: number, increment: Increment): string {
  if (increment === 'tenth') {
    const [whole, tenths] = splitTenths(av);
    const base = within(APERTURE_THIRDS, whole)
      ? String(nearestNominal(APERTURE_THIRDS, whole).nominal)
      : plain(nFromAv(whole));
    return base + superscript(tenths);
  }
  const steps = increment === 'half' ? APERTURE_HALVES : APERTURE_THIRDS;
  return within(steps, av) ? String(nearestNominal(steps, av).nominal) : plain(nFromAv(av));
}

/** An aperture value as photographers write it: `f/5.6`, in tenths `f/5.6⁴`. */
export const formatAperture = (av: number, increment: Increment): string => `f/${apertureNumber(av, increment)}`;

/** A time value as dials print it: `1/125`, `0.5 s`, `2 s`. Dials have no tenths: those show the nearest third. */
export function formatShutter(tv: number, increment: Increment): string {
  const fractions = increment === 'half' ? SHUTTER_FRACTION_HALVES : SHUTTER_FRACTION_THIRDS;
  const seconds = increment === 'half' ? SHUTTER_SECONDS_HALVES : SHUTTER_SECONDS_THIRDS;
  const nearest = roundToStep(tv, INCREMENT_STOPS[increment === 'half' ? 'half' : 'third']);
  if (within(fractions, nearest)) return `1/${nearestNominal(fractions, nearest).nominal}`;
  if (within(seconds, nearest)) return `${nearestNominal(seconds, nearest).nominal} s`;
  return tv > 0 ? `1/${plain(2 ** tv)}` : `${plain(secondsFromTv(tv))} s`;
}

/** Half way between whole stops: cameras in halves print numbers of their own there. */
const isHalf = (stops: number): boolean => Math.abs(Math.abs(stops % 1) - 0.5) < 1e-6;

/** The ISO number printed for a speed value: `640`. */
export const isoNumber = (sv: number): string =>
  isHalf(sv) && within(ISO_HALVES, sv)
    ? String(nearestNominal(ISO_HALVES, sv).nominal)
    : within(ISO_THIRDS, sv)
      ? String(nearestNominal(ISO_THIRDS, sv).nominal)
      : plain(isoFromSv(sv));

/** `ISO 640`. */
export const formatIso = (sv: number): string => `ISO ${isoNumber(sv)}`;

const FRACTIONS: Record<number, string> = { 3: '⅓', 5: '½', 7: '⅔' };

/** A count of stops without a sign: in thirds and halves `1⅓`, in tenths `1.3`. */
export function formatStopCount(stops: number, increment: Increment = 'tenth'): string {
  const size = Math.abs(stops);
  if (increment === 'tenth') return roundToStep(size, 0.1).toFixed(1);
  const rounded = roundToStep(size, INCREMENT_STOPS[increment]);
  const whole = Math.floor(rounded + 1e-9);
  const fraction = FRACTIONS[Math.round((rounded - whole) * 10)] ?? '';
  return fraction && whole === 0 ? fraction : `${whole}${fraction}`;
}

/** A signed number of stops: `+1.3`, `−⅔`, `0.0`. */
export function formatStops(stops: number, increment: Increment = 'tenth'): string {
  const count = formatStopCount(stops, increment);
  if (/^0(\.0)?$/.test(count)) return count;
  return `${stops < 0 ? MINUS : '+'}${count}`;
}

/** A share of 0 to 1 in whole percent: `37 %`. */
export const formatShare = (share: number): string => `${Math.round(share * 100)} %`;
