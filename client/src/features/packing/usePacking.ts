import { selectNumbers } from '@/setupView/selectSolution';
import { selectDocument, selectGear } from '@/store/selectors';
import { ownedId } from '@/store/ids';
import { type Store, useAppSelector } from '@/store/store';
import { type DayPlan, useDayPlan } from '@/features/plan/useDayPlan';
import { useMemo } from 'react';
import { useStore } from 'react-redux';

import { type PackingList, packingList, type ToPack } from '@sphene/core/plan';
import { type Packing, PLAIN_PACKING } from '@sphene/core/record';
import type { Setup } from '@sphene/core/setup';

/** The packing of a shoot: its list, what was said and ticked, and its setups in the order in which they are made. */
export interface ShootPacking {
  day: DayPlan;
  setups: Setup[];
  list: PackingList;
  said: Packing;
}

/** The packing of a shoot; null where there is no such shoot. */
export function usePacking(shootId: string): ShootPacking | null {
  const day = useDayPlan(shootId);
  const id = ownedId(shootId, 'packing');
  const kept = useAppSelector((state) => selectDocument(state, 'packing', id));
  const kit = useAppSelector(selectGear);
  const store = useStore() as Store;
  const said = useMemo((): Packing => kept ?? { ...PLAIN_PACKING, id, shootId }, [kept, id, shootId]);
  return useMemo(() => {
    if (day === null) return null;
    const state = store.getState();
    const ballastOf = (setup: Setup): number =>
      (selectNumbers(state, setup.id)?.cautions ?? []).reduce(
        (sum, one) => (one.kind === 'ballast' || one.kind === 'panel-ballast' ? sum + one.kg : sum),
        0,
      );
    const toPack: ToPack[] = [
      ...day.lines.map(({ setup, charge, weather }) => ({
        setup,
        charge,
        ballastKg: ballastOf(setup),
        temperatureC: weather?.temperatureC ?? null,
      })),
      ...day.others.map((setup) => ({ setup, charge: null, ballastKg: ballastOf(setup), temperatureC: null })),
    ];
    return { day, said, setups: toPack.map(({ setup }) => setup), list: packingList(toPack, kit, said) };
  }, [day, said, kit, store]);
}
