import { useAppSelector, type RootState } from '@/store/store';
import { createContext, type ReactNode, useContext, useEffect, useState } from 'react';

/** Says what is to be done next at a setup. */
type NextText = (state: RootState, setupId: string) => string | undefined;

const NextTextContext = createContext<NextText | null>(null);

/**
 * Lends lists the words for what is to be done next. They come with the solver, a moment after the first screen stands:
 * a list of shoots does not wait for them.
 */
export function NextTextProvider({ load, children }: { load: () => Promise<NextText>; children: ReactNode }) {
  const [next, setNext] = useState<NextText | null>(null);
  const stands = useAppSelector((state) => state.documents.ready && state.device.sync !== 'starting');
  useEffect(() => {
    if (!stands || next !== null) return;
    // without a network it comes when the server is reached again; until then rows do without it
    void load().then(
      (loaded) => setNext(() => loaded),
      () => undefined,
    );
  }, [stands, next, load]);
  return <NextTextContext.Provider value={next}>{children}</NextTextContext.Provider>;
}

/** What is to be done next at a setup; undefined while that is not known. */
export function useNextText(setupId: string): string | undefined {
  const next = useContext(NextTextContext);
  return useAppSelector((state) => next?.(state, setupId));
}
