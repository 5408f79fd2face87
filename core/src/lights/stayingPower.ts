import { formatStopCount } from '../notation';
import type { Setting, Setup } from '../setup';
import { lightNameInText } from '../words';
import type { LightSolution } from './lightPower';

/** How long the lights last at the powers that were found, at the planned pace. */
export interface StayingPower {
  lights: {
    lightId: string;
    name: string;
    recycleS: number | null;
    pops: number | null;
    tooSlow: boolean;
    tooFew: boolean;
  }[];
  /** frames a minute that the slowest recycling allows; null where none is known */
  fastestPerMinute: number | null;
  /** the unit that runs out first; null where no charge is known */
  firstOut: { lightId: string; name: string; pops: number } | null;
  /** how many stops less power would last for the plan, and how to get them; 0 when it lasts */
  cheaperByStops: number;
  text: string;
}

/** A change that lets the lights last for the plan. */
export interface CheaperSetting {
  title: string;
  effect: string;
  settings: Setting[];
}

/** Recycle, charge and pace of all lights; energy and so both go with the power. */
export function stayingPower({ pace }: Setup, lights: readonly LightSolution[]): StayingPower | null {
  const firing = lights.filter(({ powerStops }) => powerStops !== null);
  if (firing.length === 0) return null;
  const intervalS = pace === null ? null : 60 / pace.framesPerMinute;
  const rows = firing.map(({ lightId, role, group, recycleS, pops }) => ({
    lightId,
    name: lightNameInText({ role, group }),
    recycleS,
    pops,
    tooSlow: intervalS !== null && recycleS !== null && recycleS > intervalS,
    tooFew: pace !== null && pops !== null && pops < pace.frames,
  }));
  const slowest = rows.reduce<number | null>(
    (most, { recycleS }) => (recycleS === null ? most : Math.max(most ?? 0, recycleS)),
    null,
  );
  const first = rows.reduce<{ lightId: string; name: string; pops: number } | null>(
    (least, { lightId, name, pops }) =>
      pops === null || (least !== null && least.pops <= pops) ? least : { lightId, name, pops },
    null,
  );
  const forCharge = pace === null || first === null ? 0 : Math.max(0, Math.log2(pace.frames / Math.max(1, first.pops)));
  const forPace = intervalS === null || slowest === null ? 0 : Math.max(0, Math.log2(slowest / intervalS));
  const cheaperByStops = Math.max(forCharge, forPace);
  const parts = [
    slowest === null
      ? null
      : slowest < 0.05
        ? 'ready at once'
        : `ready again after ${slowest < 10 ? slowest.toFixed(1) : Math.round(slowest)} s`,
    first === null ? null : `${first.pops} frames in a charge, ${first.name} runs out first`,
  ].filter((part) => part !== null);
  const plan =
    pace === null
      ? ''
      : cheaperByStops === 0
        ? ` ${pace.frames} frames at ${pace.framesPerMinute} a minute: it lasts.`
        : ` For ${pace.frames} frames at ${pace.framesPerMinute} a minute it needs ${formatStopCount(cheaperByStops)} stops less power.`;
  return {
    lights: rows,
    fastestPerMinute: slowest === null || slowest === 0 ? null : 60 / slowest,
    firstOut: first,
    cheaperByStops,
    text: `${parts.length === 0 ? 'Recycling and charge are not known: say them in the kit.' : `${parts.join('; ').replace(/^./, (letter) => letter.toUpperCase())}.`}${plan}`,
  };
}
