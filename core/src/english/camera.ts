import type { SecondBody, VideoSolution } from '../balance';
import type { CameraReason, CameraSolution, Intent, SharpShutter, ShutterReason } from '../exposure';
import { formatShutter, formatStopCount } from '../notation';
import type { Motion } from '../setup';
import { incrementOf, type WordsContext } from '../words';
import { sayStops } from './count';

/** How people move, as a choice and as what asks for a shutter. */
export const MOTIONS: Record<Motion, { name: string; words: string }> = {
  none: { name: 'Nothing', words: 'nothing moves' },
  posing: { name: 'Posing', words: 'people who pose' },
  talking: { name: 'Talking', words: 'people who talk' },
  walking: { name: 'Walking', words: 'people who walk' },
  dancing: { name: 'Dancing', words: 'people who dance' },
};

/** What the camera misses its wish by. */
export const MISSING = { 'too-bright': 'too bright', 'too-dark': 'too dark' } as const;

/** What asks for the slowest sharp shutter. */
export function shutterReason(because: ShutterReason): string {
  switch (because.kind) {
    case 'hand':
      return `in the hand at ${Math.round(because.focalMm)} mm${because.stabilised ? ', stabilised' : ''}`;
    case 'hand-of-camera':
      return 'in the hand, from the camera';
    case 'set-here':
      return 'set here';
    case 'motion':
      return MOTIONS[because.motion].words;
    case 'motion-on-tripod':
      return `on a tripod, ${MOTIONS[because.motion].words}`;
  }
}

/** The slowest sharp shutter in a line: `1/125: people who talk`. */
export const sharpShutter = ({ tv, because }: SharpShutter, context: WordsContext): string =>
  `${formatShutter(tv, incrementOf(context))}: ${shutterReason(because)}`;

function apertureReason(aperture: CameraReason['aperture']): string {
  switch (aperture.kind) {
    case 'pinned':
      return 'pinned';
    case 'kept':
      return 'kept';
    case 'holds-depth':
      return 'holds the depth';
    case 'instead':
      return `instead of ${aperture.wantedText}`;
  }
}

/** One line on why these settings: what was pinned or kept, what gave way, what is missing. */
export function cameraReason({
  reason,
  text,
  missing,
  missingStops,
}: Pick<CameraSolution, 'reason' | 'text' | 'missing' | 'missingStops'>): string {
  const behind = text.filters === null ? '' : ` behind ${text.filters}`;
  const aperture = `${text.aperture} ${apertureReason(reason.aperture)}${behind}`;
  const iso = { pinned: `${text.iso} pinned`, lowest: 'lowest ISO', raised: text.iso, highest: 'highest ISO' }[
    reason.iso
  ];
  const { shutter } = reason;
  const still = missing === null ? '' : `: still ${formatStopCount(missingStops)} stops ${MISSING[missing]}`;
  const mark = missing === null ? ';' : ',';
  switch (shutter.kind) {
    case 'frame-rate':
      return `${aperture}, ${iso}${mark} shutter ${text.shutter} from the frame rate${still}.`;
    case 'pinned':
      return `${aperture}, ${iso}${mark} ${text.shutter} pinned${still}.`;
    case 'kept':
      return `${aperture}, ${iso}${mark} ${text.shutter} kept${still}.`;
    case 'at-limit':
      return `${aperture}, ${iso}${mark} shutter at its limit ${shutter.limitText}${still}.`;
    case 'past-sync':
      return `${aperture}, ${iso}; ${text.shutter} is past sync ${shutter.syncText}, so the flash works in high-speed sync.`;
    case 'held-by-iso':
      return `${aperture}; ISO raised just enough to hold the shutter at ${shutter.slowestText} or faster.`;
    case 'between':
      return `${aperture}, ${iso}; ${text.shutter} lies between ${shutter.slowestText} and sync ${shutter.syncText}.`;
  }
}

/** What binds or separates face and background. */
export function tie({ tied, backgroundOverFaceStops: over }: NonNullable<Intent['tie']>): string {
  return tied
    ? 'Face and background stand in the same light: what darkens one darkens the other by as much. Shade on the face, or flash, parts them.'
    : `The background stands in ${formatStopCount(over)} stops ${over > 0 ? 'more' : 'less'} light than the ` +
        `face; the camera moves both alike. Flash on the face ${over > 0 ? 'closes' : 'widens'} the gap; ` +
        'shade, a turned face or a diffuser changes it.';
}

/** What filming asks for: shutter, filter, and lamps that may flicker (null when they do not). */
export function video(
  { ndNeededStops, flicker, shutterText }: VideoSolution,
  apertureText: string | null,
  { setup, kit }: WordsContext,
): { text: string; nd: string; flicker: string | null } {
  const { framesPerSecond = 0, angleDeg = 0 } = setup.camera.video ?? {};
  const mains = `Lamps on ${kit.preferences.mainsHz} Hz may flicker`;
  return {
    text:
      `${framesPerSecond} frames a second at ${Math.round(angleDeg)}° are ${shutterText}. Flash does not ` +
      'help in video: continuous lamps count as ambient.',
    nd:
      ndNeededStops > 0
        ? `${formatStopCount(ndNeededStops)} stops of ND keep ${apertureText ?? 'the aperture'}.`
        : 'No ND is needed.',
    flicker:
      flicker === null
        ? null
        : flicker.safeAngleDeg === null
          ? `${mains}: at this frame rate no shutter takes in a whole pulse. Take a slower rate, or flicker-free lamps.`
          : `${mains}: ${flicker.safeAngleDeg.toFixed(1)}° takes in whole pulses.`,
  };
}

/** What ambient and flash are on a second body. */
export function secondFollows({ ambientDifferenceStops, flashDifferenceStops, powerChangeStops }: SecondBody): string {
  const ambient =
    Math.abs(ambientDifferenceStops) < 0.1 ? 'Ambient is equal.' : `Ambient is ${sayStops(ambientDifferenceStops)}.`;
  const flash =
    Math.abs(powerChangeStops) < 1e-6
      ? 'The flash stays as it is.'
      : `Its flash is ${sayStops(flashDifferenceStops)}: power ${powerChangeStops > 0 ? 'up' : 'down'} ` +
        `${formatStopCount(powerChangeStops)} keeps it.`;
  return `${ambient} ${flash}`;
}

/** The same picture on a second body. */
export const secondBody = (second: SecondBody): string => {
  const { shutter, aperture, iso } = second.camera.text;
  return `${shutter}, ${aperture}, ${iso}. ${secondFollows(second)}`;
};
