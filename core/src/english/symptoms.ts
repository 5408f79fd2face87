import type { CureKind, Finding, Symptom, TriedLook } from '../advice';
import { formatStops } from '../notation';
import type { WordsContext } from '../words';
import { stopsOf } from './count';
import { lightNamed, lightNamedInText } from './gear';
import { mixedColour } from './metering';

/** What people see in a picture that is not right yet, by the name that it is asked by. */
export const SYMPTOM_NAMES: Record<Symptom, string> = {
  'background-dark': 'Background too dark',
  'background-bright': 'Background too bright',
  'face-flat': 'Face flat',
  'dress-clipped': 'Dress clipped',
  'eyes-dark': 'Eyes dark',
  'grey-backdrop': 'Backdrop grey, not white',
  'outline-merges': 'Outline merges with what is behind',
  'hot-spot': 'Hot spot on the skin',
  'two-shadows': 'Two shadows',
  'mixed-colour': 'Two colours on the face',
  flare: 'Flare, washed out',
};

const count = (stops: number) => stopsOf(stops);
const backgroundAt = (stops: number | null): string =>
  stops === null ? 'The background is not metered yet.' : `The background stands at ${formatStops(stops)}.`;

type Found<K extends Finding['kind']> = Extract<Finding, { kind: K }>;

const secondShadow = (found: Found<'two-shadows'>, context: WordsContext): string =>
  found.lightId === null || found.underStops === null
    ? 'By the stage no two flashes draw one: look for the sun, a window, or a lamp beside the key.'
    : `${lightNamed(found.lightId, context)} lies ${count(Math.max(0, found.underStops))} under the key and draws its ` +
      'own shadow. From 2 under the key none is seen.';

const whatFlares = (found: Found<'flare'>, context: WordsContext): string =>
  found.lightIds.length === 0 && !found.sun
    ? 'By the stage nothing points at the lens: look for a lamp or a bright edge just outside the frame, and at the glass.'
    : `${[...found.lightIds.map((id) => lightNamed(id, context)), ...(found.sun ? ['The sun'] : [])].join(' and ')} ` +
      'reaches the lens.';

/** Where the thing stands by what was metered. */
export function finding(found: Finding, context: WordsContext): string {
  switch (found.kind) {
    case 'background':
      return backgroundAt(found.atStops);
    case 'contrast':
      return found.contrastStops === null
        ? 'Meter the shadow side to know its contrast.'
        : `The shadow side lies ${count(found.contrastStops)} under the face; the look allows ${count(found.wantedStops)}.`;
    case 'cloth':
      return found.atStops === null
        ? 'Meter the white cloth at its brightest fold to know by how much.'
        : `The white cloth stands at ${formatStops(found.atStops)}, clipping lies at ` +
            `${formatStops(found.clipsStops ?? 0)}${found.holds ? ': it holds' : ''}.`;
    case 'sockets':
      return 'Sockets go dark when the key stands high, sooner with deep-set eyes or a hat brim.';
    case 'backdrop':
      return found.atStops === null
        ? backgroundAt(null)
        : `${backgroundAt(found.atStops)} White wants ${formatStops(found.whiteStops)}.`;
    case 'outline':
      return found.apartStops === null
        ? 'Meter dark cloth and background to know how far they lie apart.'
        : `Dark cloth and background lie ${count(Math.abs(found.apartStops))} apart; ` +
            `${count(found.wantedStops)} part them plainly.`;
    case 'hot-spot':
      return 'Wet or oily skin mirrors a small bright source: forehead, nose, bald heads.';
    case 'two-shadows':
      return secondShadow(found, context);
    case 'colours':
      return found.mixed === null
        ? 'As far as it is known one colour leads on the face: say what colour the ambient has.'
        : mixedColour(found.mixed, context);
    case 'flare':
      return whatFlares(found, context);
  }
}

function tried({ dials: { shutter, aperture, iso }, fromStops, toStops, face }: TriedLook): string {
  const then =
    face === null
      ? 'The face moves along: no flash holds it.'
      : `The face stays at ${formatStops(face.stops)}: set the flash to ${face.powerText}.`;
  return `${shutter}, ${aperture}, ${iso}; background from ${formatStops(fromStops)} to ${formatStops(toStops)}. ${then}`;
}

