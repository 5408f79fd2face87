import type { SecondBody, VideoSolution } from '../balance';
import type {
  CameraReason,
  CameraSolution,
  FrameFight,
  Intent,
  PassedLimit,
  SharpShutter,
  ShutterReason,
  ToSet,
} from '../exposure';
import { formatShutter, formatStopCount, formatStops } from '../notation';
import type { Motion } from '../setup';
import { incrementOf, type WordsContext } from '../words';
import { sayStops, stopsOf } from './count';

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
  if (reason === null) return 'As the camera stands.';
  const behind = text.filters === null ? '' : ` behind ${text.filters}`;
  const aperture = `${text.aperture} ${apertureReason(reason.aperture)}${behind}`;
  const iso = { pinned: `${text.iso} pinned`, lowest: 'lowest ISO', raised: text.iso, highest: 'highest ISO' }[
    reason.iso
  ];
  const { shutter } = reason;
  const still = missing === null ? '' : `: still ${stopsOf(missingStops)} ${MISSING[missing]}`;
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
    case 'free':
      return `${aperture}, ${iso}; ${text.shutter} is sharp down to ${shutter.slowestText}. No flash fires, so sync does not bind.`;
    case 'between':
      return `${aperture}, ${iso}; ${text.shutter} lies between ${shutter.slowestText} and sync ${shutter.syncText}.`;
  }
}

/** What binds or separates face and background. */
export function tie({ tied, backgroundOverFaceStops: over }: NonNullable<Intent['tie']>): string {
  return tied
    ? 'Face and background stand in the same light: what darkens one darkens the other by as much. Shade on the face, or flash, parts them.'
    : `The background stands in ${stopsOf(over)} ${over > 0 ? 'more' : 'less'} light than the ` +
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
        ? `${stopsOf(ndNeededStops)} of ND keep ${apertureText ?? 'the aperture'}.`
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

/** Why the camera is to be set anew. */
export function toSet(because: ToSet['because']): string {
  switch (because.kind) {
    case 'never-told':
      return 'From then on all figures are for the camera as it stands.';
    case 'wish':
      return 'You wished for another picture than the one that it is set for.';
    case 'light':
      return `The light is another: as it stands the picture is ${sayStops(because.brighterStops)}.`;
    case 'limit':
      return `As it stands it is past ${LIMITS[because.limit]}.`;
  }
}

const LIMITS: Record<PassedLimit, string> = {
  sync: 'the sync of shutter and flash',
  'sharp-shutter': 'the slowest shutter that is sharp',
  'highest-iso': 'the highest ISO',
  lens: 'what body and lens can do',
};

/** What a camera did by itself, and what to set instead. */
export function frameFight(fight: FrameFight): string {
  switch (fight.kind) {
    case 'automatic-exposure':
      return 'The camera chose the exposure itself: set it to manual.';
    case 'compensation':
      return `Exposure compensation of ${formatStops(fight.stops)} was dialled: set it to 0.`;
    case 'automatic-iso':
      return `The ISO was ${fight.isoText.replace('ISO ', '')} while shutter and aperture are as set: turn automatic ISO off.`;
    case 'automatic-white-balance':
      return 'White balance was automatic: it will differ from frame to frame. Set it by hand.';
    case 'flash-fired':
      return 'A flash fired, and this setup has none: turn the flash on the camera off.';
  }
}
