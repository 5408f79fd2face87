import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

import type { Document } from '@sphene/core/documents';
import type { Setting } from '@sphene/core/setup';

/** Unsaved values under the thumb: a control being dragged, shown everywhere but not yet a change. */
export interface Draft {
  setupId: string;
  settings: Setting[];
}

export interface DocumentsState {
  byId: Record<string, Document>;
  /** false until this device's storage has been read */
  ready: boolean;
  draft: Draft | null;
}

const initialState: DocumentsState = { byId: {}, ready: false, draft: null };

/** A document as it now stands, or null once it is deleted. */
export interface DocumentChange {
  id: string;
  document: Document | null;
}

const slice = createSlice({
  name: 'documents',
  initialState,
  reducers: {
    documentsChanged(state, { payload }: PayloadAction<DocumentChange[]>) {
      for (const { id, document } of payload)
        if (document === null) delete state.byId[id];
        else state.byId[id] = document;
    },
    storageRead(state) {
      state.ready = true;
    },
    drafted(state, { payload }: PayloadAction<Draft | null>) {
      state.draft = payload;
    },
  },
});

export const { documentsChanged, storageRead, drafted } = slice.actions;
export const documentsReducer = slice.reducer;
