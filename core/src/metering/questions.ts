import { type Cause, type CauseKind, causes, estimate, type Estimate, type Evening, telling } from '../estimate';
import type { MeteringPoint, Reading, Setup } from '../setup';
import { surpriseQuestion } from './evidence';
import { ambientReading, lightEv100 } from './levels';
import type { LightEstimate } from './lightEstimate';

/** A reading that does not fit: kept, but asked about, with the likely causes. */
export type ReadingQuestion = Doubt & {
  /** the same for the same doubt, so that an answer holds */
  id: string;
  readingId: string;
  pointId: string;
};

/** What does not fit, with its figures. */
export type Doubt =
  | { kind: 'shadow-above-face'; aboveStops: number }
  | { kind: 'sun-in-shade'; ev100: number }
  | { kind: 'flash-mode' }
  | { kind: 'from-future'; aheadMinutes: number }
  | ({ kind: 'surprise' } & Surprise);

/** A reading against what everything else foretells for it. */
export interface Surprise {
  light: Reading['light'];
  /** read minus foretold, stops */
  offStops: number;
  /** how far it might have lain, one standard deviation of estimate and meter together */
  expectedSdStops: number;
  /** so much that it is asked; else a quiet line */
  asked: boolean;
  causes: ReadingCause[];
  tells: TellingReading | null;
}

/** What may lie behind it, best first. */
export interface ReadingCause {
  kind: CauseKind;
  /** by how much, stops */
  stops: number;
  /** how likely against the others, 0 to 1 */
  chance: number;
  /** of moved ambient: at every point */
  everywhere: boolean;
  /** of a power: whose, and that it never fired here before */
  lightId: string | null;
  unfired: boolean;
  /** where it was read instead; which earlier reading was wrong, and where */
  pointId: string | null;
  readingId: string | null;
}

/** The one reading that tells the causes apart. */
export interface TellingReading {
  pointId: string;
  light: Reading['light'];
  /** what each cause foretells for it, EV100 for ambient, else aperture values at ISO 100, in the order of the causes told apart */
  foretold: { kind: CauseKind; stops: number }[];
}

/** From here on a reading is asked about, and from here on it is a quiet line, in standard deviations. */
const ASKED = 3;
const QUIET = 2;
/** Causes that are less likely than this are not worth a line. */
const LEAST_CHANCE = 0.03;
const MOST_CAUSES = 4;
/** Open shade stays under this light, EV100 (about 44 000 lux); direct sun reaches it. */
const DIRECT_SUN_EV100 = 13.7;
/** Clocks of two devices that were never put right differ by a few minutes. */
const CLOCKS_DIFFER_MINUTES = 5;
/** The dark side is read lighter than the lit one by less than this without anything being wrong, stops. */
const SIDES_AGREE_STOPS = 0.1;

/** Readings that contradict what is known of the light, what was said of their point, or the clock. */
export function questionReadings(setup: Setup, light: LightEstimate, now: Date): ReadingQuestion[] {
  const { standing } = light;
  const questions: ReadingQuestion[] = [];
  const ask = (doubt: Doubt, reading: Reading, id = `${doubt.kind}:${reading.id}`) => {
    if (!setup.confirmed.includes(id))
      questions.push({ ...doubt, id, readingId: reading.id, pointId: reading.pointId });
  };
  const newestAt = (point: MeteringPoint | undefined) =>
    point === undefined ? undefined : ambientReading(standing, point, setup.look.faceBy);
  const at = (role: MeteringPoint['role']) => newestAt(setup.points.find((point) => point.role === role));
  const [face, shadow] = [at('face'), at('shadow')];
  if (face !== undefined && shadow !== undefined) {
    const aboveStops = lightEv100(shadow) - lightEv100(face);
    if (aboveStops > SIDES_AGREE_STOPS) ask({ kind: 'shadow-above-face', aboveStops }, shadow);
  }
  for (const point of setup.points) {
    const reading = newestAt(point);
    if (reading === undefined) continue;
    const level = lightEv100(reading);
    if (point.standsIn === 'shade' && level >= DIRECT_SUN_EV100) ask({ kind: 'sun-in-shade', ev100: level }, reading);
    const aheadMinutes = (Date.parse(reading.at) - now.getTime()) / 60_000;
    if (aheadMinutes > CLOCKS_DIFFER_MINUTES) ask({ kind: 'from-future', aheadMinutes }, reading);
    if (reading.meterMode === 'flash') ask({ kind: 'flash-mode' }, reading);
  }
  for (const { readingId, surprise } of surprises(light)) {
    const reading = standing.find(({ id }) => id === readingId);
    // what is asked of it for a plainer reason is not asked twice
    const known = questions.some((one) => one.readingId === readingId);
    if (reading !== undefined && !known) ask({ kind: 'surprise', ...surprise }, reading, surpriseQuestion(readingId));
  }
  return questions;
}

