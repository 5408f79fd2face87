import { darkBandShare, safeSyncTv } from '../flash';
import type { Camera, CameraDial, Filter, Lens } from '../gear';
import { formatAperture, formatIso, formatShutter, TV_RANGE } from '../notation';
import {
  ceilToStep,
  type ExposureSettings,
  floorToStep,
  INCREMENT_STOPS,
  roundToStep,
  stepsToStops,
} from '../photometry';
import type { CameraWish, Setup } from '../setup';
import { depthWanted } from './depthOfField';
import { slowestSharpShutter } from './sharpShutter';

/** Camera settings in stops, and whether they meet the wish. */
export interface CameraSolution {
  av: number;
  tv: number;
  sv: number;
  ndStops: number;
  /** true when the shutter is past sync */
  beyondSync: boolean;
  /** past sync with body and wish set for high-speed sync; without it a part of the frame stays dark */
  highSpeedSync: boolean;
  /** the part of the frame that the curtain keeps dark, 0 to 1 */
  darkBandShare: number;
  /** stops of shutter past sync, 0 when not */
  beyondSyncStops: number;
  /** the light level that is rendered as mid grey, filters included */
  ev100: number;
  met: boolean;
  /** what is missing to the wish, in stops; 0 when met */
  missingStops: number;
  missing: 'too-bright' | 'too-dark' | null;
  /** null: the camera stands so, and nobody asked why */
  reason: CameraReason | null;
  text: { aperture: string; shutter: string; iso: string; filters: string | null };
}

/** Why these settings: what was pinned or kept, what gave way, what is missing. Texts are as dials print them. */
export interface CameraReason {
  /** how the aperture came to be; `instead`: another one was wanted */
  aperture: { kind: 'pinned' | 'kept' | 'holds-depth' } | { kind: 'instead'; wantedText: string };
  iso: 'pinned' | 'lowest' | 'raised' | 'highest';
  shutter:
    | { kind: 'frame-rate' | 'pinned' | 'kept' }
    /** the end of the range that it stands at */
    | { kind: 'at-limit'; limitText: string }
    | { kind: 'past-sync'; syncText: string }
    /** the ISO was raised so that it stays this fast */
    | { kind: 'held-by-iso'; slowestText: string }
    | { kind: 'between'; slowestText: string; syncText: string }
    /** no flash fires: only the sharp shutter binds it */
    | { kind: 'free'; slowestText: string };
}

/** Body, lens and filters of a setup. */
export interface CameraGear {
  body: Camera;
  lens: Lens | null;
  filters: readonly Filter[];
}

/** What the camera is asked for, in EV100. */
export interface ExposureTarget {
  /** the level to be rendered as mid grey */
  ev100: number;
  /** the ambient on the face, where it must stay under the final place for flash to have room; null where that does not matter */
  faceEv100: number | null;
  /** the final place of the face */
  finalStops: number;
  /** a flash fires: sync binds the shutter */
  fires: boolean;
}

/** The limits in force: what the setup changes, else the camera's own; the sharp shutter also by lens, support and motion. */
export function limitsInForce(body: Camera, lens: Lens | null, wish: CameraWish) {
  const { limits } = wish;
  const sharp = slowestSharpShutter(body, lens, wish);
  const baseSv = limits.baseSv ?? body.baseSv;
  const syncTv = limits.syncTv ?? body.syncTv;
  return {
    syncTv,
    /** sync that a late radio leaves */
    safeSyncTv: safeSyncTv(syncTv, wish.syncDelayMs / 1000),
    slowestTv: limits.slowestTv ?? sharp.tv,
    slowestBecause: limits.slowestTv === null ? sharp.because : ({ kind: 'set-here' } as const),
    baseSv,
    highestSv: Math.max(limits.highestSv ?? body.highestSv, baseSv),
  };
}

/** One dial: its range in steps of the grid, where it would like to stand, and whether it is held there. */
interface Dial {
  least: number;
  most: number;
  want: number;
}
type Dials = Record<CameraDial, Dial>;

