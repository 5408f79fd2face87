import { useActions } from '@/store/application';
import { byId, ofType, selectDocument, selectSetups, selectSpots } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { selectGear } from '@/store/selectors';
import { localDay } from '@/shell/localDay';
import { useMemo, useState } from 'react';

import type { Shoot, Spot } from '@sphene/core/documents';
import { type ForetoldSetup, foretoldSetup } from '@sphene/core/forecast';
import { dayPlan, type PlanEntry, type PlannedSetup, type SpotSun, spotSun, sunOutline } from '@sphene/core/plan';
import type { Setup, SetupPlan } from '@sphene/core/setup';

/** One line of the plan. */
export interface PlanLine {
  setup: Setup;
  spot: Spot | undefined;
  planned: PlannedSetup;
  /** of one that nobody has metered: what the light will ask for; null: metered, or nothing can be foretold */
  foretold: ForetoldSetup | null;
}

export interface DayPlan {
  shoot: Shoot;
  spots: Spot[];
  lines: PlanLine[];
  entries: PlanEntry[];
  /** setups that are in no plan */
  others: Setup[];
  sunOf: ReadonlyMap<string, SpotSun>;
  fromMs: number;
  clock: (ms: number) => string;
  change: (setup: Setup, plan: SetupPlan | null) => void;
  changeAll: (planned: readonly { setup: Setup; plan: SetupPlan }[]) => void;
  undo: (() => void) | null;
}

/** The plan of a shoot's day, and what changes it. */
export function useDayPlan(id: string): DayPlan | null {
  const actions = useActions();
  const shoot = useAppSelector((state) => selectDocument(state, 'shoot', id));
  const allSpots = useAppSelector(selectSpots);
  const allSetups = useAppSelector(selectSetups);
  const kit = useAppSelector(selectGear);
  const documents = useAppSelector(byId);
  const [before, setBefore] = useState<readonly { setupId: string; plan: Setup['plan'] }[][]>([]);
  const spots = useMemo(() => allSpots.filter(({ shootId }) => shootId === id), [allSpots, id]);
  const setups = useMemo(() => allSetups.filter(({ shootId }) => shootId === id), [allSetups, id]);
  const metered = useMemo(() => new Set(ofType(documents, 'reading').map(({ setupId }) => setupId)), [documents]);
  const date = shoot?.date ?? '2026-01-01';
  const timeZone = shoot?.timeZone ?? 'UTC';
  const { fromMs, toMs, clock } = localDay(`${date}T12:00:00Z`, timeZone);
  const sunOf = useMemo(
    () =>
      new Map(
        spots.flatMap((spot): [string, SpotSun][] => {
          const { place, looksDeg } = spot;
          if (place === null) return [];
          const there = { place, outline: sunOutline(spot), looksDeg };
          return [[spot.id, spotSun({ spot: there, backgroundM: null }, fromMs, toMs)]];
        }),
      ),
    [spots, fromMs, toMs],
  );
  const entries = useMemo(
    () =>
      setups.flatMap(({ id: setupId, spotId, plan }): PlanEntry[] =>
        plan === null ? [] : [{ setupId, spotId, plan, sun: sunOf.get(spotId) ?? null }],
      ),
    [setups, sunOf],
  );
  const lines = useMemo(
    () =>
      dayPlan(entries, fromMs).flatMap((planned): PlanLine[] => {
        const setup = setups.find((one) => one.id === planned.setupId);
        const spot = spots.find((one) => one.id === planned.spotId);
        if (setup === undefined) return [];
        const foretold =
          metered.has(setup.id) || spot === undefined
            ? null
            : foretoldSetup(setup, kit, spot, new Date(planned.fromMs));
        return [{ setup, spot, planned, foretold }];
      }),
    [entries, fromMs, setups, spots, metered, kit],
  );
  if (shoot === undefined) return null;
  const keep = (planned: readonly { setup: Setup; plan: SetupPlan | null }[]) => {
    setBefore([...before, planned.map(({ setup }) => ({ setupId: setup.id, plan: setup.plan }))]);
    actions.planSetups(planned);
  };
  return {
    shoot,
    spots,
    lines,
    entries,
    others: setups.filter(({ plan }) => plan === null),
    sunOf,
    fromMs,
    clock,
    change: (setup, plan) => keep([{ setup, plan }]),
    changeAll: keep,
    undo:
      before.length === 0
        ? null
        : () => {
            const last = before.at(-1) ?? [];
            setBefore(before.slice(0, -1));
            actions.planSetups(
              last.flatMap(({ setupId, plan }) => {
                const setup = setups.find((one) => one.id === setupId);
                return setup === undefined ? [] : [{ setup, plan }];
              }),
            );
          },
  };
}
