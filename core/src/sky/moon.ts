import { Body, Illumination, Observer, SearchRiseSet } from 'astronomy-engine';

/** The moon over a stretch of time: when it is up, and how much of it is lit. */
export interface MoonDay {
  /** when its upper limb comes over the horizon and goes under it */
  risesMs: number[];
  setsMs: number[];
  /** of its disc in the middle of that time, 0 to 1 */
  litShare: number;
}

const DAY_MS = 86_400_000;

/** The moon from a moment to another at a place, such as over a local day. Source: astronomy-engine. */
export function moonDay(latitudeDeg: number, longitudeDeg: number, fromMs: number, toMs: number): MoonDay {
  const observer = new Observer(latitudeDeg, longitudeDeg, 0);
  const passes = (direction: 1 | -1): number[] => {
    const found = SearchRiseSet(Body.Moon, observer, direction, new Date(fromMs), (toMs - fromMs) / DAY_MS);
    // it comes about fifty minutes later each day: once at most
    return found === null || found.date.getTime() > toMs ? [] : [found.date.getTime()];
  };
  return {
    risesMs: passes(1),
    setsMs: passes(-1),
    litShare: Illumination(Body.Moon, new Date((fromMs + toMs) / 2)).phase_fraction,
  };
}
