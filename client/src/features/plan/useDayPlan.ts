import { useActions } from '@/store/application';
import { byId, ofType, selectDocument, selectSetups, selectSpots } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { selectGear } from '@/store/selectors';
import { selectNumbers } from '@/setupView/selectSolution';
import { localDay } from '@/shell/localDay';
import type { Store } from '@/store/store';
import { useStore } from 'react-redux';
import { useMemo, useState } from 'react';

import { type Shoot, type Spot, weatherAt, type WeatherNow } from '@sphene/core/documents';
import { type ForetoldSetup, foretoldSetup, type Visit } from '@sphene/core/forecast';
import type { Kit } from '@sphene/core/gear';
import {
  type ChargedSetup,
  chargeOfDay,
  type ChargeOfSetup,
  dayPlan,
  type PlanEntry,
  type PlannedSetup,
  type SpotSun,
  spotSun,
  sunOutline,
} from '@sphene/core/plan';
import type { Setup, SetupPlan } from '@sphene/core/setup';

/** One line of the plan. */
export interface PlanLine {
  setup: Setup;
  spot: Spot | undefined;
  planned: PlannedSetup;
  /** of one that nobody has metered: what the light will ask for; null: metered, or nothing can be foretold */
  foretold: ForetoldSetup | null;
  /** as it is foretold for its time; null: nobody asked */
  weather: WeatherNow | null;
  /** what it takes out of the batteries; null: no power is known yet */
  charge: ChargeOfSetup | null;
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

/** A setup at its time, with the light and the weather that are foretold for it. */
function lineOf(
  planned: PlannedSetup,
  setup: Setup,
  spots: readonly Spot[],
  visits: readonly Visit[],
  kit: Kit,
): Omit<PlanLine, 'charge'> {
  const spot = spots.find((one) => one.id === planned.spotId);
  const at = new Date(planned.fromMs);
  const there = visits.filter((visit) => visit.setup.spotId === planned.spotId);
  const isMetered = there.some((visit) => visit.setup.id === setup.id && visit.readings.length > 0);
  const foretold = isMetered || spot === undefined ? null : foretoldSetup(setup, kit, spot, at, there);
  return { setup, spot, planned, foretold, weather: weatherAt(spot?.weather ?? null, planned.fromMs) };
}

/** The batteries through the day: at the powers that were found, or that are foretold. */
function withCharge(
  lines: readonly Omit<PlanLine, 'charge'>[],
  kit: Kit,
  solved: (setupId: string) => ChargedSetup['powers'],
): PlanLine[] {
  const told = chargeOfDay(
    lines.map(({ setup, planned, foretold, weather }) => ({
      setup,
      atMs: planned.fromMs,
      powers: foretold === null ? solved(setup.id) : foretold.lights,
      temperatureC: weather?.temperatureC ?? null,
    })),
    kit,
  );
  return lines.map((line, index) => {
    const charge = told[index];
    return { ...line, charge: charge === undefined || charge.lights.length === 0 ? null : charge };
  });
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
  const visits = useMemo(() => {
    const readings = ofType(documents, 'reading');
    return setups.map((setup): Visit => ({ setup, readings: readings.filter(({ setupId }) => setupId === setup.id) }));
  }, [documents, setups]);
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
  const store = useStore() as Store;
  const lines = useMemo(() => {
    const placed = dayPlan(entries, fromMs).flatMap((planned) => {
      const setup = setups.find((one) => one.id === planned.setupId);
      return setup === undefined ? [] : [lineOf(planned, setup, spots, visits, kit)];
    });
    return withCharge(placed, kit, (id) => selectNumbers(store.getState(), id)?.lights ?? []);
  }, [entries, fromMs, setups, spots, visits, kit, store]);
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
