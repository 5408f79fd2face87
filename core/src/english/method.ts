import { formatStops } from '../notation';
import type { MethodKey, ReadingMethod } from '../setup';
import { TONE_NAMES } from './gear';

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
      return "camera's own meter";
    case 'eye':
      return 'by eye';
    case 'frame':
      return `test frame on ${tone}, there ${formatStops(method.placementStops)}`;
  }
}
