import { createContext, type ReactNode, useCallback, useContext, useState } from 'react';

import type { Entering } from '@/ui/ReadingEntry';

/** What is being entered, and under what circumstances it will be kept. */
interface Pending extends Entering {
  how: string;
}
type Put = (owner: string, pending: Pending | null) => void;

const PendingContext = createContext<Pending | null>(null);
const PutContext = createContext<Put>(() => undefined);

/** Knows what is being entered anywhere in a setup, so that its one bar can keep it. */
export function EnteringProvider({ children }: { children: ReactNode }) {
  const [all, setAll] = useState<readonly { owner: string; pending: Pending }[]>([]);
  const put = useCallback<Put>((owner, pending) => {
    setAll((before) => {
      const others = before.filter((one) => one.owner !== owner);
      if (pending === null) return others.length === before.length ? before : others;
      return [...others, { owner, pending }];
    });
  }, []);
  return (
    <PutContext value={put}>
      <PendingContext value={all.at(-1)?.pending ?? null}>{children}</PendingContext>
    </PutContext>
  );
}

/** What is being entered and not kept yet, the newest where there are several; null while nothing is. */
export const usePending = (): Pending | null => useContext(PendingContext);

/**
 * What a field tells of what is being entered in it.
 * @param owner which field it is
 * @param how under what circumstances it will be kept: how it was metered, at which power
 */
export function useEntering(owner: string, how: string): (entering: Entering | null) => void {
  const put = useContext(PutContext);
  return useCallback(
    (entering: Entering | null) => put(owner, entering === null ? null : { ...entering, how }),
    [put, owner, how],
  );
}
