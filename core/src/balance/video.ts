import { videoShutterTv } from '../exposure';
import type { Kit } from '../gear';
import { formatShutter } from '../notation';
import { secondsFromTv } from '../photometry';
import type { Setup } from '../setup';
import type { Balance } from './balance';

/** What filming asks for. */
export interface VideoSolution {
  shutterTv: number;
  shutterText: string;
  /** filter still wanted to keep the aperture, stops; 0 when none */
  ndNeededStops: number;
  /** lamps on the mains may flicker at this shutter; null when they do not */
  flicker: { safeAngleDeg: number | null } | null;
}

/** Exposures of whole half-waves are even; within this part of a half-wave it is not seen. */
const EVEN_WITHIN = 0.01;

/** The shutter angle nearest to the wanted one that exposes whole half-waves of the mains; null when even one is longer than a frame. */
export function safeAngleDeg(framesPerSecond: number, angleDeg: number, mainsHz: number): number | null {
  const perHalfWave = (360 * framesPerSecond) / (2 * mainsHz);
  const most = Math.floor(360 / perHalfWave + 1e-9);
  return most < 1 ? null : perHalfWave * Math.min(most, Math.max(1, Math.round(angleDeg / perHalfWave)));
}

/**
 * Shutter from frame rate and angle, the filter that keeps the wanted aperture, and whether lamps flicker: light on
 * alternating current pulses twice a wave, so only a shutter of whole half-waves takes in the same light each frame.
 */
export function videoSolution(setup: Setup, kit: Kit, { camera, gear }: Balance): VideoSolution | null {
  const { video } = setup.camera;
  if (video === null) return null;
  const tv = videoShutterTv(video);
  const halfWaves = secondsFromTv(tv) * 2 * kit.preferences.mainsHz;
  const even = halfWaves > 0.5 && Math.abs(halfWaves - Math.round(halfWaves)) < EVEN_WITHIN;
  const safe = safeAngleDeg(video.framesPerSecond, video.angleDeg, kit.preferences.mainsHz);
  const ndNeededStops = camera?.missing === 'too-bright' ? camera.missingStops : 0;
  const shutterText = formatShutter(tv, gear?.body.increment ?? 'third');
  return {
    shutterTv: tv,
    shutterText,
    ndNeededStops,
    flicker: even ? null : { safeAngleDeg: safe },
  };
}
