import type { ContrastPair, MixedColour, PointSolution, Warning } from '../balance';
import type {
  DomeChoice,
  FlashFault,
  MeterAgain,
  ReadingCause,
  ReadingQuestion,
  ReadingStep,
  Staleness,
  TellingReading,
} from '../metering';
import { formatAperture, formatShare, formatStopCount, formatStops } from '../notation';
import {
  type MeteringMethod,
  type MeteringPoint,
  methodKey,
  type MethodKey,
  type PointRole,
  type ReadingMethod,
  type SceneChangeKind,
  usualMethodAt,
} from '../setup';
import { incrementOf, pointOf, type QuestionWords, type WordsContext } from '../words';
import { MOTIONS } from './camera';
import { duration, sayStops, sentence, stopsOf } from './count';
import { TONE_NAMES, castSourceName, lightInText, lightNamed, pointInText, pointNamed } from './gear';

/** Each kind of point under our own name, with what to do at it. */
export const POINT_ROLES: Record<PointRole, { name: string; advice: string }> = {
  face: { name: 'Face', advice: 'Flash off, dome to the camera.' },
  shadow: { name: 'Shadow side', advice: 'Dome at the dark cheek, shaded from the lit side.' },
  background: { name: 'Background', advice: 'Flash off, dome in the light that falls there.' },
  sky: { name: 'Sky', advice: 'Spot on the part that should keep its colour, as it reads.' },
  highlight: { name: 'Hair light', advice: 'Dome where the rim of light falls, towards the light.' },
  white: { name: 'White cloth', advice: 'Spot on the white cloth, at its brightest fold.' },
  dark: { name: 'Dark cloth', advice: 'Spot on the suit, where it should keep its weave.' },
  grey: { name: 'Grey card', advice: 'Spot on the card, held where the face is.' },
  own: { name: 'Own point', advice: 'Dome in the light that falls there.' },
};

/** What a photographer reports, and what happened as the reason why a reading no longer holds. */
export const SCENE_CHANGES: Record<SceneChangeKind, { label: string; because: string }> = {
  'subject-moved': { label: 'Subject moved', because: 'the subject moved' },
  'head-turned': { label: 'Head turned', because: 'the head was turned' },
  reflector: { label: 'Reflector', because: 'a reflector was changed' },
  opening: { label: 'Door or lamp', because: 'a door, curtain or lamp was changed' },
  sun: { label: 'Sun or cloud', because: 'the sun or the cloud changed' },
  'opening-moved': {
    label: 'Window or door nearer or farther',
    because: 'it stands nearer or farther from a window or door',
  },
  'background-moved': { label: 'Background moved', because: 'the background was moved' },
  'camera-moved': { label: 'Camera moved', because: 'the camera was moved' },
  'light-moved': { label: 'Light moved', because: 'a light was moved' },
  'gel-changed': { label: 'Gel changed', because: 'a gel was changed' },
  lamp: { label: 'Lamp', because: 'a lamp was moved, dimmed or switched' },
  'set-turned': { label: 'Set turned', because: 'the set was turned' },
};

/** Why a reading may not hold any more. */
export function staleness(stale: Staleness): string {
  switch (stale.kind) {
    case 'scene':
      return SCENE_CHANGES[stale.change].because;
    case 'age':
      return `it is ${duration(stale.minutes)} old`;
  }
}

export function meterAgain({ pointId, because, settles, withinStops }: MeterAgain, context: WordsContext): string {
  const others = settles.map((id) => pointNamed(id, context)).join(' and ');
  const settled =
    others === '' ? '' : ` It settles ${others.toLowerCase()} too, within ${stopsOf(withinStops)} in the same light.`;
  return `Meter ${pointInText(pointId, context)} again: ${staleness(because)}.${settled}`;
}

/** Dome to the camera against dome to the light. */
export function dome({ differenceStops, by }: DomeChoice): string {
  const apart = formatStopCount(differenceStops);
  if (Number(apart) === 0) return 'Both ways read the same: the light comes from the camera.';
  return by === 'camera'
    ? `Set to the camera: brighter and more open by ${apart} stops than to the light.`
    : `Set to the light: deeper and moodier by ${apart} stops than to the camera.`;
}