/** The newest reading where it surprises at all, then older ones that the rest contradicts plainly. */
function surprises(light: LightEstimate): { readingId: string; surprise: Surprise }[] {
  const { evening } = light.evidence;
  const all = light.now.surprises();
  const last = evening.taken.length - 1;
  const found = evening.taken.flatMap((taken, index) => {
    const odd = Math.abs(all[index] ?? 0) > ASKED;
    if (taken.sure || (index !== last && !odd)) return [];
    const surprise = index === last ? newestSurprise(evening, light.now) : olderSurprise(evening, light.now, index);
    return surprise === null ? [] : [{ readingId: taken.id, surprise }];
  });
  // an older one may only look odd because a newer one is
  return found.reverse();
}

function newestSurprise(evening: Evening, now: Estimate): Surprise | null {
  const newest = evening.taken.at(-1);
  if (newest === undefined) return null;
  const before = estimate({ ...evening, taken: evening.taken.slice(0, -1), now: newest.minute });
  const foretold = before.expect(newest);
  const offStops = newest.stops - foretold.stops;
  const expectedSdStops = Math.hypot(foretold.sdStops, newest.sdStops);
  const off = Math.abs(offStops) / expectedSdStops;
  if (off < QUIET) return null;
  const likely = causes(evening, before, now);
  return {
    light: newest.light,
    offStops,
    expectedSdStops,
    asked: off > ASKED,
    causes: likely
      .filter(({ chance }) => chance > LEAST_CHANCE)
      .slice(0, MOST_CAUSES)
      .map(said),
    tells: tellingOf(evening, likely),
  };
}

const said = ({ kind, stops, chance, everywhere, dial, unfired, pointId, readingId }: Cause): ReadingCause => ({
  kind,
  stops,
  chance,
  everywhere,
  lightId: dial?.lightId ?? null,
  unfired,
  pointId,
  readingId,
});

function tellingOf(evening: Evening, likely: readonly Cause[]): TellingReading | null {
  const next = telling(evening, likely);
  if (next === null) return null;
  const { wanted, foretold } = next;
  return {
    pointId: wanted.point,
    light: wanted.light,
    foretold: foretold.map(({ cause, figure }) => ({ kind: cause.kind, stops: figure.stops })),
  };
}

/** An older reading that the rest contradicts: taken again it would tell; until then it may be the one that is wrong. */
function olderSurprise(evening: Evening, now: Estimate, index: number): Surprise | null {
  const was = evening.taken[index];
  const newest = evening.taken.at(-1);
  if (was === undefined || newest === undefined) return null;
  // one that the newest contradicts is a cause of that question already
  const before = estimate({ ...evening, taken: evening.taken.slice(0, -1), now: newest.minute });
  if (Math.abs(before.surprises()[index] ?? 0) <= ASKED) return null;
  const others = estimate({ ...evening, taken: evening.taken.filter((one) => one !== was) });
  const foretold = others.expect(was);
  return {
    light: was.light,
    offStops: was.stops - foretold.stops,
    expectedSdStops: Math.hypot(foretold.sdStops, was.sdStops),
    asked: true,
    causes: [],
    tells: { pointId: was.point, light: was.light, foretold: [{ kind: 'earlier', stops: now.expect(was).stops }] },
  };
}
