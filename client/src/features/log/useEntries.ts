import { byId, ofType, selectDocument } from '@/store/selectors';
import { type RootState, useAppSelector } from '@/store/store';
import { useMemo } from 'react';
import { useStore } from 'react-redux';

import type { Note } from '@sphene/core/record';
import type { Setup } from '@sphene/core/setup';
import { type Entry, foretoldOf, newestFirst, noteEntry, photoEntry, setupEntries } from './entries';

/** What was said of entries, by the entry. */
const notesByEntry = (notes: readonly Note[]): ReadonlyMap<string, Note> =>
  new Map(notes.flatMap((note) => (note.about === null ? [] : [[note.about, note] as const])));

/** The ids of what this device could not keep. */
export function useUnkept(): ReadonlySet<string> {
  const ids = useAppSelector((state) => state.device.unkept.ids);
  return useMemo(() => new Set(ids), [ids]);
}

/** Everything that stands in a log. */
export interface LogOf {
  entries: Entry[];
  /** stars, verdicts and words on entries */
  notes: ReadonlyMap<string, Note>;
}

const NOTHING_FORETOLD: ReadonlyMap<string, string> = new Map();

/** Every fact and every change of a setup with its time, the newest first, and what was foretold of its readings. */
export function useSetupLog(setup: Setup): LogOf & { foretold: ReadonlyMap<string, string> } {
  const documents = useAppSelector(byId);
  const device = useAppSelector((state) => state.device.device);
  const store = useStore<RootState>();
  const log = useMemo((): LogOf => {
    const notes = notesByEntry(ofType(documents, 'note'));
    return { entries: setupEntries(store.getState(), setup, device).sort(newestFirst), notes };
  }, [documents, setup, store, device]);
  // what was foretold of a reading stays, however late it is: no ticking clock is followed
  const foretold = useMemo(
    () => (documents[setup.id] === undefined ? NOTHING_FORETOLD : foretoldOf(store.getState(), setup)),
    [documents, setup, store],
  );
  return { ...log, foretold };
}

/** The log of a whole shoot: its setups, its spots' photographs, and notes on it as a whole. */
export function useShootLog(shootId: string): LogOf & { setups: Setup[] } {
  const documents = useAppSelector(byId);
  const device = useAppSelector((state) => state.device.device);
  const store = useStore<RootState>();
  return useMemo(() => {
    const state = store.getState();
    const setups = ofType(documents, 'setup').filter((setup) => setup.shootId === shootId);
    const ofShoot = ofType(documents, 'note').filter((note) => note.shootId === shootId);
    const apart = ofShoot.filter(({ setupId, about }) => setupId === null && about === null).map(noteEntry);
    const ofSpots = ofType(documents, 'photo')
      .filter((photo) => photo.shootId === shootId && photo.setupId === null)
      .map(photoEntry);
    const entries = setups.flatMap(({ id }) => {
      const setup = selectDocument(state, 'setup', id);
      return setup === undefined ? [] : setupEntries(state, setup, device);
    });
    return { entries: [...entries, ...apart, ...ofSpots].sort(newestFirst), notes: notesByEntry(ofShoot), setups };
  }, [documents, shootId, store, device]);
}
