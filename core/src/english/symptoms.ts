import type { CureKind, Finding, Symptom, TriedLook } from '../advice';
import { formatStops } from '../notation';
import { stopsOf } from './count';

/** What people see in a picture that is not right yet, by the name that it is asked by. */
export const SYMPTOM_NAMES: Record<Symptom, string> = {
  'background-dark': 'Background too dark',
  'background-bright': 'Background too bright',
  'face-flat': 'Face flat',
  'dress-clipped': 'Dress clipped',
  'eyes-dark': 'Eyes dark',
  'grey-backdrop': 'Backdrop grey, not white',
};

const count = (stops: number) => stopsOf(stops);
const backgroundAt = (stops: number | null): string =>
  stops === null ? 'The background is not metered yet.' : `The background stands at ${formatStops(stops)}.`;

/** Where the thing stands by what was metered. */
export function finding(found: Finding): string {
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
  }
}

function tried({ dials: { shutter, aperture, iso }, fromStops, toStops, face }: TriedLook): string {
  const then =
    face === null
      ? 'The face moves along: no flash holds it.'
      : `The face stays at ${formatStops(face.stops)}: set the flash to ${face.powerText}.`;
  return `${shutter}, ${aperture}, ${iso}; background from ${formatStops(fromStops)} to ${formatStops(toStops)}. ${then}`;
}

/** One control that moves the thing, and how. */
// eslint-disable-next-line max-lines-per-function -- an exhaustive list of what can be said
export function cure(one: CureKind): { title: string; how: string } {
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
    case 'key-off-background':
      return {
        title: 'Keep the key off the background',
        how:
          'Feather the key forward, grid it, or move people and key away from the background: at twice the ' +
          'distance it gets 2 stops less of the key.',
      };
    case 'key-to-side':
      return {
        title: 'Walk the key to the side',
        how:
          'To 45° from the nose line, at the same distance: shape comes back, and power and background stay. ' +
          'Under 20° every face is flat.',
      };
    case 'turn-face':
      return {
        title: 'Turn the face towards the key',
        how: 'So that its far side faces the camera. Power stays; meter the shadow side again.',
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
    case 'lower-key':
      return {
        title: 'Lower the key',
        how: 'Until its centre is a hand’s breadth over the eyes, at the same distance: power and background stay.',
      };
    case 'chin-up':
      return { title: 'Chin up towards the key', how: 'A little is enough. Meter the face again.' };
    case 'white-from-below':
      return {
        title: 'White reflector from below',
        how: 'At the waist, white side up: 1½ to 2 stops under the key opens the sockets. Silver from below looks theatrical.',
      };
    case 'light-backdrop':
      return {
        title: 'Light the backdrop alone',
        how: `${count(one.byStops)} more on it make it white; no more than ⅓ over that, or its light wraps the hair. Nothing else moves.`,
      };
    case 'bring-nearer':
      return {
        title: 'Bring people and key nearer to it',
        how: 'At half the distance from key to backdrop it gets 2 stops more of the key. Mind the shadow on it.',
      };
  }
}
