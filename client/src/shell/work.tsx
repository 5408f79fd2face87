import { type ComponentType, createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react';

import { type RootState, useAppSelector } from '@/store/store';
import type { Conflict, FieldPath, Refusal } from '@sphene/core/documents';
import type { SetupFile } from '@sphene/core/formats';
import type { SchemaFault } from '@sphene/core/gear';
import type { Outcome } from '@sphene/core/photometry';
import type { Setup } from '@sphene/core/setup';

/** A field that two devices changed, as it is told. */
export interface SaidConflict {
  /** what it belongs to */
  of: string;
  claims: { text: string; inForce: boolean }[];
}

/** What the first screens borrow from the piece that works out light. */
export interface Work {
  /** what is to be done next at a setup, in a line */
  nextText: (state: RootState, setupId: string) => string | undefined;
  /** what a setup looks like among others */
  SetupFace: ComponentType<{ setup: Setup; spotTitle?: string; widthPx: number; across?: boolean }>;
  /** tells when a reading of a setup is due */
  DueWatch: ComponentType<{ setupId: string }>;
  /** what a schema refuses, and what would be right */
  sayFault: (fault: SchemaFault) => string;
  /** what the server did not take, and why */
  sayRefusal: (refusal: Refusal) => string;
  /** a field of what is called so, as it was and is */
  sayField: (of: string, field: { path: FieldPath; from: unknown; to: unknown }) => string;
  /** what two devices said of one field: its name, and both values */
  sayConflict: (state: RootState, conflict: Conflict) => SaidConflict;
  /** a setup file read; a failure is a sentence */
  readSetup: (text: string) => Outcome<SetupFile, string>;
}

interface Lent {
  /** the piece, once it is here */
  work: Work | null;
  /** fetches it, where it is wanted at once */
  load: () => Promise<Work>;
}

const WorkContext = createContext<Lent | null>(null);

/**
 * Lends the first screens what comes with the solver, a moment after the first screen stands: a list of shoots does not
 * wait for it. Without a network it comes when it is asked for again.
 * @param load imports the piece
 */
export function WorkProvider({ load, children }: { load: () => Promise<Work>; children: ReactNode }) {
  const [work, setWork] = useState<Work | null>(null);
  const stands = useAppSelector((state) => state.documents.ready && state.device.sync !== 'starting');
  useEffect(() => {
    if (!stands || work !== null) return;
    void load().then(setWork, () => undefined);
  }, [stands, work, load]);
  const lent = useMemo(() => ({ work, load }), [work, load]);
  return <WorkContext.Provider value={lent}>{children}</WorkContext.Provider>;
}

/** What the first screens borrow. */
export function useWork(): Lent {
  const lent = useContext(WorkContext);
  if (lent === null) throw new Error('useWork wants a WorkProvider above it');
  return lent;
}

/** Tells when a reading is due, of the setup that this is wanted of. */
export function DueNotices() {
  const { work } = useWork();
  const setupId = useAppSelector((state) => state.device.noticeFor);
  return work === null || setupId === null ? null : <work.DueWatch setupId={setupId} />;
}

/** What is to be done next at a setup; undefined while that is not known. */
export function useNextText(setupId: string): string | undefined {
  const { work } = useWork();
  return useAppSelector((state) => (state.documents.factsReady ? work?.nextText(state, setupId) : undefined));
}
