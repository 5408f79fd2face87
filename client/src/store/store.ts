import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';

import { deviceReducer } from './deviceSlice';
import { devicesReducer } from './devicesSlice';
import { documentsReducer } from './documentsSlice';

/** A fresh store; the application has one, each test its own. */
export const makeStore = () =>
  configureStore({ reducer: { documents: documentsReducer, device: deviceReducer, devices: devicesReducer } });

export type Store = ReturnType<typeof makeStore>;
export type RootState = ReturnType<Store['getState']>;

export const useAppDispatch = useDispatch.withTypes<Store['dispatch']>();
export const useAppSelector = useSelector.withTypes<RootState>();
