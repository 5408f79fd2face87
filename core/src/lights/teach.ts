import { type Calibration, isUnitPart, UNTAUGHT } from '../calibration';
import { dialOf, type Made } from '../estimate';
import { lightConfig } from '../gain';
import type { Kit } from '../gear';
import { instrumentOf, LightEstimate, standingReadings } from '../metering';
import type { FiredLight, Reading, SceneChange, Setup } from '../setup';

/** A setup with what is on record of it. */
export interface Taught {
  setup: Setup;
  facts: readonly (Reading | SceneChange)[];
}

/**
 * Whether a reading can teach of the kit: one of flash, or one with another meter than the usual.
 * @param but the setup whose readings are left aside: they speak in its own estimate
 */
export const teaches = (
  { light, meterId, cameraId, setupId }: Pick<Reading, 'light' | 'meterId' | 'cameraId' | 'setupId'>,
  but?: string,
): boolean => setupId !== but && (light !== 'ambient' || meterId !== null || cameraId !== null);

/** The kit with what setups and their facts have taught about it. */
export function taughtKit(gear: Kit, setups: readonly Setup[], facts: readonly (Reading | SceneChange)[]): Kit {
  const lessons = setups.map((setup) => ({ setup, facts: facts.filter(({ setupId }) => setupId === setup.id) }));
  return { ...gear, calibration: teach(gear, lessons) };
}

/** A reading that teaches, with the things of the kit that it teaches about. */
interface Lesson {
  reading: Reading;
  things: readonly Made[];
}

/**
 * What the readings of setups teach of the kit, one setup after the other by their first lesson: what one's estimate says of
 * units, their dials, low ends and high-speed sync, of modifiers, grids, gels, meters and cameras is the next one's belief,
 * with what they owe each other. Readings up to the time at which a thing was forgotten teach nothing about it any more.
 */
export function teach(kit: Kit, setups: readonly Taught[]): Calibration {
  const inOrder = setups
    .map((taught) => ({ ...taught, lessons: lessonsOf(kit, taught.facts) }))
    .filter(({ lessons }) => lessons.length > 0)
    .sort((a, b) => timeOf(a.lessons[0]) - timeOf(b.lessons[0]));
  return inOrder.reduce<Calibration>((known, { setup, facts, lessons }) => {
    const made = madeIn(known, lessons);
    const ids = new Set(lessons.map(({ reading }) => reading.id));
    const standing = standingReadings(facts.filter((fact) => fact.type === 'reading')).filter(
      ({ id, light }) => light === 'ambient' || ids.has(id),
    );
    const changes = facts.filter((fact) => fact.type === 'sceneChange');
    const clock = new Date(standing.at(-1)?.at ?? 0);
    const light = new LightEstimate(setup, { ...kit, calibration: known }, standing, changes, clock);
    const learned = light.now.learned(made);
    const taughtBy = (id: string) => lessons.filter(({ things }) => things.some((thing) => thing.id === id)).length;
    const all = {
      ids: [...learned.ids],
      meanStops: [...learned.meanStops],
      covariance: learned.covariance.map((row) => [...row]),
      readings: made.map(({ id }) => (known.readings[known.ids.indexOf(id)] ?? 0) + taughtBy(id)),
    };
    const last = lessons.at(-1)?.reading.at ?? '';
    return keptOf(all, (id) => !isForgotten(kit, id, last));
  }, UNTAUGHT);
}

/** Whether what was read at a time teaches nothing about a thing any more. */
const isForgotten = (kit: Kit, id: string, at: string): boolean =>
  Date.parse(at) <= Date.parse(kit.preferences.forgotten[id] ?? '');

/** A part of what was learned: the rest of a joint normal distribution stays as it is. */
function keptOf(all: Calibration, keeps: (id: string) => boolean): Calibration {
  const kept = all.ids.map((id) => keeps(id));
  const pick = <T>(list: readonly T[]): T[] => list.filter((_, index) => kept[index]);
  return {
    ids: pick(all.ids),
    meanStops: pick(all.meanStops),
    covariance: pick(all.covariance).map(pick),
    readings: pick(all.readings),
  };
}

const timeOf = (lesson: Lesson | undefined): number => Date.parse(lesson?.reading.at ?? '');

/** Readings of flash, and readings with something else than the usual meter. */
function lessonsOf(kit: Kit, facts: Taught['facts']): Lesson[] {
  return standingReadings(facts.filter((fact) => fact.type === 'reading')).flatMap((reading): Lesson[] => {
    const instrument = instrumentOf(reading, kit);
    if (reading.fired.length === 0 && instrument === null) return [];
    const made = reading.fired.map((one) => madeOf(kit, one));
    if (made.includes(null)) return [];
    const parts = made.flatMap((one) => one ?? []);
    const things = [...parts, ...(instrument === null ? [] : [instrument])];
    // what a reading says of the whole of a thing that was forgotten cannot be told from the rest of it
    const lost = things.some(({ id }) => !isUnitPart(id) && isForgotten(kit, id, reading.at));
    return lost ? [] : [{ reading, things }];
  });
}

/** What a light was made of when it fired. null: its gear is gone, or nobody said how far it stood; it teaches nothing. */
function madeOf(kit: Kit, fired: FiredLight): Made[] | null {
  const config = lightConfig(kit, fired);
  if (config === null || !fired.placeSaid) return null;
  const [unit] = config.things;
  const quirks = config.quirks(fired.powerStops, fired.highSpeedSyncLossStops);
  return [...config.things, ...(unit === undefined ? [] : [dialOf(unit)]), ...quirks];
}

/** Everything of the kit that is known of, and what these lessons are about. */
function madeIn(known: Calibration, lessons: readonly Lesson[]): Made[] {
  const made = new Map<string, Made>(known.ids.map((id) => [id, { id, sdStops: 0 }]));
  for (const { things } of lessons)
    for (const { id, sdStops } of things) if (!made.has(id)) made.set(id, { id, sdStops });
  return [...made.values()];
}
