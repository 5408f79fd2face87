import type { Sky } from './beliefs';

/** Where ambient comes from. Those of daylight change together; a lamp does what it does. */
export interface Source {
  id: string;
  follows: 'daylight' | 'itself';
  /** how far its strength may be off against what is stated of it, stops */
  sdStops: number;
}

/** What one source gives a receiver as things stood: its strength as believed, times its gain there. */
export interface SourceThere {
  source: string;
  knownStops: number;
}

/** A thing of the kit in a light's way, and how far it may be off what is stated of it. */
export interface Made {
  id: string;
  sdStops: number;
}

/** How a thing strays in some of its uses: by a factor of what it is off by. */
export interface Quirk extends Made {
  factor: number;
}

/** A light as it was fired, at a receiver. */
export interface Fired {
  id: string;
  /** what its stated figures give there at full power, stops */
  statedStops: number;
  /** stops under full */
  powerStops: number;
  made: readonly Made[];
  quirks: readonly Quirk[];
  /** the same for the same stand of the same light */
  place: string;
  /** how far the place may be off, stops of light */
  placeSdStops: number;
  /** how far its light may be off at a point that it is not meant for, until it is read there; 0 where it aims */
  spillSdStops: number;
}

/** What a meter is held to: a point, as it is lit. */
export interface Held {
  point: string;
  /** another way to hold the meter there; null: the usual one */
  aim: string | null;
  /** it stands in the same light as the face */
  near: boolean;
  /** the shutter, where ambient is read as an aperture value at ISO 100; 0 where it is read as a level */
  tv: number;
  ambient: readonly SourceThere[];
}

/** A figure to be read or foretold. */
export interface Wanted extends Held {
  minute: number;
  light: 'ambient' | 'total' | 'flash';
  fired: readonly Fired[];
  /** what it is read with, where that may differ from the meter that is always used */
  instrument: Made | null;
}

/** A figure that was read. */
export interface Taken extends Wanted {
  id: string;
  stops: number;
  sdStops: number;
  /** a person said that it is right */
  sure: boolean;
}

/**
 * Something that changed, as declared or as known. A cloud that says whether the sun is out since is one of two states that
 * light goes back and forth between; before the first of these it was the other. `together`: whatever happened, it happened
 * to all of the points alike, but for a little; `anew`: they lie somewhere else now.
 */
export type Event = { minute: number } & (
  | { what: 'cloud'; sunOut?: boolean }
  | { what: 'source'; source: string }
  | { what: 'points'; points: readonly string[]; how: 'each' | 'together' | 'anew' }
);

/** What the readings of one setup, or of several, teach about things of the kit: jointly normal, stops. */
export interface Learned {
  ids: readonly string[];
  meanStops: readonly number[];
  covariance: readonly (readonly number[])[];
}

/** Everything that an estimate is made from. */
export interface Evening {
  sources: readonly Source[];
  events: readonly Event[];
  taken: readonly Taken[];
  now: number;
  sky: Sky;
  indoors: boolean;
  /** how far the daylight itself may be off what is believed of it, stops */
  daylightSdStops: number;
  /** daylight foretold from place and time, stops; null: not known */
  forecast: ((minute: number) => number) | null;
  /** what earlier readings say of the kit */
  learned: Learned | null;
}
