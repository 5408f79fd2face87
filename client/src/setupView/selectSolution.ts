import { byId, ofType, sameList, selectDocument, selectFacts, selectGear, selectSetup } from '@/store/selectors';
import type { RootState } from '@/store/store';
import { createSelector } from '@reduxjs/toolkit';

import { NOTHING_AROUND, type Surroundings, surroundingsAt } from '@sphene/core/documents';
import type { Kit } from '@sphene/core/gear';
import { taughtKit, teaches } from '@sphene/core/lights';
import type { Reading, SceneChange, Setup } from '@sphene/core/setup';
import { type SolutionAdvice, type SolutionNumbers, type SolvedNumbers, solveNumbers } from '@sphene/core/solution';

/** Setups whose readings teach of the kit, but for one, with all that is on record of them. */
const selectTeaching = createSelector(
  [byId, (_state: RootState, but?: string) => but ?? null],
  (documents, but): (Setup | Reading | SceneChange)[] => {
    const taught = new Set(
      ofType(documents, 'reading')
        .filter((reading) => teaches(reading, but ?? undefined))
        .map(({ setupId }) => setupId),
    );
    return [
      ...ofType(documents, 'setup').filter(({ id }) => taught.has(id)),
      ...ofType(documents, 'reading', 'sceneChange').filter(({ setupId }) => taught.has(setupId)),
    ];
  },
  sameList,
);

/**
 * The kit with what the readings of the account have taught about it. A setup's own readings speak in its own estimate:
 * it gets the kit as the others taught it.
 * @param but the setup that it is for; none: everything that was learned
 */
export const selectKit = createSelector([selectGear, selectTeaching], (gear, teaching): Kit => {
  const facts = teaching.filter((one) => one.type !== 'setup');
  const setups = teaching.flatMap((one) => (one.type === 'setup' ? [one] : []));
  return taughtKit(gear, setups, facts);
});

const spotOfSetup = (state: RootState, id: string) =>
  selectDocument(state, 'spot', selectSetup(state, id)?.spotId ?? '');

/** What its spot is like when a setup is made: now, or when the plan has it where that is still to come. */
export const selectAround = createSelector(
  [spotOfSetup, selectSetup, (state: RootState) => state.device.clockMs],
  (spot, setup, clockMs): Surroundings => {
    if (spot === undefined) return NOTHING_AROUND;
    const plannedMs = setup?.plan?.startsAt == null ? clockMs : Date.parse(setup.plan.startsAt);
    return surroundingsAt(spot, Math.max(clockMs, plannedMs));
  },
);

/** The first breath of a setup's answer; made again only when something that it depends on changed. */
const selectSolved = createSelector(
  [selectSetup, selectKit, selectFacts, (state: RootState) => state.device.clockMs, selectAround],
  (setup, kit, facts, clockMs, around): SolvedNumbers | undefined =>
    setup === undefined ? undefined : solveNumbers(setup, kit, facts, new Date(clockMs), around),
);

/** The numbers of a setup, for what follows a thumb. */
export const selectNumbers = (state: RootState, id: string): SolutionNumbers | undefined =>
  selectSolved(state, id)?.numbers;

/** The advice on a setup: worked out when it is asked for, and not while something is under the thumb. */
export const selectAdvice = createSelector(selectSolved, (solved): SolutionAdvice | undefined => solved?.advise());

/** The advice as it was when hands last rested: what is under the thumb asks for numbers only. */
export function restingAdvice(id: string): (state: RootState) => SolutionAdvice | undefined {
  let last: SolutionAdvice | undefined;
  return (state) => {
    if (state.documents.draft === null || last === undefined) last = selectAdvice(state, id);
    return last;
  };
}

/**
 * The point that is metered next in a setup: the one chosen by hand, else the first without a reading, else the
 * first that no longer holds.
 */
export function selectActivePointId(state: RootState, setupId: string): string | null {
  const setup = selectSetup(state, setupId);
  const numbers = selectNumbers(state, setupId);
  const chosen = state.device.metering?.setupId === setupId ? state.device.metering.pointId : null;
  if (setup?.points.some(({ id }) => id === chosen)) return chosen;
  return (
    numbers?.points.find(({ ambientEv100 }) => ambientEv100 === null)?.pointId ??
    numbers?.meterAgain[0]?.pointId ??
    setup?.points[0]?.id ??
    null
  );
}
