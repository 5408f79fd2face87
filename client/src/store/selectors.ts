import { createSelector } from '@reduxjs/toolkit';

import {
  type Change,
  type Document,
  type DocumentType,
  type Frame,
  groupChanges,
  type Shoot,
  type Spot,
} from '@sphene/core/documents';
import { gatherKit, type Kit, type KitItem } from '@sphene/core/gear';
import { teach } from '@sphene/core/lights';
import type { Fact } from '@sphene/core/metering';
import { type Reading, type SceneChange, type Setup, withSettings } from '@sphene/core/setup';
import { solve } from '@sphene/core/solution';
import type { RootState } from './store';

const byId = (state: RootState) => state.documents.byId;
const ofType = <T extends DocumentType>(documents: Record<string, Document>, ...types: T[]) =>
  Object.values(documents).filter((document): document is Extract<Document, { type: T }> =>
    (types as DocumentType[]).includes(document.type),
  );
const inOrder = <T extends { id: string }>(documents: T[]): T[] => documents.sort((a, b) => (a.id < b.id ? -1 : 1));

/** One document, when it is of the type asked for. */
export function selectDocument<T extends DocumentType>(
  state: RootState,
  type: T,
  id: string,
): Extract<Document, { type: T }> | undefined {
  const document = byId(state)[id];
  return document?.type === type ? (document as Extract<Document, { type: T }>) : undefined;
}

/** Shoots, the newest day first. */
export const selectShoots = createSelector(byId, (documents): Shoot[] =>
  inOrder(ofType(documents, 'shoot')).sort((a, b) => (a.date < b.date ? 1 : a.date > b.date ? -1 : 0)),
);

export const selectSpots = createSelector(byId, (documents): Spot[] => inOrder(ofType(documents, 'spot')));

export const selectSetups = createSelector(byId, (documents): Setup[] => inOrder(ofType(documents, 'setup')));

/** A list stays the same object as long as the same things are in it, so that what hangs on it is not computed again. */
const sameList = {
  memoizeOptions: {
    resultEqualityCheck: (a: unknown, b: unknown) =>
      Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((one, index) => one === b[index]),
  },
};

export const selectKitItems = createSelector(
  byId,
  (documents): KitItem[] =>
    ofType(
      documents,
      'camera',
      'lens',
      'flashUnit',
      'modifier',
      'grid',
      'gel',
      'filter',
      'stand',
      'lamp',
      'reflector',
      'preferences',
    ),
  sameList,
);
const selectFlashFacts = createSelector(
  byId,
  (documents): Reading[] => {
    const readings = ofType(documents, 'reading');
    const flashed = new Set(readings.filter(({ light }) => light !== 'ambient').map(({ setupId }) => setupId));
    return readings.filter(({ setupId }) => flashed.has(setupId));
  },
  sameList,
);
const selectConfirmed = createSelector(
  byId,
  (documents): string[] =>
    ofType(documents, 'setup')
      .flatMap(({ confirmed }) => confirmed)
      .sort(),
  sameList,
);

/** The kit with what all readings of the account have taught about it. */
export const selectKit = createSelector(
  [selectKitItems, selectFlashFacts, selectConfirmed],
  (items, readings, confirmed): Kit => {
    const kit = gatherKit(items);
    return { ...kit, calibration: teach(kit, readings, new Set(confirmed)) };
  },
);

const factsOf = createSelector([byId, (_state: RootState, setupId: string) => setupId], (documents, setupId) => ({
  readings: inOrder(ofType(documents, 'reading').filter((reading) => reading.setupId === setupId)),
  sceneChanges: inOrder(ofType(documents, 'sceneChange').filter((change) => change.setupId === setupId)),
  frames: inOrder(ofType(documents, 'frame').filter((frame) => frame.setupId === setupId)),
  changes: inOrder(ofType(documents, 'change').filter((change) => change.setupId === setupId)),
}));

export const selectReadings = createSelector(factsOf, ({ readings }): Reading[] => readings);
export const selectSceneChanges = createSelector(factsOf, ({ sceneChanges }): SceneChange[] => sceneChanges);
export const selectFrames = createSelector(factsOf, ({ frames }): Frame[] => frames);
export const selectChanges = createSelector(factsOf, ({ changes }): Change[] => changes);
export const selectChangeGroups = createSelector(selectChanges, groupChanges);

/** What the solution of a setup is made from besides the setup and the kit. */
export const selectFacts = createSelector([selectReadings, selectSceneChanges], (readings, sceneChanges): Fact[] => [
  ...readings,
  ...sceneChanges,
]);

/** The setup as it is on screen: with what is under the thumb just now. */
export const selectSetup = createSelector(
  [(state: RootState, id: string) => selectDocument(state, 'setup', id), (state: RootState) => state.documents.draft],
  (setup, draft): Setup | undefined => {
    if (setup === undefined || draft?.setupId !== setup.id) return setup;
    const drafted = withSettings(setup, draft.settings);
    return drafted.ok ? drafted.value : setup;
  },
);

/** The solution of a setup: what every screen of it reads. Computed again only when something that it depends on changed. */
export const selectSolution = createSelector(
  [selectSetup, selectKit, selectFacts, (state: RootState) => state.device.clockMs],
  (setup, kit, facts, clockMs) => (setup === undefined ? undefined : solve(setup, kit, facts, new Date(clockMs))),
);

/** The point that is metered next in a setup: the one chosen by hand, else the first without a reading, else the first that no longer holds. */
export function selectActivePointId(state: RootState, setupId: string): string | null {
  const setup = selectSetup(state, setupId);
  const solution = selectSolution(state, setupId);
  const chosen = state.device.metering?.setupId === setupId ? state.device.metering.pointId : null;
  if (setup?.points.some(({ id }) => id === chosen)) return chosen;
  return (
    solution?.points.find(({ ambientEv100 }) => ambientEv100 === null)?.pointId ??
    solution?.meterAgain[0]?.pointId ??
    setup?.points[0]?.id ??
    null
  );
}
