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
import { type Reading, type SceneChange, type Setup, withSettings } from '@sphene/core/setup';
import type { RootState } from './store';

export const byId = (state: RootState) => state.documents.byId;
export const ofType = <T extends DocumentType>(documents: Record<string, Document>, ...types: T[]) =>
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
export const sameList = {
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
/** The kit as it was entered: without what readings have taught, which `setupView` adds. */
export const selectGear = createSelector(selectKitItems, (items): Kit => gatherKit(items));

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
export const selectFacts = createSelector(
  [selectReadings, selectSceneChanges],
  (readings, sceneChanges): (Reading | SceneChange)[] => [...readings, ...sceneChanges],
);

/** The setup as it is on screen: with what is under the thumb just now. */
export const selectSetup = createSelector(
  [(state: RootState, id: string) => selectDocument(state, 'setup', id), (state: RootState) => state.documents.draft],
  (setup, draft): Setup | undefined => {
    if (setup === undefined || draft?.setupId !== setup.id) return setup;
    const drafted = withSettings(setup, draft.settings);
    return drafted.ok ? drafted.value : setup;
  },
);
