import { createContext, type ReactNode, useContext, useEffect, useState } from 'react';
import { Provider } from 'react-redux';

import { Actions } from './actions';
import { clockTicked, themeChosen } from './deviceSlice';
import { makeStore, type Store } from './store';
import { Keeper } from './sync/keeper';
import { followTheme } from './themeStorage';

interface Application {
  store: Store;
  keeper: Keeper;
  actions: Actions;
}

const ApplicationContext = createContext<Application | null>(null);

const CLOCK_MS = 20_000;

/** Makes the application's store, starts its keeper and its clock, and hands both down. */
export function ApplicationProvider({ children }: { children: ReactNode }) {
  const [application] = useState((): Application => {
    const store = makeStore();
    const keeper = new Keeper(store);
    // before the first render: the device's storage opens while the screen is drawn
    store.dispatch(clockTicked(Date.now()));
    void keeper.start();
    return { store, keeper, actions: new Actions(store, keeper) };
  });
  useEffect(() => {
    const ticking = setInterval(() => application.store.dispatch(clockTicked(Date.now())), CLOCK_MS);
    return () => clearInterval(ticking);
  }, [application]);
  useEffect(() => followTheme((theme) => application.store.dispatch(themeChosen(theme))), [application]);
  return (
    <ApplicationContext.Provider value={application}>
      <Provider store={application.store}>{children}</Provider>
    </ApplicationContext.Provider>
  );
}

function useApplication(): Application {
  const application = useContext(ApplicationContext);
  if (application === null) throw new Error('useActions wants an ApplicationProvider above it');
  return application;
}

/** What a person can do; the same object for the life of the application. */
export const useActions = (): Actions => useApplication().actions;
export const useKeeper = (): Keeper => useApplication().keeper;
