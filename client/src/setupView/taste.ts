import { selectFacts, selectGear, selectReadings, selectSetups, selectSpots } from '@/store/selectors';
import { type RootState, type Store, useAppSelector } from '@/store/store';
import { useEffect, useState } from 'react';
import { useStore } from 'react-redux';

import { lookPictureOf } from '@sphene/core/looks';
import { sceneKindOf, tasteFigures, type TasteSample } from '@sphene/core/review';
import type { Setup } from '@sphene/core/setup';
import { solveNumbers } from '@sphene/core/solution';
import { selectKit } from './selectSolution';

/** Under this name it is kept from when on taste counts. */
export const TASTE = 'taste';

/** Older setups than so many say nothing of how one works now. */
const MOST_SETUPS = 300;
/** As long as this at a time is worked out before hands come first again, ms. */
const A_WHILE_MS = 12;

interface Known {
  setup: Setup;
  readings: number;
  sample: TasteSample | null;
}
/** What was worked out before, by setup; it holds while neither the setup nor the number of its readings changed. */
const known = new Map<string, Known>();

/** A setup that was tested is one that was made; what is its taste? null for one that was only planned. */
function sampleOf(state: RootState, setup: Setup): TasteSample | null {
  const readings = selectReadings(state, setup.id).filter(({ struckAt }) => struckAt === null);
  const last = readings.findLast(({ light }) => light !== 'ambient');
  const spot = selectSpots(state).find(({ id }) => id === setup.spotId);
  if (last === undefined || spot === undefined) return null;
  const kit = selectKit(state, setup.id);
  const { numbers } = solveNumbers(setup, kit, selectFacts(state, setup.id), new Date(last.at));
  const { figures } = lookPictureOf(setup, kit, numbers);
  return {
    setupId: setup.id,
    atMs: Date.parse(last.at),
    scene: sceneKindOf(spot, numbers.stage.sun),
    figures: tasteFigures(figures, setup),
  };
}

function sampleKept(state: RootState, setup: Setup): TasteSample | null {
  const readings = selectReadings(state, setup.id).length;
  const before = known.get(setup.id);
  if (before?.setup === setup && before.readings === readings) return before.sample;
  const sample = sampleOf(state, setup);
  known.set(setup.id, { setup, readings, sample });
  return sample;
}

const aMoment = () => new Promise((done) => setTimeout(done, 0));

/**
 * What this photographer chose in setups that were made, the newest 300; worked out beside other work, a little at a time.
 * @param but a setup that does not count: the one that is asked for
 */
export function useTaste(but?: string): TasteSample[] {
  const store = useStore() as Store;
  const isReady = useAppSelector((state) => state.documents.factsReady);
  const setups = useAppSelector(selectSetups);
  const sinceAt = useAppSelector((state) => selectGear(state).preferences.forgotten[TASTE] ?? null);
  const [samples, setSamples] = useState<TasteSample[]>([]);
  useEffect(() => {
    let gone = false;
    const workOut = async () => {
      const found: TasteSample[] = [];
      let since = performance.now();
      for (const { id } of setups.slice(-MOST_SETUPS)) {
        if (performance.now() - since > A_WHILE_MS) {
          await aMoment();
          since = performance.now();
        }
        const state = store.getState();
        const setup = selectSetups(state).find((one) => one.id === id);
        if (gone) return;
        const sample = setup === undefined || id === but ? null : sampleKept(state, setup);
        if (sample !== null) found.push(sample);
      }
      if (!gone) setSamples(found);
    };
    if (isReady) void workOut();
    return () => {
      gone = true;
    };
  }, [store, setups, but, isReady]);
  return sinceAt === null ? samples : samples.filter(({ atMs }) => atMs > Date.parse(sinceAt));
}
