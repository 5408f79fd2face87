import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

import type { Document, Refusal } from '@sphene/core/documents';
import type { Setting } from '@sphene/core/setup';

/** Unsaved values under the thumb: a control being dragged, shown everywhere but not yet a change. */
export interface Draft {
  setupId: string;
  settings: Setting[];
}

/** What is known of a document beside what it says. */
export interface Standing {
  /** the how manieth thing done on this device it was; null: done elsewhere */
  here: number | null;
  /** its number at the server, 0 before it has one; ties in time are put in this order */
  seq: number;
}

/** Something deleted that can be brought back. */
export interface Deleted {
  document: Document;
  at: string;
}

export interface DocumentsState {
  byId: Record<string, Document>;
  standing: Record<string, Standing>;
  deleted: Record<string, Deleted>;
  /** what the server did not take, with why */
  aside: Record<string, Refusal>;
  /** false until shoots, spots, setups and kit have been read from this device's storage */
  ready: boolean;
  /** false until readings, frames and changes have been read as well: nothing is solved before */
  factsReady: boolean;
  draft: Draft | null;
}

const initialState: DocumentsState = {
  byId: {},
  standing: {},
  deleted: {},
  aside: {},
  ready: false,
  factsReady: false,
  draft: null,
};

/** A document as it now stands; null once it is gone for good. */
export interface DocumentChange extends Partial<Standing> {
  id: string;
  document: Document | null;
  deletedAt?: string | null;
}

const slice = createSlice({
  name: 'documents',
  initialState,
  reducers: {
    documentsChanged(state, { payload }: PayloadAction<DocumentChange[]>) {
      for (const { id, document, deletedAt = null, here = null, seq = 0 } of payload) {
        delete state.deleted[id];
        delete state.byId[id];
        delete state.standing[id];
        if (document === null) continue;
        if (deletedAt === null) state.byId[id] = document;
        else state.deleted[id] = { document, at: deletedAt };
        state.standing[id] = { here, seq };
      }
    },
    setAside(state, { payload }: PayloadAction<Record<string, Refusal>>) {
      state.aside = payload;
    },
    /** Another account's documents take the place of these. */
    documentsForgotten: () => initialState,
    factsRead(state) {
      state.factsReady = true;
    },
    storageRead(state) {
      state.ready = true;
    },
    drafted(state, { payload }: PayloadAction<Draft | null>) {
      state.draft = payload;
    },
  },
});

export const { documentsChanged, setAside, documentsForgotten, storageRead, factsRead, drafted } = slice.actions;
export const documentsReducer = slice.reducer;
