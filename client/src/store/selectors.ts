import { createSelector } from '@reduxjs/toolkit';

import {
  type Change,
  type Conflict,
  type Document,
  type DocumentEdit,
  type DocumentType,
  type Frame,
  groupChanges,
  type Photo,
  type Shoot,
  type Spot,
} from '@sphene/core/documents';
import { gatherKit, type Kit, type KitItem } from '@sphene/core/gear';
import type { KeptLook } from '@sphene/core/record';
import { type Reading, type SceneChange, type Setup, withSettings } from '@sphene/core/setup';
import type { Deleted, Standing } from './documentsSlice';
import type { RootState } from './store';

const live = (state: RootState) => state.documents.byId;
const deleted = (state: RootState) => state.documents.deleted;
const standing = (state: RootState) => state.documents.standing;

/** What lies inside something that is deleted is not there either, until that is brought back. */
const isInside = (document: Document, gone: Record<string, unknown>, all: Record<string, Document>): boolean => {
  if ('shootId' in document && document.shootId !== null && document.shootId in gone) return true;
  if ('spotId' in document && document.spotId in gone) return true;
  if (!('setupId' in document) || document.setupId === null) return false;
  const setup = all[document.setupId];
  return document.setupId in gone || (setup !== undefined && isInside(setup, gone, all));
};

/** Documents by id: all but those that are deleted, and what lies inside these. */
export const byId = createSelector([live, deleted], (all, gone): Record<string, Document> => {
  if (Object.keys(gone).length === 0) return all;
  return Object.fromEntries(Object.entries(all).filter(([, document]) => !isInside(document, gone, all)));
});

/** What can be brought back, the newest first; what lies inside another that is deleted comes with that. */
export const selectDeleted = createSelector([live, deleted], (all, gone): Deleted[] =>
  Object.values(gone)
    .filter(({ document }) => !isInside(document, gone, all))
    .sort((a, b) => (a.at < b.at ? 1 : -1)),
);

/** What two devices said of one field and nobody has settled yet, the oldest first. */
export const selectConflicts = createSelector(byId, (documents): Conflict[] =>
  inOrder(ofType(documents, 'conflict').filter(({ answer, documentId }) => answer === null && documentId in documents)),
);

/** All that two devices said of fields of one document, settled or not. */
export const selectConflictsOf = createSelector(
  [byId, (_state: RootState, documentId: string) => documentId],
  (documents, documentId): Conflict[] =>
    inOrder(ofType(documents, 'conflict').filter((conflict) => conflict.documentId === documentId)),
);

/** Changes of names, kit and preferences, the newest first; of a shoot and what is in it, or (null) of the rest. */
export const selectEdits = createSelector(
  [byId, standing, (_state: RootState, shootId: string | null) => shootId],
  (documents, known, shootId): DocumentEdit[] =>
    inTime(
      ofType(documents, 'edit').filter((edit) => edit.shootId === shootId),
      known,
    ).reverse(),
);

/** What the server did not take, with why. */
export const selectAside = createSelector([byId, (state: RootState) => state.documents.aside], (documents, aside) =>
  Object.entries(aside).map(([id, reason]) => ({ id, reason, document: documents[id] })),
);
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

/** A list stays the same object as long as the same things are in it, so that what hangs on it is not computed again. */
export const sameList = {
  memoizeOptions: {
    resultEqualityCheck: (a: unknown, b: unknown) =>
      Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((one, index) => one === b[index]),
  },
};

/** Shoots, the newest day first. */
export const selectShoots = createSelector(byId, (documents): Shoot[] =>
  inOrder(ofType(documents, 'shoot')).sort((a, b) => (a.date < b.date ? 1 : a.date > b.date ? -1 : 0)),
);

/** Photographs of a spot and of the sets there, as they were taken. */
export const selectPhotos = createSelector(
  [byId, (_state: RootState, spotId: string) => spotId],
  (documents, spotId): Photo[] => inOrder(ofType(documents, 'photo').filter((photo) => photo.spotId === spotId)),
  sameList,
);

/** Looks that were kept, the newest first. */
export const selectLooks = createSelector(byId, (documents): KeptLook[] =>
  inOrder(ofType(documents, 'look')).sort((a, b) => (a.keptAt < b.keptAt ? 1 : -1)),
);

export const selectSpots = createSelector(byId, (documents): Spot[] => inOrder(ofType(documents, 'spot')));

/** Setups as they are listed within their spots; where nobody ordered them, as they were made. */
export const selectSetups = createSelector(byId, (documents): Setup[] =>
  inOrder(ofType(documents, 'setup')).sort((a, b) => a.listed - b.listed),
);

/** When something was made, by its own number: the first 48 bits of a version 7 UUID are milliseconds. Source: RFC 9562. */
const madeAtMs = (id: string): number => parseInt(id.slice(0, 8) + id.slice(9, 13), 16);

/** The setup that was made or worked in last: where a person was. undefined where there is none. */
export const selectLastSetup = createSelector(byId, (documents): Setup | undefined => {
  const lastAtMs = new Map<string, number>();
  for (const { setupId, at } of ofType(documents, 'reading', 'sceneChange', 'frame', 'change'))
    lastAtMs.set(setupId, Math.max(lastAtMs.get(setupId) ?? 0, Date.parse(at)));
  const atMs = ({ id }: Setup) => Math.max(madeAtMs(id), lastAtMs.get(id) ?? 0);
  return ofType(documents, 'setup').reduce<Setup | undefined>(
    (last, one) => (last === undefined || atMs(one) > atMs(last) ? one : last),
    undefined,
  );
});

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
      'meter',
      'preferences',
    ),
  sameList,
);
/** The kit as it was entered: without what readings have taught, which `setupView` adds. */
export const selectGear = createSelector(selectKitItems, (items): Kit => gatherKit(items));

/** The order of the log: by time as it was put right, ties as the server had them, then as they were made. */
const inTime = <T extends { id: string; at: string }>(facts: T[], known: Record<string, Standing>): T[] => {
  const seq = ({ id }: T) => known[id]?.seq || Number.MAX_SAFE_INTEGER;
  const times = new Map(facts.map((fact) => [fact.id, Date.parse(fact.at)]));
  return facts.sort(
    (a, b) => (times.get(a.id) ?? 0) - (times.get(b.id) ?? 0) || seq(a) - seq(b) || (a.id < b.id ? -1 : 1),
  );
};

const factsOf = createSelector(
  [byId, standing, (_state: RootState, setupId: string) => setupId],
  (documents, known, setupId) => ({
    readings: inTime(
      ofType(documents, 'reading').filter((reading) => reading.setupId === setupId),
      known,
    ),
    sceneChanges: inTime(
      ofType(documents, 'sceneChange').filter((change) => change.setupId === setupId),
      known,
    ),
    frames: inTime(
      ofType(documents, 'frame').filter((frame) => frame.setupId === setupId),
      known,
    ),
    changes: inTime(
      ofType(documents, 'change').filter((change) => change.setupId === setupId),
      known,
    ),
  }),
);

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
