import type { Actions } from '@/store/actions';
import { useActions } from '@/store/application';
import type { Store } from '@/store/store';
import { useStore } from 'react-redux';

import { Devices } from './devices';

const made = new WeakMap<Store, Devices>();

/** The devices of an application; made, and taken up again, when they are first wanted. */
function devicesOf(store: Store, actions: Actions): Devices {
  let devices = made.get(store);
  if (devices === undefined) {
    devices = new Devices(store, actions);
    made.set(store, devices);
    devices.resume();
  }
  return devices;
}

/** What a person can do with meters, cameras and radios; the same object for the life of the application. */
export const useDevices = (): Devices => devicesOf(useStore() as Store, useActions());