/** All that decides on the settings, on one grid of steps: `sum = aperture + shutter − iso`, counted from `originEv`. */
interface Room {
  step: number;
  dials: Dials;
  /** stops of the sum at which all dials stand at step 0 */
  originEv: number;
  limits: ReturnType<typeof limitsInForce>;
  fastestTv: number;
  slowestTv: number;
  /** time value of the shutter's step 0 */
  tvOrigin: number;
  svOrigin: number;
  ndStops: number;
  /** the dial that is kept as the first of the order; null when another had to be free to follow */
  kept: CameraDial | null;
}

const clamp = (value: number, { least, most }: Pick<Dial, 'least' | 'most'>): number =>
  Math.min(most, Math.max(least, value));
const held = (at: number): Dial => ({ least: at, most: at, want: at });

/** A whole frame at this rate and angle is exposed for `angle / 360 / rate` seconds. */
export const videoShutterTv = ({ framesPerSecond, angleDeg }: NonNullable<CameraWish['video']>): number =>
  Math.log2((360 * framesPerSecond) / angleDeg);

/**
 * The room that the camera has. A pin holds its dial. The first dial of the order is held at its wanted value as long as
 * another one is free to follow; in video the shutter is held by frame rate and angle.
 */
// eslint-disable-next-line complexity -- each limit of the camera once, in the order of priority
function roomOf({ body, lens, filters }: CameraGear, wish: CameraWish, fires: boolean): Room {
  const step = INCREMENT_STOPS[body.increment];
  const limits = limitsInForce(body, lens, wish);
  const toStep = (value: number) => Math.round(value / step);
  const down = (value: number) => toStep(floorToStep(value, step));
  const up = (value: number) => toStep(ceilToStep(value, step));

  const apertures = {
    least: up(lens?.widestAv ?? body.widestAv),
    most: Math.max(up(lens?.widestAv ?? body.widestAv), down(lens?.smallestAv ?? body.smallestAv)),
  };
  const aperture: Dial = { ...apertures, want: clamp(wantedAperture({ body, lens }, wish).step, apertures) };

  const sync = down(limits.safeSyncTv);
  const pastSync = !fires || (wish.highSpeedSync && body.highSpeedSync);
  const fastest = pastSync ? Math.max(sync, down(body.fastestTv)) : sync;
  const slowest = Math.min(fastest, up(limits.slowestTv));
  const times = { least: slowest, most: fastest };
  const tvOrigin = wish.video === null ? 0 : videoShutterTv(wish.video);
  const shutter: Dial =
    wish.video === null
      ? { ...times, want: clamp(wish.wantedTv === null ? sync : toStep(wish.wantedTv), times) }
      : held(0);

  const speeds = { least: 0, most: down(limits.highestSv - limits.baseSv) };
  const iso: Dial = { ...speeds, want: 0 };

  const dials: Dials = { aperture, iso, shutter };
  const { pins } = wish;
  if (pins.av !== null) dials.aperture = held(clamp(toStep(pins.av), apertures));
  if (pins.tv !== null && wish.video === null)
    dials.shutter = held(clamp(toStep(pins.tv), { least: up(TV_RANGE.least), most: down(body.fastestTv) }));
  if (pins.sv !== null)
    dials.iso = held(
      clamp(toStep(pins.sv - limits.baseSv), {
        least: Math.min(0, up((body.extendedLowSv ?? body.baseSv) - limits.baseSv)),
        most: Math.max(speeds.most, down((body.extendedHighSv ?? body.highestSv) - limits.baseSv)),
      }),
    );

  const first = wish.keepOrder[0];
  const isFree = (dial: CameraDial) =>
    dials[dial].least < dials[dial].most &&
    !(dial === 'aperture' && pins.av !== null) &&
    !(dial === 'shutter' && (pins.tv !== null || wish.video !== null)) &&
    !(dial === 'iso' && pins.sv !== null);
  const kept = isFree(first) && wish.keepOrder.slice(1).some(isFree) ? first : null;
  if (kept !== null) dials[kept] = held(dials[kept].want);
  const ndStops = filters.reduce((sum, { lossStops }) => sum + lossStops, 0);
  return {
    step,
    dials,
    kept,
    limits,
    ndStops,
    tvOrigin,
    svOrigin: limits.baseSv,
    originEv: tvOrigin - limits.baseSv + ndStops,
    fastestTv: stepsToStops(fastest, step),
    slowestTv: stepsToStops(slowest, step),
  };
}