/** A reading that does not fit, and the likely cause; where several are likely, each with how likely it is. */
export function question(asked: ReadingQuestion, context: WordsContext): QuestionWords {
  const name = pointNamed(asked.pointId, context);
  const plain = (text: string, cause: string): QuestionWords => ({ text, cause, causes: [], tells: null });
  switch (asked.kind) {
    case 'shadow-above-face':
      return plain(
        `The shadow side reads ${stopsOf(asked.aboveStops)} above the face.`,
        'Sides swapped, or the dome caught the light: shade it with the hand and meter again.',
      );
    case 'sun-in-shade':
      return plain(
        `${name} is said to be in shade and reads like direct sun, EV ${asked.ev100.toFixed(1)}.`,
        'The shade has walked on, the dome stood in the sun, or the ISO on the meter was another.',
      );
    case 'flash-mode':
      return plain(
        `${name} was metered as ambient with the meter in flash mode.`,
        'Without a pop it waits or shows the ambient at its own shutter only; with one it shows the total. ' +
          'Set it to ambient and meter again.',
      );
    case 'from-future':
      return plain(
        `${name} was metered ${duration(asked.aheadMinutes)} from now, by its own account.`,
        'The clock of the device that it was noted on went wrong: how old the reading is, nobody knows.',
      );
    case 'surprise': {
      const what = asked.light === 'ambient' ? name : `The flash at the ${name.toLowerCase()}`;
      const [first] = asked.causes;
      return {
        text:
          `${what} read ${stopsOf(asked.offStops)} ${asked.offStops > 0 ? 'over' : 'under'} what was ` +
          `foretold (± ${formatStopCount(asked.expectedSdStops)}).`,
        cause: first === undefined ? 'The rest contradicts it: meter it again.' : causeText(first, context),
        causes: asked.causes.map((cause) => ({
          text: causeText(cause, context),
          chance: `${Math.round(100 * cause.chance)} %`,
        })),
        tells: asked.tells === null ? null : tellsText(asked.tells, context),
      };
    }
  }
}

/** What may lie behind a reading that surprises. */
function causeText(cause: ReadingCause, context: WordsContext): string {
  const by = formatStopCount(cause.stops);
  switch (cause.kind) {
    case 'ambient':
      return `${cause.everywhere ? 'The daylight changed' : 'The light here changed'}: ${sayStops(cause.stops)}.`;
    case 'power':
      return (
        `${lightNamed(cause.lightId, context)} gave ${by} stops ${cause.stops > 0 ? 'more' : 'less'} than ` +
        (cause.unfired
          ? 'foretold: look at its distance and modifier first, then dial, recycling and channel.'
          : 'its dial says: dial, recycling, place.')
      );
    case 'meter':
      return `Tone, ISO or filter was not as said: ${by} stops.`;
    case 'tenth':
      return `Its tenths were not typed: ${by} more.`;
    case 'point':
      return `It was read at the ${pointInText(cause.pointId ?? '', context)}.`;
    case 'silent':
      return 'Nothing fired.';
    case 'earlier':
      return `An earlier reading of the ${pointInText(cause.pointId ?? '', context)} was wrong by ${by} stops.`;
    case 'right':
      return 'It is right as it is.';
  }
}

const tellsText = ({ pointId, light }: TellingReading, context: WordsContext): string =>
  `Meter the ${pointInText(pointId, context)} ${light === 'ambient' ? 'with the flash off' : 'with the flash again'}: ` +
  'that tells which.';

/** Why a flash reading says nothing about its light. */
export const FLASH_FAULTS: Record<FlashFault['kind'], string> = {
  'no-flash-measured':
    'No flash was measured: the total is not above the ambient. Check that the flash fired, its channel ' +
    'and its direction, or raise its power and read again.',
  'no-flash-fired': 'This reading was taken without flash.',
  'ambient-missing': 'This total cannot be separated yet: meter the ambient at the same point, flash off.',
};

/** What a level rests on, where it was not read there. */
const DOUBTS: Partial<Record<NonNullable<PointSolution['basis']>, string>> = {
  carried: ', carried over',
  assumed: ', assumed',
};

/** A point in one sentence, for a voice and for text views. */
export function point(
  { pointId, placedStops, placedAmbientStops, flashStops, zone, stale, basis }: PointSolution,
  context: WordsContext,
): string {
  const name = pointNamed(pointId, context);
  if (placedStops === null || placedAmbientStops === null) return `${name}: not metered yet.`;
  const toneStops = pointOf(context, pointId)?.toneStops ?? 0;
  const ambient = `ambient ${formatStops(placedAmbientStops)}`;
  // where no light is added nothing is said of any
  const lit = context.setup.lights.length > 0;
  const flash = flashStops === null ? 'no flash known' : `flash ${formatStops(flashStops + toneStops)}`;
  const place = zone === 'clipped' ? ', clipped' : zone === 'lost' ? ', lost in noise' : '';
  const doubt = DOUBTS[basis ?? 'measured'] ?? (stale === null ? '' : ', old reading');
  const side = Math.abs(placedStops) < 0.05 ? '' : placedStops > 0 ? ', brighter' : ', darker';
  return `${name}: ${formatStops(placedStops)} stops from mid grey${side}${place}${doubt} (${lit ? `${ambient}, ${flash}` : ambient}).`;
}

