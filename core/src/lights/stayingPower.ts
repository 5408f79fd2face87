import { chargeShareAt, framesUntilHot, heatOf } from '../flash';
import type { Setup } from '../setup';
import type { LightSolution } from './lightPower';
import type { UsableLight } from './usable';

/** What the plan asks less power for. */
export type StayingLimit = 'charge' | 'recycle' | 'heat';

/** How long the lights last at the powers that were found, at the planned pace. */
export interface StayingPower {
  lights: {
    lightId: string;
    recycleS: number | null;
    /** frames on what its battery holds now, in this cold; null: on the mains, or not known */
    pops: number | null;
    /** frames at the planned pace before it must cool; null: it never must, or that is not known */
    untilHot: number | null;
    tooSlow: boolean;
    tooFew: boolean;
    /** how hot the plan makes it, 1: it must cool */
    heat: number;
    tooHot: boolean;
  }[];
  /** seconds until all are ready again; null where none is known */
  slowestRecycleS: number | null;
  /** frames a minute that the slowest recycling allows; null where none is known */
  fastestPerMinute: number | null;
  /** the unit that runs out first; null where no charge is known */
  firstOut: { lightId: string; pops: number } | null;
  /** how many stops less power would last for the plan, and how to get them; 0 when it lasts */
  cheaperByStops: number;
  /** what asks for most of it; null when it lasts */
  limit: StayingLimit | null;
  plan: Setup['pace'];
}

/**
 * Recycle, charge, heat and pace of all lights; energy and so all of them go with the power.
 * @param temperatureC of the air, for batteries; null: not known
 */
export function stayingPower(
  { pace }: Setup,
  usable: readonly UsableLight[],
  lights: readonly LightSolution[],
  temperatureC: number | null,
): StayingPower | null {
  const intervalS = pace === null ? null : 60 / pace.framesPerMinute;
  const frames = pace?.frames ?? 0;
  const rows = lights.flatMap(({ lightId, powerStops, recycleS, pops: popsWarm }): StayingPower['lights'] => {
    if (powerStops === null) return [];
    const unit = usable.find(({ light }) => light.id === lightId)?.config.unit;
    const share = unit === undefined ? 1 : (unit.charge?.share ?? 1) * chargeShareAt(unit.coldShare, temperatureC);
    const pops = popsWarm === null ? null : Math.floor(popsWarm * share + 1e-6);
    const hotAfterPops = unit?.hotAfterPops ?? null;
    const energy = 2 ** powerStops;
    const perMinute = pace?.framesPerMinute ?? null;
    const untilHot = hotAfterPops === null ? null : framesUntilHot(hotAfterPops, energy, perMinute);
    const heat = hotAfterPops === null ? 0 : heatOf(frames, energy, perMinute) / hotAfterPops;
    return [
      {
        lightId,
        recycleS,
        pops,
        untilHot,
        tooSlow: intervalS !== null && recycleS !== null && recycleS > intervalS,
        tooFew: pops !== null && pops < frames,
        heat,
        tooHot: heat > 1,
      },
    ];
  });
  if (rows.length === 0) return null;
  const slowest = rows.reduce<number | null>(
    (most, { recycleS }) => (recycleS === null ? most : Math.max(most ?? 0, recycleS)),
    null,
  );
  const first = rows.reduce<StayingPower['firstOut']>(
    (least, { lightId, pops }) => (pops === null || (least !== null && least.pops <= pops) ? least : { lightId, pops }),
    null,
  );
  /** stops less that make so many of what there are so few of */
  const stopsFor = (wanted: number, has: number | null) => (has === null ? 0 : Math.log2(wanted / Math.max(1, has)));
  const asked: [StayingLimit, number][] = [
    ...rows.map(({ pops }): [StayingLimit, number] => ['charge', stopsFor(frames, pops)]),
    ...rows.map(({ heat }): [StayingLimit, number] => ['heat', Math.log2(heat)]),
    ['recycle', intervalS === null || slowest === null ? 0 : Math.log2(slowest / intervalS)],
  ];
  const [limit, cheaperByStops] = asked.reduce((most, one) => (one[1] > most[1] ? one : most));
  return {
    lights: rows,
    slowestRecycleS: slowest,
    fastestPerMinute: slowest === null || slowest === 0 ? null : 60 / slowest,
    firstOut: first,
    cheaperByStops: Math.max(0, cheaperByStops),
    limit: cheaperByStops > 0 ? limit : null,
    plan: pace,
  };
}
