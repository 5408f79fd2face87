import { type Calibration, UNTAUGHT } from '../calibration';
import type { Made } from '../estimate';
import { lightConfig } from '../gain';
import type { Kit } from '../gear';
import { LightEstimate, standingReadings } from '../metering';
import type { Reading, SceneChange, Setup } from '../setup';

/** A setup with what is on record of it. */
export interface Taught {
  setup: Setup;
  facts: readonly (Reading | SceneChange)[];
}

/**
 * What the readings of setups teach of the kit, one setup after the other by their first flash: what one's estimate says of
 * units, modifiers, grids and gels is the next one's belief, with what they owe each other.
 * @param forgotten things whose readings up to a time teach nothing any more
 */
export function teach(kit: Kit, setups: readonly Taught[]): Calibration {
  const inOrder = setups
    .map(({ setup, facts }) => ({ setup, facts, flashes: flashesOf(kit, facts) }))
    .filter(({ flashes }) => flashes.length > 0)
    .sort((a, b) => Date.parse(a.flashes[0]?.at ?? '') - Date.parse(b.flashes[0]?.at ?? ''));
  return inOrder.reduce<Calibration>((known, { setup, facts, flashes }) => {
    const made = madeIn(kit, known, flashes);
    const ids = new Set(flashes.map(({ id }) => id));
    const standing = standingReadings(facts.filter((fact) => fact.type === 'reading')).filter(
      ({ id, light }) => light === 'ambient' || ids.has(id),
    );
    const changes = facts.filter((fact) => fact.type === 'sceneChange');
    const clock = new Date(standing.at(-1)?.at ?? 0);
    const learned = new LightEstimate(setup, { ...kit, calibration: known }, standing, changes, clock).now.learned(
      made,
    );
    const taughtBy = (id: string) =>
      flashes.filter(({ fired }) => fired.some((one) => lightConfig(kit, one)?.things.some((thing) => thing.id === id)))
        .length;
    return {
      ids: [...learned.ids],
      meanStops: [...learned.meanStops],
      covariance: learned.covariance.map((row) => [...row]),
      readings: made.map(({ id }) => (known.readings[known.ids.indexOf(id)] ?? 0) + taughtBy(id)),
      outliers: [],
    };
  }, UNTAUGHT);
}

/** Flash readings that teach: none of a thing that was forgotten since. */
function flashesOf(kit: Kit, facts: Taught['facts']): Reading[] {
  const { forgotten } = kit.preferences;
  return standingReadings(facts.filter((fact) => fact.type === 'reading')).filter(
    ({ at, fired }) =>
      fired.length > 0 &&
      fired.every((one) => {
        const config = lightConfig(kit, one);
        return (
          config !== null &&
          config.things.every(({ id }) => {
            const until = forgotten[id];
            return until === undefined || Date.parse(at) > Date.parse(until);
          })
        );
      }),
  );
}

/** Everything of the kit that is known of, and what these flashes were made with. */
function madeIn(kit: Kit, known: Calibration, flashes: readonly Reading[]): Made[] {
  const made = new Map<string, Made>(known.ids.map((id) => [id, { id, sdStops: 0 }]));
  for (const { fired } of flashes)
    for (const one of fired)
      for (const thing of lightConfig(kit, one)?.things ?? []) if (!made.has(thing.id)) made.set(thing.id, thing);
  return [...made.values()];
}
