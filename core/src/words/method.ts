import { formatStops } from '../notation';
import { TONES } from '../photometry';
import type { MeteringMethod, ReadingMethod } from '../setup';

/** A way of metering as a choice: its short name and what to do. */
export const METHOD_CHOICES: readonly { key: string; method: MeteringMethod; name: string; advice: string }[] = [
  {
    key: 'camera',
    method: { kind: 'incident', aim: 'camera' },
    name: 'Dome to camera',
    advice: 'At the subject, dome to the lens: the average of what the camera sees.',
  },
  {
    key: 'light',
    method: { kind: 'incident', aim: 'light' },
    name: 'Dome to light',
    advice: 'At the subject, dome to the brightest source: the lit side, deeper picture.',
  },
  {
    key: 'disc',
    method: { kind: 'disc' },
    name: 'Disc to one source',
    advice: 'Flat disc square to one source: that source alone, for ratios.',
  },
  {
    key: 'spot',
    method: { kind: 'spot', tone: 'pale-skin', toneStops: 1 },
    name: 'Spot on a tone',
    advice: 'From the camera, on a tone that you name.',
  },
  {
    key: 'reflected',
    method: { kind: 'reflected' },
    name: 'Camera meter',
    advice: "The camera's own meter over the frame: a bright or dark background moves it.",
  },
  {
    key: 'eye',
    method: { kind: 'eye' },
    name: 'By eye',
    advice: 'Settings that looked right on the camera: good to a third of a stop.',
  },
];

/** Which choice a method is. */
export const methodKey = (method: MeteringMethod): string => (method.kind === 'incident' ? method.aim : method.kind);

/** A method in words: `dome to the camera`, `spot on white cloth (+2.3)`. */
export function sayMethod(method: ReadingMethod): string {
  const tone =
    'tone' in method
      ? `${TONES.find(({ id }) => id === method.tone)?.name.toLowerCase() ?? 'own tone'} (${formatStops(method.toneStops)})`
      : '';
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