/** The aperture that is wanted, from the people's depth or as typed, rounded to the dial (depth always to the smaller aperture). */
export function wantedAperture(
  { body, lens }: Pick<CameraGear, 'body' | 'lens'>,
  wish: CameraWish,
): { step: number; av: number; byDepth: boolean } {
  const size = INCREMENT_STOPS[body.increment];
  const depth = depthWanted(body, lens, wish);
  const av = depth === null ? roundToStep(wish.wantedAv, size) : ceilToStep(depth.neededAv, size);
  return { step: Math.round(av / size), av, byDepth: depth !== null };
}

/** Ambient may come this near to the final exposure before a rounding of the shutter goes to the darker side. */
const LEAST_ROOM_FOR_FLASH_STOPS = 0.05;

/**
 * Shutter, aperture and ISO for a wanted light level. Of all settings that the camera, the limits and the pins admit it
 * takes those whose exposure is nearest to the wanted one, and among these the one that is best by the order of
 * preference: the first dial nearest to its wish, then the second, then the third. A rounding to the dials' own steps
 * meets the wish; what is more than that is returned in stops.
 */
export function chooseCameraSettings(target: ExposureTarget, gear: CameraGear, wish: CameraWish): CameraSolution {
  const room = roomOf(gear, wish, target.fires);
  const { step, dials, originEv } = room;
  const evAt = (sum: number) => originEv + stepsToStops(sum, step);
  const reachesFinal = (sum: number) =>
    target.faceEv100 !== null && target.faceEv100 - evAt(sum) > target.finalStops - LEAST_ROOM_FOR_FLASH_STOPS;

  const exact = (target.ev100 - originEv) / step;
  const nearest = Math.sign(exact) * Math.round(Math.abs(exact) + 1e-9);
  const wanted = (reachesFinal(nearest) ? Math.ceil(exact - 1e-9) : nearest) + 0;
  const darkest = dials.aperture.most + dials.shutter.most - dials.iso.least;
  const brightest = dials.aperture.least + dials.shutter.least - dials.iso.most;
  const sum = clamp(wanted, { least: brightest, most: darkest });
  const at = byPreference(sum, dials, wish.keepOrder);

  const av = stepsToStops(at.aperture, step);
  const tv = room.tvOrigin + stepsToStops(at.shutter, step);
  const sv = room.svOrigin + stepsToStops(at.iso, step);
  const ev = av + tv - sv + room.ndStops;
  const met = sum === wanted;
  const missing = met ? null : sum < wanted ? 'too-bright' : 'too-dark';
  const missingStops = met ? 0 : Math.abs(target.ev100 - ev);
  const dialled = settingsOf({ av, tv, sv }, gear, wish, target.fires);
  return {
    ...dialled,
    met,
    missingStops,
    missing,
    reason: reasonFor({ av, sv, missing, highSpeedSync: dialled.highSpeedSync }, room, gear, wish, target.fires),
  };
}

/** What settings of the three dials are to flash and light, filters and sync included. */
export function settingsOf(
  { av, tv, sv }: ExposureSettings,
  { body, lens, filters }: CameraGear,
  wish: CameraWish,
  fires: boolean,
): Omit<CameraSolution, 'met' | 'missing' | 'missingStops' | 'reason'> {
  const { increment } = body;
  const { safeSyncTv: syncTv } = limitsInForce(body, lens, wish);
  const ndStops = filters.reduce((sum, { lossStops }) => sum + lossStops, 0);
  const beyondSyncStops = Math.max(0, tv - syncTv);
  const beyondSync = fires && wish.video === null && beyondSyncStops > 1e-9;
  const highSpeedSync = beyondSync && wish.highSpeedSync && body.highSpeedSync;
  return {
    av,
    tv,
    sv,
    ndStops,
    beyondSync,
    highSpeedSync,
    darkBandShare: beyondSync && !highSpeedSync ? darkBandShare(tv, syncTv) : 0,
    beyondSyncStops: beyondSync ? beyondSyncStops : 0,
    ev100: av + tv - sv + ndStops,
    text: {
      aperture: formatAperture(av, increment),
      shutter: formatShutter(tv, increment),
      iso: formatIso(sv),
      filters: filters.length === 0 ? null : filters.map((filter) => filter.name).join(' + '),
    },
  };
}

