import { OUR_NAME, texts } from './texts';
import { useAppSelector } from '@/store/store';
import { type ComponentType, useEffect, useState } from 'react';

import { ActionButton } from '../ui/ActionButton';
import { Screen } from './Screen';
import { Txt } from '../ui/Txt';

/** Screens that are not yet here, to be fetched while the server can be reached. */
const waiting = new Set<() => Promise<unknown>>();

/** Where a browser cannot say that it is idle, this long after the first screen stands. */
const IDLE_AFTER_MS = 500;

/**
 * Once the first screen stands, fetches every screen that is still missing, so that all of them open later without a
 * network. What fails is tried again each time the server was reached.
 */
export function useLaterScreens(): void {
  const sync = useAppSelector((state) => state.device.sync);
  const stands = useAppSelector((state) => state.documents.ready) && sync === 'synced';
  useEffect(() => {
    if (!stands || waiting.size === 0) return;
    const fetchAll = async () => {
      for (const fetchScreen of waiting) await fetchScreen().catch(() => undefined);
    };
    if (typeof requestIdleCallback === 'undefined') {
      const timer = setTimeout(() => void fetchAll(), IDLE_AFTER_MS);
      return () => clearTimeout(timer);
    }
    const idle = requestIdleCallback(() => void fetchAll());
    return () => cancelIdleCallback(idle);
  }, [stands]);
}

/**
 * A screen in a chunk of its own, so that the first one need not wait for it. It is fetched when it is opened,
 * or before that when the page is idle (`useLaterScreens`); from then on it is drawn at once.
 * @param load imports the screen
 */
export function laterScreen(load: () => Promise<ComponentType>): ComponentType {
  let loaded: ComponentType | null = null;
  const fetchScreen = async () => {
    loaded = await load();
    waiting.delete(fetchScreen);
    return loaded;
  };
  waiting.add(fetchScreen);
  return function LaterScreen() {
    const [Shown, setShown] = useState(() => loaded);
    const [failed, setFailed] = useState(false);
    const [tries, setTries] = useState(0);
    useEffect(() => {
      if (Shown !== null) return;
      let gone = false;
      fetchScreen().then(
        (screen) => {
          if (!gone) setShown(() => screen);
        },
        () => {
          if (!gone) setFailed(true);
        },
      );
      return () => {
        gone = true;
      };
    }, [Shown, tries]);
    if (Shown !== null) return <Shown />;
    return (
      <Screen title={OUR_NAME} up="/">
        {failed ? (
          <>
            <Txt role="alert" style={{ padding: 16 }}>
              {texts.thisScreenIsNotOn}
            </Txt>
            <ActionButton
              label={texts.tryAgain}
              kind="primary"
              onPress={() => {
                setFailed(false);
                setTries(tries + 1);
              }}
            />
          </>
        ) : (
          <Txt role="status" tone="quiet" style={{ padding: 16 }}>
            {texts.opening}
          </Txt>
        )}
      </Screen>
    );
  };
}