/** Ways that are the same whatever the figures are. */
const PLAIN_CURES = {
  'key-off-background': {
    title: 'Keep the key off the background',
    how:
      'Feather the key forward, grid it, or move people and key away from the background: at twice the ' +
      'distance it gets 2 stops less of the key.',
  },
  'key-to-side': {
    title: 'Walk the key to the side',
    how:
      'To 45° from the nose line, at the same distance: shape comes back, and power and background stay. ' +
      'Under 20° every face is flat.',
  },
  'turn-face': {
    title: 'Turn the face towards the key',
    how: 'So that its far side faces the camera. Power stays; meter the shadow side again.',
  },
  'lower-key': {
    title: 'Lower the key',
    how: 'Until its centre is a hand’s breadth over the eyes, at the same distance: power and background stay.',
  },
  'chin-up': { title: 'Chin up towards the key', how: 'A little is enough. Meter the face again.' },
  'white-from-below': {
    title: 'White reflector from below',
    how: 'At the waist, white side up: 1½ to 2 stops under the key opens the sockets. Silver from below looks theatrical.',
  },
  'bring-nearer': {
    title: 'Bring people and key nearer to it',
    how: 'At half the distance from key to backdrop it gets 2 stops more of the key. Mind the shadow on it.',
  },
  'rim-behind': {
    title: 'A rim light from behind',
    how: 'Opposite the key, just out of the frame: a line of light on hair and shoulder. Dark hair takes a stop more.',
  },
  'other-ground': {
    title: 'Bring people before something brighter',
    how: 'A step to the side is often enough: dark before light, light before dark. Meter the background again.',
  },
  'feather-key': {
    title: 'Feather the key',
    how: 'Turn it so that its edge, not its middle, lights the face, and add what the meter then misses.',
  },
  'larger-source': {
    title: 'A larger source, or the same one nearer',
    how: 'The mirrored spot grows and gets weaker, the light on the skin stays. Inner cloth in the box helps as well.',
  },
  'turn-from-shine': {
    title: 'Chin down a little, or turn a few degrees',
    how: 'A mirror moves twice as far as the head turns. Meter the face again.',
  },
  powder: { title: 'Powder or a tissue', how: 'On forehead and nose, then the same frame again.' },
  'fill-to-axis': {
    title: 'Walk the second light to the lens',
    how: 'Close over or under the lens its shadow falls behind the head, where the camera does not see it.',
  },
  'away-from-wall': {
    title: 'Bring people away from the wall',
    how: 'At 2 m and more their shadows fall out of the frame. Meter the background again.',
  },
  'lamps-off': {
    title: 'Switch the other colour off',
    how: 'Or step out of it: a lamp, a green ceiling, sun through leaves. Meter again.',
  },
  'flag-lens': {
    title: 'Shade the lens',
    how: 'A hood, a flag or a hand just out of the frame: its shadow must cover the front glass. Clean the glass.',
  },
  'grid-on-back': {
    title: 'A grid or a flag on the light behind',
    how: 'On its camera side: the lens no longer sees its face, the hair still does. A grid costs power: meter it again.',
  },
  'step-aside': {
    title: 'Turn or step until it is behind something',
    how: 'A few degrees are enough, or the head before it. Never look at the sun through an optical finder.',
  },
} satisfies Partial<Record<CureKind['kind'], { title: string; how: string }>>;

/** One control that moves the thing, and how. */

export function cure(one: CureKind, context: WordsContext): { title: string; how: string } {
  switch (one.kind) {
    case 'ambient-in':
      return {
        title: `Let the ambient in by ${count(one.byStops)}, the flash holds the face`,
        how: tried(one.tried),
      };
    case 'ambient-down':
      return {
        title: `Let the ambient down by ${count(one.byStops)}, the flash holds the face`,
        how: tried(one.tried),
      };
    case 'expose-for-cloth':
      return { title: 'Expose for the cloth, the flash lifts the face', how: tried(one.tried) };
    case 'ambient-makes-white':
      return { title: 'Let the ambient make it white', how: tried(one.tried) };
    case 'light-background':
      return {
        title: 'Light the background alone',
        how: `A light on it that adds ${count(one.byStops)} there moves nothing else. Keep it off the face.`,
      };
    case 'black-on-shadow':
      return {
        title: 'Black on the shadow side',
        how: 'The black reflector an arm away takes up to a stop off that side alone. Meter it again.',
      };
    case 'flash-off-dress':
      return {
        title: 'Keep the flash off the dress',
        how:
          'Raise the key and feather it up, or flag its lower ' +
          `edge${one.byStops === null ? '' : `: the cloth needs ${count(one.byStops)} less`}. The face stays. ` +
          'The cloth nearest to the light burns first.',
      };
    case 'face-lower':
      return {
        title: `Place the face ${count(one.byStops)} lower`,
        how: `Face, cloth and all of the ambient go down together; set the flash to ${one.powerText}, lift the face later.`,
      };
    case 'light-backdrop':
      return {
        title: 'Light the backdrop alone',
        how: `${count(one.byStops)} more on it make it white; no more than ⅓ over that, or its light wraps the hair. Nothing else moves.`,
      };
    case 'gel-light':
      return {
        title: `${one.gelNames.join(' and ')} on ${lightNamedInText(one.lightId, context)}`,
        how:
          'The flash takes the colour of the ambient, and one white balance fits both.' +
          (Math.abs(one.missMired) < 15 ? '' : ` ${Math.round(Math.abs(one.missMired))} mired stay between them.`),
      };
    case 'fill-down':
      return {
        title: `${lightNamed(one.lightId, context)} down by ${count(one.byStops)}`,
        how: 'Its shadow goes first, its fill stays as long as the dark side needs it.',
      };
    default:
      return PLAIN_CURES[one.kind];
  }
}