/** Settles the dials one after the other: each as near to its wish as the ones behind it can still make up for. */
function byPreference(sum: number, dials: Dials, order: Setup['camera']['keepOrder']): Record<CameraDial, number> {
  const sign = (dial: CameraDial) => (dial === 'iso' ? -1 : 1);
  const reach = (dial: CameraDial): [number, number] =>
    dial === 'iso' ? [-dials.iso.most, -dials.iso.least] : [dials[dial].least, dials[dial].most];
  const at = { aperture: 0, iso: 0, shutter: 0 };
  let left = sum;
  order.forEach((dial, index) => {
    const rest = order.slice(index + 1).map(reach);
    const restLeast = rest.reduce((total, [least]) => total + least, 0);
    const restMost = rest.reduce((total, [, most]) => total + most, 0);
    const ends = [sign(dial) * (left - restMost), sign(dial) * (left - restLeast)];
    at[dial] = clamp(clamp(dials[dial].want, { least: Math.min(...ends), most: Math.max(...ends) }), dials[dial]);
    left -= sign(dial) * at[dial];
  });
  return at;
}

type ReasonFacts = Pick<CameraSolution, 'av' | 'sv' | 'missing' | 'highSpeedSync'>;

/** What was pinned or kept and what gave way. */
function reasonFor(
  { av, sv, missing, highSpeedSync }: ReasonFacts,
  room: Room,
  gear: CameraGear,
  wish: CameraWish,
  fires: boolean,
): CameraReason {
  const { increment } = gear.body;
  const raised = sv > room.limits.baseSv + 1e-9;
  return {
    aperture: apertureReason(av, gear, wish),
    iso: wish.pins.sv !== null ? 'pinned' : !raised ? 'lowest' : missing === 'too-dark' ? 'highest' : 'raised',
    shutter: shutterReason(),
  };

  function shutterReason(): CameraReason['shutter'] {
    const slowestText = formatShutter(room.slowestTv, increment);
    const syncText = formatShutter(floorToStep(room.limits.safeSyncTv, room.step), increment);
    if (wish.video !== null) return { kind: 'frame-rate' };
    if (wish.pins.tv !== null) return { kind: 'pinned' };
    if (missing !== null && room.kept === 'shutter') return { kind: 'kept' };
    if (missing === 'too-bright') return { kind: 'at-limit', limitText: formatShutter(room.fastestTv, increment) };
    if (missing === 'too-dark') return { kind: 'at-limit', limitText: slowestText };
    if (highSpeedSync) return { kind: 'past-sync', syncText };
    const isoFirst = wish.keepOrder.indexOf('iso') < wish.keepOrder.indexOf('shutter');
    if (raised && wish.pins.sv === null && isoFirst) return { kind: 'held-by-iso', slowestText };
    return fires ? { kind: 'between', slowestText, syncText } : { kind: 'free', slowestText };
  }
}

function apertureReason(av: number, gear: CameraGear, wish: CameraWish): CameraReason['aperture'] {
  if (wish.pins.av !== null) return { kind: 'pinned' };
  const wanted = wantedAperture(gear, wish);
  if (Math.abs(av - wanted.av) >= 1e-6)
    return { kind: 'instead', wantedText: formatAperture(wanted.av, gear.body.increment) };
  return { kind: wanted.byDepth ? 'holds-depth' : 'kept' };
}