/** What a meter would show at a point by the ambient alone, as the camera is set. */
export const atCamera = ({ apertureText, shutterText, isoText }: NonNullable<PointSolution['atCamera']>): string =>
  `${apertureText} at ${shutterText}, ${isoText}`;

/** Something that the picture will suffer from. */
// eslint-disable-next-line complexity -- an exhaustive list of what can be said
export function warning(one: Warning, context: WordsContext): string {
  switch (one.kind) {
    case 'one-source':
      return `${pointNamed(one.pointId, context)} was metered with the disc: one source only. Meter it with the dome for all its light.`;
    case 'fooled':
      return one.offStops === null
        ? `${pointNamed(one.pointId, context)} was read by the camera's own meter: a bright or dark background ` +
            'moves it by up to 2 stops. Meter the background too, or take the dome.'
        : `The background fools the camera's meter: ${pointInText(one.pointId, context)} lies about ` +
            `${stopsOf(one.offStops)} ${one.offStops < 0 ? 'darker' : 'brighter'} than it says. ` +
            'Take the dome or spot the face.';
    case 'not-in-kit':
      return `The ${one.what} of this setup is not in the kit any more. Choose another.`;
    case 'clipped':
      return `${pointNamed(one.pointId, context)} clips: it is brighter than this camera holds.`;
    case 'lost':
      return `${pointNamed(one.pointId, context)} is lost in noise: it is darker than this camera holds.`;
    case 'no-flash-can-help': {
      const where =
        one.overStops < 0.05
          ? 'already reaches its wanted place'
          : `lies ${stopsOf(one.overStops)} over its wanted place`;
      return (
        `No flash can help here: the ambient on the face ${where}. Close the camera down, or take light off ` +
        'the face: shade, a turned head, a diffuser.'
      );
    }
    case 'depth-missing':
      return (
        `The people stand too far apart in depth: ${formatAperture(one.neededAv, incrementOf(context))} would ` +
        `hold them sharp, the lens ends at ${formatAperture(one.smallestAv, incrementOf(context))}. Step ` +
        'back, or bring them closer together.'
      );
    case 'slowest-over-sync':
      return 'The slowest sharp shutter is faster than sync: sync was used. Expect some blur, or let less ambient in.';
    case 'dark-band':
      return (
        `At ${one.shutterText} the curtain keeps ${formatShare(one.share)} of the frame from the flash: a ` +
        `dark band. Stay at sync${one.lateRadio ? ', which the late radio slows' : ''}, or use high-speed ` +
        'sync.'
      );
    case 'tail-cut':
      return (
        `${one.shutterText ?? 'The shutter'} cuts the end of ${one.unitName}'s flash off: ` +
        `${stopsOf(one.lossStops)} are lost at ${one.powerText ?? 'this power'}. A slower ` +
        'shutter, or a unit that burns faster, keeps them.'
      );
    case 'same-radio':
      return sameRadio(one, context);
    case 'one-trigger':
      return 'Two bodies: flash fires only for the one with the trigger on it. Put a trigger on each, on the same channel.';
    case 'smear':
      return (
        `At ${one.shutterText} ${MOTIONS[one.motion].words} smear: sharp from ${one.limitText}. ` +
        `The ambient on the face smears, ${formatShare(one.share)} of its light; what the flash lights stays sharp.`
      );
    case 'high-speed-sync-missing':
      return `${one.unitName} has no high-speed sync: past sync part of the frame stays dark. Choose another flash or stay at sync.`;
    case 'span':
      return (
        `${pointNamed(one.lightestId, context)} lies ${stopsOf(one.spanStops)} over ` +
        `${pointInText(one.darkestId, context)}; this camera holds ${formatStopCount(one.holdsStops)}. One of ` +
        'them will be lost.'
      );
    case 'headroom':
      return (
        `${pointNamed(one.pointId, context)} has ${stopsOf(one.headroomStops)} of headroom. ` +
        `Darken by ${formatStopCount(one.darkenStops)} or more to be safe.`
      );
    case 'face-contrast':
      return (
        `The shadow side lies ${stopsOf(one.contrastStops)} under the face; the look calls for ` +
        `${formatStopCount(one.wantedStops)} at most. Open it with a reflector or fill.`
      );
  }
}

/** Two plainly different colours on the face. */
export const mixedColour = ({ warmer, cooler, apartMired, leastShare }: MixedColour, context: WordsContext): string =>
  `Mixed colour on the face: ${castSourceName(warmer, context).toLowerCase()} is ` +
  `${Math.round(apartMired)} mired warmer than ${castSourceName(cooler, context).toLowerCase()}, and ` +
  `both give over ${Math.round(leastShare * 100)} % of its light. Gel the flash to match, or let one of ` +
  'them lead.';

