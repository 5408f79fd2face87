import { texts } from './texts';
import { words } from '@/language/words';
import { sayConflict } from '@/setupView/lent';
import { selectKit } from '@/setupView/selectSolution';
import {
  byId,
  ofType,
  selectChangeGroups,
  selectChanges,
  selectConflictsOf,
  selectFrames,
  selectReadings,
  selectSceneChanges,
} from '@/store/selectors';
import type { RootState } from '@/store/store';

import type { By, Photo } from '@sphene/core/documents';
import { readForetold } from '@sphene/core/forecast';
import { sunStand } from '@sphene/core/gain';
import type { Kit } from '@sphene/core/gear';
import { meterIncrementOf, meterScene } from '@sphene/core/metering';
import { formatAperture, formatIso, formatShutter } from '@sphene/core/notation';
import type { Note } from '@sphene/core/record';
import type { FiredLight, Reading, Setup } from '@sphene/core/setup';

/** What an entry of the log is of. */
export const ENTRY_KINDS = ['reading', 'setting', 'scene', 'frame', 'photo', 'note'] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];

/** One line of the log. */
export interface Entry {
  id: string;
  kind: EntryKind;
  at: string;
  text: string;
  muted: boolean;
  /** null: of the shoot as a whole */
  setupId: string | null;
  /** a fact that can be struck out; null for what cannot */
  fact: { type: 'reading' | 'sceneChange' | 'frame'; id: string } | null;
  /** a note that stands for itself */
  note: Note | null;
  photo: Photo | null;
}

const PLAIN: Pick<Entry, 'muted' | 'fact' | 'note' | 'photo'> = { muted: false, fact: null, note: null, photo: null };

const sayFired = (fired: readonly FiredLight[], { lights }: Setup, kit: Kit): string =>
  fired
    .map(({ lightId, unitId, powerStops }) => {
      const light = lights.find(({ id }) => id === lightId);
      const name = lights.length > 1 && light !== undefined ? words.lightInText(light) : texts.flash;
      return texts.firedAt(name, words.power(kit, unitId, powerStops));
    })
    .join(', ');

const ORIGINS: Record<Reading['origin'], string> = {
  typed: '',
  frame: '',
  simulated: texts.simulatedMeter,
  device: texts.fromTheMeter,
};

/** A reading as it is told: what was read where and how, and by what light. */
function sayReading(reading: Reading, setup: Setup, kit: Kit): string {
  const { light, method, fired } = reading;
  const usual = light !== 'ambient' || (method.kind === 'incident' && method.aim === 'camera');
  const settings = texts.settings(
    formatAperture(reading.av, meterIncrementOf(reading.meterId, kit)),
    formatShutter(reading.tv, 'third'),
    formatIso(reading.sv),
  );
  const asTyped =
    `“${reading.text}”` +
    (usual ? '' : `, ${words.method(method)}`) +
    ORIGINS[reading.origin] +
    (reading.corrects === null ? '' : texts.putRight);
  const name = setup.points.find(({ id }) => id === reading.pointId)?.name ?? texts.point;
  const flash = fired.length === 0 ? '' : `, ${sayFired(fired, setup, kit)}`;
  return `${name}, ${texts.lights[light]}: ${settings}${flash} (${asTyped})`;
}

/** The newest first; what was done at one moment in the order in which it was made. */
export const newestFirst = (a: Entry, b: Entry): number =>
  Date.parse(b.at) - Date.parse(a.at) || (a.id < b.id ? 1 : -1);

/** A note that stands for itself, as an entry. */
export const noteEntry = (note: Note): Entry => ({
  ...PLAIN,
  id: note.id,
  kind: 'note',
  at: note.at,
  text: note.text === '' ? texts.noWords : note.text,
  setupId: note.setupId,
  note,
});

/** A photograph as an entry. */
export const photoEntry = (photo: Photo): Entry => ({
  ...PLAIN,
  id: photo.id,
  kind: 'photo',
  at: photo.at,
  text: photo.title === '' ? texts.photo : texts.photoOf(photo.title),
  setupId: photo.setupId,
  photo,
});

/** Every fact and every change of a setting of one setup, in no order. @param here this device; null: not known yet */
export function setupEntries(state: RootState, setup: Setup, here: By | null): Entry[] {
  const kit = selectKit(state, setup.id);
  const context = { setup, kit };
  const changedAt = new Set(selectChanges(state, setup.id).map(({ at }) => at));
  const of = (kind: EntryKind, one: { id: string; at: string }, text: string): Entry => ({
    ...PLAIN,
    id: one.id,
    at: one.at,
    kind,
    text,
    setupId: setup.id,
  });
  const fact = <F extends { id: string; at: string; struckAt: string | null } & NonNullable<Entry['fact']>>(
    kind: EntryKind,
    its: F,
    text: string,
  ): Entry => ({ ...of(kind, its, text), muted: its.struckAt !== null, fact: its });
  /** Said where it was another device. */
  const byWhom = (said: string, by: By | null) =>
    by === null || by.id === here?.id ? said : texts.onDevice(said, by.name);
  return [
    ...selectConflictsOf(state, setup.id).map((conflict): Entry => {
      const { claims } = sayConflict(state, conflict);
      const { answer } = conflict;
      const said = conflict.claims.map(({ by }, index) => byWhom(claims[index]?.text ?? '', by));
      const text =
        answer === null ? texts.asked(said[0] ?? '', said[1] ?? '') : texts.settled(said[answer.claim] ?? '');
      return of('setting', { id: conflict.id, at: answer?.at ?? conflict.at }, text);
    }),
    ...selectReadings(state, setup.id).map((reading) => fact('reading', reading, sayReading(reading, setup, kit))),
    // what was done in the application stands there as the change that it was
    ...selectSceneChanges(state, setup.id)
      .filter(({ at }) => !changedAt.has(at))
      .map((change) => fact('scene', change, texts.changedInTheScene(words.sceneChange(change.what).because))),
    ...selectFrames(state, setup.id).map((frame) => {
      const aperture = formatAperture(frame.av, 'third');
      const settings = texts.settings(aperture, formatShutter(frame.tv, 'third'), formatIso(frame.sv));
      return fact('frame', frame, texts.testFrame(frame.name, settings));
    }),
    ...selectChangeGroups(state, setup.id).map((group): Entry => {
      const said = byWhom(
        words.change(group, context, (sun) => sunStand({ sun })),
        group.by,
      );
      const text = group.undoes.length > 0 ? texts.takenBack(said) : said;
      return { ...of('setting', { id: group.ids[0] ?? '', at: group.at }, text), muted: group.undone };
    }),
    ...ofType(byId(state), 'photo')
      .filter(({ setupId }) => setupId === setup.id)
      .map(photoEntry),
    ...ofType(byId(state), 'note')
      .filter(({ setupId, about }) => setupId === setup.id && about === null)
      .map(noteEntry),
  ];
}

/** A setup has hardly more readings in one light. */
const MOST_FORETOLD = 60;

/** What was foretold of the readings of a setup, by reading: how far off it was, with its ±. */
export function foretoldOf(state: RootState, setup: Setup): Map<string, string> {
  const facts = [...selectReadings(state, setup.id), ...selectSceneChanges(state, setup.id)];
  const scene = meterScene(setup, selectKit(state, setup.id), facts, new Date(state.device.clockMs));
  return new Map(
    readForetold(scene, MOST_FORETOLD).map(({ readingId, overStops, sdStops }) => [
      readingId,
      texts.asForetold(words.stops(overStops), sdStops.toFixed(1)),
    ]),
  );
}
