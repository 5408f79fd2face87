import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** Where this device stands with the server. */
export type SyncStatus = 'starting' | 'syncing' | 'synced' | 'offline' | 'refused';

export const THEME_CHOICES = ['system', 'dark', 'glare', 'dim'] as const;
export type ThemeChoice = (typeof THEME_CHOICES)[number];

/** A message at the foot of the screen; what was deleted by its title comes with a way to bring it back. */
export type Notice = { text: string } | { deleted: string; documentIds: string[] };

/** Why this device's own storage could not be used. */
export type StorageProblem = 'blocked' | 'full';

export interface DeviceState {
  sync: SyncStatus;
  /** changes that wait for the server */
  waiting: number;
  /** why this device's own storage could not be used; null when all is well */
  storageProblem: StorageProblem | null;
  theme: ThemeChoice;
  notice: Notice | null;
  /** minutes pass: ages of readings are counted from here */
  clockMs: number;
  /** the setup on screen, and the point chosen by hand in it; a meter that is connected sends its readings there */
  metering: { setupId: string; pointId: string | null } | null;
}

const initialState: DeviceState = {
  sync: 'starting',
  waiting: 0,
  storageProblem: null,
  theme: 'system',
  notice: null,
  clockMs: 0,
  metering: null,
};

const slice = createSlice({
  name: 'device',
  initialState,
  reducers: {
    syncMoved(state, { payload }: PayloadAction<SyncStatus>) {
      state.sync = payload;
    },
    waitingCounted(state, { payload }: PayloadAction<number>) {
      state.waiting = payload;
    },
    storageFailed(state, { payload }: PayloadAction<StorageProblem | null>) {
      state.storageProblem = payload;
    },
    themeChosen(state, { payload }: PayloadAction<ThemeChoice>) {
      state.theme = payload;
    },
    noticed(state, { payload }: PayloadAction<Notice | null>) {
      state.notice = payload;
    },
    meteringMoved(state, { payload }: PayloadAction<DeviceState['metering']>) {
      state.metering = payload;
    },
    clockTicked(state, { payload }: PayloadAction<number>) {
      state.clockMs = payload;
    },
  },
});

export const { syncMoved, waitingCounted, storageFailed, themeChosen, noticed, meteringMoved, clockTicked } =
  slice.actions;
export const deviceReducer = slice.reducer;
