import { type Beliefs, BELIEFS } from './beliefs';
import { type Cause, density } from './causes';
import { estimate } from './estimate';
import type { Evening, Held, Wanted } from './evening';
import type { Estimated } from './fit';

/** The one reading that tells causes apart. */
export interface Telling {
  wanted: Wanted;
  /** what each of the causes that it was chosen for foretells */
  foretold: { cause: Cause; figure: Estimated }[];
}

/** Causes that are less likely than this are not told apart. */
const LEAST_CHANCE = 0.02;
const MOST_CAUSES = 4;
/** A reading that parts the causes by less is not worth a walk. */
const LEAST_APART = 0.01;
/** The next reading is taken so soon, minutes. */
const SOON_MINUTES = 0.3;

const withDial = (wanted: Wanted, { dial }: Cause): Wanted =>
  dial === null
    ? wanted
    : {
        ...wanted,
        fired: wanted.fired.map((one) =>
          one.id === dial.lightId ? { ...one, powerStops: one.powerStops + dial.byStops } : one,
        ),
      };

/** The points that were read, as they were read last. */
function pointsRead({ taken }: Evening): Held[] {
  const points = new Map<string, Held>();
  // the ambient alone is read as a level
  for (const { point, aim, near, ambient } of taken) points.set(point, { point, aim, near, ambient, tv: 0 });
  return [...points.values()];
}

/**
 * The reading whose foretold figures lie furthest apart under the likely causes: over each pair how likely the pair is,
 * times how surely the reading parts it. null where nothing parts them.
 */
export function telling(evening: Evening, all: readonly Cause[], beliefs: Beliefs = BELIEFS): Telling | null {
  const newest = evening.taken.at(-1);
  const likely = all.filter(({ chance }) => chance > LEAST_CHANCE).slice(0, MOST_CAUSES);
  if (newest === undefined || likely.length < 2) return null;
  const minute = newest.minute + SOON_MINUTES;
  const answers = likely.map((cause) => estimate({ ...cause.evening, now: minute }, undefined, beliefs));
  const tries: Wanted[] = pointsRead(evening).map((held) => ({
    ...held,
    minute,
    light: 'ambient',
    fired: [],
    instrument: newest.instrument,
  }));
  const again: Wanted = { ...newest, minute };
  if (newest.fired.length > 0) tries.push({ ...again, light: 'flash' }, { ...again, light: 'total' });
  let best: Telling | null = null;
  let most = LEAST_APART;
  for (const wanted of tries) {
    const foretold = likely.map((cause, i) => ({ cause, figure: answers[i]!.expect(withDial(wanted, cause)) }));
    const apart = apartBy(foretold, newest.sdStops);
    if (apart > most) [best, most] = [{ wanted, foretold }, apart];
  }
  return best;
}

function apartBy(foretold: Telling['foretold'], noiseStops: number): number {
  let apart = 0;
  foretold.forEach((one, i) =>
    foretold.slice(0, i).forEach((other) => {
      const variance = one.figure.sdStops ** 2 + other.figure.sdStops ** 2 + 2 * noiseStops ** 2;
      const surely = 1 - Math.exp((-0.25 * (one.figure.stops - other.figure.stops) ** 2) / variance);
      apart += one.cause.chance * other.cause.chance * surely;
    }),
  );
  return apart;
}

/** The causes again, best first, once the telling reading was taken. */
export function judged({ foretold }: Telling, stops: number, noiseStops: number): Cause[] {
  const weights = foretold.map(({ cause, figure }) => {
    return cause.chance * density(stops - figure.stops, Math.hypot(figure.sdStops, noiseStops));
  });
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return foretold
    .map(({ cause }, i) => ({ ...cause, chance: (weights[i] ?? 0) / total }))
    .sort((a, b) => b.chance - a.chance);
}
