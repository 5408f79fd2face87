import { addLight } from '../../src/photometry';
import { BELIEFS, type Evening, type Fired, type Held, type Taken } from '../../src/estimate';

/** A face and a background under one sky, and a light on the face: what the worked cases are made of. */

const AMBIENT_STOPS = 10;
export const FACE: Held = {
  point: 'face',
  aim: null,
  near: true,
  tv: 0,
  ambient: [{ source: 'sky', knownStops: AMBIENT_STOPS }],
};
export const BACKGROUND: Held = { ...FACE, point: 'background', near: false };

/** The key at a power, stated to give so much at the face at full power. */
export const key = (powerStops: number, statedStops = 17): Fired => ({
  id: 'key',
  statedStops,
  powerStops,
  made: [
    { id: 'unit:key', sdStops: BELIEFS.unit },
    { id: 'modifier:key', sdStops: BELIEFS.modifier },
  ],
  quirks: [],
  place: 'as it stands',
  placeSdStops: BELIEFS.place,
  spillSdStops: 0,
});

const PLAIN = { sdStops: BELIEFS.noise, sure: false, instrument: null };
export const ambientAt = (minute: number, held: Held, stops: number): Taken => ({
  ...PLAIN,
  ...held,
  id: `${held.point}:${minute}`,
  minute,
  light: 'ambient',
  fired: [],
  stops,
});
export const totalAt = (minute: number, stops: number, fired: readonly Fired[], held: Held = FACE): Taken => ({
  ...PLAIN,
  ...held,
  id: `total:${minute}`,
  minute,
  light: 'total',
  fired,
  stops,
});

/** An evening outdoors under a steady sky, of which nobody has said anything. */
export const evening = (taken: readonly Taken[], over: Partial<Evening> = {}): Evening => ({
  sources: [{ id: 'sky', follows: 'daylight', sdStops: 0 }],
  events: [],
  taken,
  now: taken.at(-1)?.minute ?? 0,
  sky: 'steady',
  indoors: false,
  daylightSdStops: BELIEFS.daylight.sd,
  forecast: null,
  learned: null,
  ...over,
});

/** Face 12.4, background 13.1, and a test at 1/64 whose flash is truly 11.45. */
export const TESTED: readonly Taken[] = [
  ambientAt(0, FACE, 12.4),
  ambientAt(0.3, BACKGROUND, 13.1),
  totalAt(2, addLight(12.4, 11.45), [key(-6)]),
];
