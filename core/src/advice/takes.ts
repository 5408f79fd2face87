import type { Balance } from '../balance';
import type { Cure } from './cures';

/** What a cure takes: a dial, a walk to a light, the sitter's own doing, or a second pair of hands. */
export type Takes = 'dial' | 'walk' | 'sitter' | 'helper';

const BY_HANDS: Partial<Record<Cure['kind'], Takes>> = {
  'light-background': 'walk',
  'light-backdrop': 'walk',
  'key-off-background': 'walk',
  'key-to-side': 'walk',
  'lower-key': 'walk',
  'flash-off-dress': 'walk',
  'bring-nearer': 'sitter',
  'turn-face': 'sitter',
  'chin-up': 'sitter',
  'black-on-shadow': 'helper',
  'white-from-below': 'helper',
};

/** What a cure takes; whatever one tap changes is a dial. */
export const takesOf = ({ kind, settings }: Cure): Takes => (settings.length > 0 ? 'dial' : (BY_HANDS[kind] ?? 'walk'));

/** Over this a screen is read in glare, under it in the dark: both mislead the eye about exposure, EV at ISO 100. */
const SCREEN_MISLEADS = { glareEv100: 13, nightEv100: 4 } as const;

/** Whether the light where one stands makes the camera's screen look darker or brighter than the picture is; null: it does not. */
export function screenMisleads(points: Balance['points']): 'glare' | 'night' | null {
  const ev100 = points.find(({ role }) => role === 'face')?.ambientEv100 ?? null;
  if (ev100 === null) return null;
  if (ev100 > SCREEN_MISLEADS.glareEv100) return 'glare';
  return ev100 < SCREEN_MISLEADS.nightEv100 ? 'night' : null;
}
