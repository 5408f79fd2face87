import type { Drift, Following, FollowingDial, FollowingStep } from '../forecast';
import type { WordsContext } from '../words';
import { stopsOf, sayStops } from './count';
import { lightInText } from './gear';

const ENDERS: Record<FollowingDial, string> = {
  shutter: 'the shutter is at its limit',
  iso: 'the ISO is at its limit',
  power: 'the flash is at the end of its scale',
  dimmer: 'the lamps are dimmed as far as they go',
};
/** Ends of dials as one sentence: `the shutter is at its limit and the flash is at the end of its scale`. */
const all = (parts: readonly string[]): string =>
  parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1) ?? ''}`;

const percent = (share: number): string => `${Math.round(Math.abs(share) * 100)} %`;

/** What is to be set at a moment: `Shutter 1/100`, `ISO 800; key 1/32`. */
export function followingStep({ shutterText, isoText, powers, dimmerStops }: FollowingStep, context: WordsContext) {
  const parts = [
    ...(shutterText === null ? [] : [`shutter ${shutterText}`]),
    ...(isoText === null ? [] : [isoText]),
    ...powers.map(({ lightId, powerText }) => {
      const light = context.setup.lights.find(({ id }) => id === lightId);
      return `${light === undefined ? 'flash' : lightInText(light)} ${powerText}`;
    }),
    ...(dimmerStops === null ? [] : [`lamps ${sayStops(dimmerStops)} than now`]),
  ];
  return parts.join(', ').replace(/^./, (letter) => letter.toUpperCase());
}

/** Why no setting holds the picture any more. */
export function followingEnd({ endedBy }: Pick<Following, 'endedBy'>): string {
  if (endedBy.length === 0) return 'then no setting holds face and background together';
  return `then ${all(endedBy.map((dial) => ENDERS[dial]))}`;
}

/** Which bound is left first, and how far it has gone: `The background is 0.4 stop darker then`. */
export function drift({ first, by }: Drift): string {
  if (first === 'share') return `Flash makes up ${percent(by)} ${by > 0 ? 'more' : 'less'} of the face then`;
  return `The ${first} is ${sayStops(by)} then`;
}

/** What brings the picture back without a hand on the flash. */
export function driftCure({ shutterStops }: Drift): string {
  if (shutterStops === null || shutterStops === 0) return 'The shutter alone does not bring it back.';
  return `${stopsOf(shutterStops, 'third')} ${shutterStops > 0 ? 'slower' : 'faster'} brings it back; the flash stays.`;
}
