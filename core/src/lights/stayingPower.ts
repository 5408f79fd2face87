import type { Setup } from '../setup';
import type { LightSolution } from './lightPower';

/** How long the lights last at the powers that were found, at the planned pace. */
export interface StayingPower {
  lights: {
    lightId: string;
    recycleS: number | null;
    pops: number | null;
    tooSlow: boolean;
    tooFew: boolean;
  }[];
  /** seconds until all are ready again; null where none is known */
  slowestRecycleS: number | null;
  /** frames a minute that the slowest recycling allows; null where none is known */
  fastestPerMinute: number | null;
  /** the unit that runs out first; null where no charge is known */
  firstOut: { lightId: string; pops: number } | null;
  /** how many stops less power would last for the plan, and how to get them; 0 when it lasts */
  cheaperByStops: number;
  plan: Setup['pace'];
}

/** Recycle, charge and pace of all lights; energy and so both go with the power. */
export function stayingPower({ pace }: Setup, lights: readonly LightSolution[]): StayingPower | null {
  const firing = lights.filter(({ powerStops }) => powerStops !== null);
  if (firing.length === 0) return null;
  const intervalS = pace === null ? null : 60 / pace.framesPerMinute;
  const rows = firing.map(({ lightId, recycleS, pops }) => ({
    lightId,
    recycleS,
    pops,
    tooSlow: intervalS !== null && recycleS !== null && recycleS > intervalS,
    tooFew: pace !== null && pops !== null && pops < pace.frames,
  }));
  const slowest = rows.reduce<number | null>(
    (most, { recycleS }) => (recycleS === null ? most : Math.max(most ?? 0, recycleS)),
    null,
  );
  const first = rows.reduce<StayingPower['firstOut']>(
    (least, { lightId, pops }) => (pops === null || (least !== null && least.pops <= pops) ? least : { lightId, pops }),
    null,
  );
  const forCharge = pace === null || first === null ? 0 : Math.max(0, Math.log2(pace.frames / Math.max(1, first.pops)));
  const forPace = intervalS === null || slowest === null ? 0 : Math.max(0, Math.log2(slowest / intervalS));
  const cheaperByStops = Math.max(forCharge, forPace);
  return {
    lights: rows,
    slowestRecycleS: slowest,
    fastestPerMinute: slowest === null || slowest === 0 ? null : 60 / slowest,
    firstOut: first,
    cheaperByStops,
    plan: pace,
  };
}
