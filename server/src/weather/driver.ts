import type { SpotPlace, Weather } from '@sphene/core/documents';

/** Where and for which hours the weather is asked. */
export interface WeatherQuestion {
  place: SpotPlace;
  /** the first full hour */
  fromMs: number;
  hours: number;
}

/** Why there is no answer: no service is named, it does not answer, or what it says cannot be right. */
export type WeatherFault = 'none' | 'unreachable' | 'unreadable';

/** An answer without the time at which it was asked for. */
export type WeatherAnswer = Omit<Weather, 'askedAt'>;

/** The service did not say what the weather will be. */
export class NoWeather extends Error {
  constructor(readonly fault: WeatherFault) {
    super(fault);
  }
}

/**
 * How the server asks for the weather. The simulated service speaks as docs/weather.md describes; a driver for a real one
 * implements the same and stands beside it.
 */
export interface WeatherDriver {
  /** Throws `NoWeather` where there is no answer. */
  hourly: (question: WeatherQuestion) => Promise<WeatherAnswer>;
}