/** Why a point is to be metered again, as a sentence of its own. */
export const stalenessSentence = (stale: Staleness): string => `${sentence(staleness(stale))}.`;

/** How a reading is taken, as a choice: its short name and what to do. */
export const METHOD_WORDS: Record<MethodKey, { name: string; advice: string }> = {
  camera: { name: 'Dome to camera', advice: 'At the subject, dome to the lens: the average of what the camera sees.' },
  light: {
    name: 'Dome to light',
    advice: 'At the subject, dome to the brightest source: the lit side, deeper picture.',
  },
  disc: { name: 'Disc to one source', advice: 'Flat disc square to one source: that source alone, for ratios.' },
  spot: { name: 'Spot on a tone', advice: 'From the camera, on a tone that you name.' },
  reflected: {
    name: 'Camera meter',
    advice: "The camera's own meter over the frame: a bright or dark background moves it.",
  },
  eye: { name: 'By eye', advice: 'Settings that looked right on the camera: good to a third of a stop.' },
};

/** A method as it is said: `dome to the camera`, `spot on white cloth (+2.3)`. */
export function sayMethod(method: ReadingMethod): string {
  const tone = 'tone' in method ? `${TONE_NAMES[method.tone].toLowerCase()} (${formatStops(method.toneStops)})` : '';
  switch (method.kind) {
    case 'incident':
      return `dome to the ${method.aim}`;
    case 'disc':
      return 'disc to one source';
    case 'spot':
      return `spot on ${tone}`;
    case 'reflected':
      return method.compensationStops === 0
        ? "camera's own meter"
        : `camera's own meter at ${formatStops(method.compensationStops)}`;
    case 'eye':
      return method.of === 'frame' ? 'by eye, the whole frame' : 'by eye';
    case 'frame':
      return `test frame on ${tone}, there ${formatStops(method.placementStops)}`;
  }
}

/** How a point is metered as its selector stands: its own advice where that is how it is usually done. */
export const howToMeter = (method: MeteringMethod, role: PointRole): string =>
  methodKey(method) === methodKey(usualMethodAt(role)) ? POINT_ROLES[role].advice : `Flash off, ${sayMethod(method)}.`;

/** Two points, and what the exposure for each does to the other. */
export function contrastPair(
  { brighterId, darkerId, apartStops, brighter, darker }: ContrastPair,
  context: WordsContext,
): { title: string; lines: [string, string] } {
  const over = pointInText(brighterId, context);
  const under = pointInText(darkerId, context);
  const up = `at ${formatStops(brighter.atStops)}${brighter.burns ? ', burnt out' : ''}`;
  const down = `at ${formatStops(darker.atStops)}${darker.sinks ? ', lost in noise' : ''}`;
  return {
    title: `${pointNamed(brighterId, context)} ${stopsOf(apartStops)} over the ${under}`,
    lines: [
      `Exposed for the ${under}, the ${over} comes out ${up}.`,
      `Exposed for the ${over}, the ${under} comes out ${down}.`,
    ],
  };
}

/** A point by its name, with what was said of how it is metered. */
export function pointSaid({ name, method, patchy, leftOut }: MeteringPoint): string {
  const said = [method === null ? null : sayMethod(method), patchy ? 'patchy' : null, leftOut ? 'left out' : null];
  const known = said.filter((one) => one !== null);
  return known.length === 0 ? name : `${name} (${known.join(', ')})`;
}

/** A reading against the one before it: `+1.0 since the reflector`. */
export function readingStep({ stops, since }: ReadingStep): string {
  const size = formatStops(stops);
  const [what] = since;
  if (what !== undefined) return `${size} since ${SINCE[what]}`;
  return /^[+−]?0\.0$/.test(size) ? 'As before' : `${size} since the reading before`;
}

/** What happened, as something that a reading came after. */
const SINCE: Record<SceneChangeKind, string> = {
  'subject-moved': 'the subject moved',
  'head-turned': 'the head turned',
  reflector: 'the reflector',
  opening: 'the door or lamp',
  sun: 'the sun or cloud',
  'opening-moved': 'the people moved',
  'background-moved': 'the background moved',
  'camera-moved': 'the camera moved',
  'light-moved': 'the light moved',
  'gel-changed': 'the gel',
  lamp: 'the lamp',
  'set-turned': 'the set was turned',
};

function sameRadio(
  { lightId, otherId, channel }: Extract<Warning, { kind: 'same-radio' }>,
  context: WordsContext,
): string {
  const other = context.setup.lights.find(({ id }) => id === otherId);
  const name = other === undefined ? 'another light' : lightInText(other);
  return (
    `${lightNamed(lightId, context)} and ${name} share radio group and channel ${channel}: ` +
    'they take the same power. Give one of them another group.'
  );
}
