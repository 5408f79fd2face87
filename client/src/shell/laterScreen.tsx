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

type Load = () => Promise<ComponentType>;

/** What comes later: the screen once it is there, whether it could not be fetched, and the way to try again. */
interface Later {
  Shown: ComponentType | null;
  failed: boolean;
  again: () => void;
}

/** Fetches a screen once, when it is opened or before that. */
function later(load: Load): { use: () => Later; fetchScreen: Load } {
  let loaded: ComponentType | null = null;
  const fetchScreen = async () => {
    loaded = await load();
    waiting.delete(fetchScreen);
    return loaded;
  };
  const use = (): Later => {
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
    const again = () => {
      setFailed(false);
      setTries(tries + 1);
    };
    return { Shown, failed, again };
  };
  return { use, fetchScreen };
}

/** What stands where the screen is to come. */
const Waiting = ({ failed, again }: Later) =>
  failed ? (
    <>
      <Txt role="alert" style={{ padding: 16 }}>
        {texts.thisScreenIsNotOn}
      </Txt>
      <ActionButton label={texts.tryAgain} kind="primary" onPress={again} />
    </>
  ) : (
    <Txt role="status" tone="quiet" style={{ padding: 16 }}>
      {texts.opening}
    </Txt>
  );

/**
 * A screen in a chunk of its own, so that the first one need not wait for it. It is fetched when it is opened,
 * or before that when the page is idle (`useLaterScreens`); from then on it is drawn at once.
 * @param load imports the screen
 */
export function laterScreen(load: Load): ComponentType {
  const { use: useLater, fetchScreen } = later(load);
  waiting.add(fetchScreen);
  return function LaterScreen() {
    const screen = useLater();
    if (screen.Shown !== null) return <screen.Shown />;
    return (
      <Screen title={OUR_NAME} up="/">
        <Waiting {...screen} />
      </Screen>
    );
  };
}

/** A page that stands by itself: without an account, what it keeps, or the way to other screens. */
export function laterPage(load: Load): ComponentType {
  const { use: useLater } = later(load);
  return function LaterPage() {
    const page = useLater();
    return page.Shown === null ? <Waiting {...page} /> : <page.Shown />;
  };
}
