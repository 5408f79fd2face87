import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

import type { By } from '@sphene/core/documents';
import type { SchemaFault } from '@sphene/core/gear';

/**
 * Where this device stands with the server. `offline` only where it cannot be reached; `trouble` where it answers, and
 * not as it should; `full` where this device has no room to keep an answer in; the last two where one of both speaks
 * another version of the protocol.
 */
export type SyncStatus =
  'starting' | 'syncing' | 'synced' | 'offline' | 'trouble' | 'full' | 'older-server' | 'newer-server';

export const THEME_CHOICES = ['system', 'dark', 'glare', 'dim'] as const;
export type ThemeChoice = (typeof THEME_CHOICES)[number];

/** A message at the foot of the screen; what was deleted by its title comes with a way to bring it back. */
export type Notice =
  | { text: string }
  | { deleted: string; documentIds: string[] }
  | { cameBack: string[] }
  | { historyCompared: true }
  | { refused: SchemaFault };

/**
 * Why this device's own storage could not be used: the browser does not allow it, it is full, a tab of an older version
 * holds it, or a newer version of the application has taken it over in another tab.
 */
export type StorageProblem = 'blocked' | 'full' | 'held' | 'newer';

/** Changes that are on screen and not in the device's storage. */
export interface Unkept {
  ids: string[];
  /** how many of them the server has all the same */
  onServer: number;
}

export interface DeviceState {
  sync: SyncStatus;
  /** changes that wait for the server */
  waiting: number;
  /** why this device's own storage could not be used; null when all is well */
  storageProblem: StorageProblem | null;
  unkept: Unkept;
  /** this device as others see it; null until the storage is read */
  device: By | null;
  /** a newer version of the application waits to take over */
  updateWaits: boolean;
  theme: ThemeChoice;
  notice: Notice | null;
  /** minutes pass: ages of readings are counted from here */
  clockMs: number;
  /** the setup on screen, and the point chosen by hand in it; a meter that is connected sends its readings there */
  metering: { setupId: string; pointId: string | null } | null;
  /** the address on which what is to be settled was opened: it stays open while that screen is still being fetched */
  settlingAt: string | null;
  /** the setup of which it is told when a reading is due; null: of none */
  noticeFor: string | null;
}

const initialState: DeviceState = {
  sync: 'starting',
  waiting: 0,
  storageProblem: null,
  unkept: { ids: [], onServer: 0 },
  device: null,
  updateWaits: false,
  theme: 'system',
  notice: null,
  clockMs: 0,
  metering: null,
  settlingAt: null,
  noticeFor: null,
};

const slice = createSlice({
  name: 'device',
  initialState,
  reducers: {
    syncMoved(state, { payload }: PayloadAction<SyncStatus>) {
      state.sync = payload;
    },
    noticeMoved(state, { payload }: PayloadAction<string | null>) {
      state.noticeFor = payload;
    },
    settlingMoved(state, { payload }: PayloadAction<string | null>) {
      state.settlingAt = payload;
    },
    waitingCounted(state, { payload }: PayloadAction<number>) {
      state.waiting = payload;
    },
    storageFailed(state, { payload }: PayloadAction<StorageProblem | null>) {
      state.storageProblem = payload;
    },
    unkeptCounted(state, { payload }: PayloadAction<Unkept>) {
      state.unkept = payload;
    },
    deviceNamed(state, { payload }: PayloadAction<By>) {
      state.device = payload;
    },
    updateFound(state, { payload }: PayloadAction<boolean>) {
      state.updateWaits = payload;
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

export const {
  syncMoved,
  settlingMoved,
  noticeMoved,
  waitingCounted,
  storageFailed,
  unkeptCounted,
  deviceNamed,
  updateFound,
  themeChosen,
  noticed,
  meteringMoved,
  clockTicked,
} = slice.actions;
export const deviceReducer = slice.reducer;
