import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

import type { DeviceView } from '@sphene/core/devices';

/** A device, and whether this page has it: its readings come here. */
export type ListedDevice = DeviceView & { mine: boolean };

export interface DevicesState {
  list: ListedDevice[];
  looking: boolean;
  /** what went wrong last, with which device and what to do */
  trouble: string | null;
}

const initialState: DevicesState = { list: [], looking: false, trouble: null };

const slice = createSlice({
  name: 'devices',
  initialState,
  reducers: {
    devicesListed(state, { payload }: PayloadAction<ListedDevice[]>) {
      state.list = payload;
    },
    lookingMoved(state, { payload }: PayloadAction<boolean>) {
      state.looking = payload;
    },
    troubled(state, { payload }: PayloadAction<string | null>) {
      state.trouble = payload;
    },
  },
});

export const { devicesListed, lookingMoved, troubled } = slice.actions;
export const devicesReducer = slice.reducer;
