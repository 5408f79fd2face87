import {
  askedSetting,
  type Change as SettingsChange,
  type Conflict,
  type Document,
  documentSchema,
  type Frame,
  lastUndoable,
  mended,
  settingChanges,
  undoSettings,
  withValueAt,
} from '@sphene/core/documents';
import type { GearItem, Preferences } from '@sphene/core/gear';
import { type ExposureSettings, failure, type Outcome, success } from '@sphene/core/photometry';
import {
  completed,
  type Happening,
  happenings,
  LOOK_RANGES,
  type MeteringPoint,
  PLAIN_CHANGE,
  PLAIN_READING,
  type Reading,
  type ReadingMethod,
  type SceneChange,
  type SceneChangeKind,
  type Setting,
  type SettingFault,
  type SettingPath,
  type Setup,
  stoodAs,
  stoodOf,
  withSettings,
} from '@sphene/core/setup';
import { drafted } from './documentsSlice';
import {
  selectChangeGroups,
  selectChanges,
  selectDocument,
  selectFrames,
  selectGear,
  selectReadings,
  selectSceneChanges,
} from './selectors';
import type { Change } from './sync/keeper';
import { add, edit } from './shootActions';
import { RecordActions } from './recordActions';

/** Preferences are one document: two devices that both make it for the first time mean the same. */
const PREFERENCES_ID = '019c9c00-0000-7000-8000-0000000000ff';

/** A test frame as it comes from a picture. */
export type NewFrame = Omit<Frame, 'type' | 'version' | 'id' | 'setupId' | 'at' | 'struckAt'> & { image: string };

/** What must be said of a new reading; the rest is as usual unless said too. */
export type NewReading = Pick<Reading, 'pointId' | 'text' | 'av' | 'tv' | 'sv'> & Partial<Reading>;

/** What a reading is taken with, and how things stand meanwhile. */
function takenWith(setup: Setup, { kind }: ReadingMethod): Partial<Reading> {
  const byCamera = kind === 'frame' || kind === 'reflected' || kind === 'eye';
  const { cameraId, lensId } = setup.camera;
  const stood = stoodOf(setup);
  return byCamera ? { stood, cameraId, lensId } : { stood, meterId: setup.meter.meterId };
}

/** What needs no entry of its own: the meter's shutter and ISO are part of every reading, and marks go as things are used. */
const isLogged = (path: SettingPath): boolean =>
  !path.startsWith('meter.') && path !== 'takenOver' && path !== 'listed';

/** Why something that a person did to a setup was not done. */
export type ActionFault = SettingFault | { kind: 'setup-gone' | 'no-flash-in-kit' };

/** What was taken back. */
export type Undone =
  | { kind: 'struck'; fact: Reading | SceneChange | Frame }
  | { kind: 'correction'; readingText: string }
  | { kind: 'change' | 'change-stays' | 'nothing' };

const within = (value: number, { least, most }: { least: number; most: number }): number =>
  Math.min(most, Math.max(least, value));

/** What a person can do to their documents. */
export class Actions extends RecordActions {
  /**
   * Changes settings of a setup and logs what they were, with what that made happen in the scene; nothing happens when
   * nothing differs.
   * @param undoes the changes that it takes back  @param all what happened, where the settings alone do not tell
   */
  changeSettings(
    setupId: string,
    settings: readonly Setting[],
    { undoes = [], all }: { undoes?: string[]; all?: readonly Happening[] } = {},
  ): Outcome<null, ActionFault> {
    this.store.dispatch(drafted(null));
    const setup = selectDocument(this.store.getState(), 'setup', setupId);
    if (setup === undefined) return failure({ kind: 'setup-gone' });
    const changes = settingChanges(setup, completed(setup, settings));
    if (changes.length === 0 && all === undefined) return success(null);
    const changed = withSettings(
      setup,
      changes.map(({ path, to }) => ({ path, value: to })),
    );
    if (!changed.ok) return changed;
    const logged = changes.filter(({ path }) => isLogged(path));
    const at = this.clock.timestamp();
    const fact: SettingsChange = {
      type: 'change',
      version: 8,
      id: this.clock.newId(),
      setupId,
      at,
      settings: logged,
      by: this.keeper.device,
      undoes,
    };
    const facts = logged.length === 0 ? [] : [add(fact)];
    this.keep([edit(setup, changed.value), ...facts, ...this.happened(setup, changed.value, { at, undoes, all })]);
    return success(null);
  }

  /** What a change of a setup made happen in its scene; what a change that is taken back made happen is struck out. */
  private happened(
    was: Setup,
    is: Setup,
    { at, undoes, all }: { at: string; undoes: readonly string[]; all: readonly Happening[] | undefined },
  ): Change[] {
    const state = this.store.getState();
    const known = selectSceneChanges(state, is.id);
    if (undoes.length === 0)
      return happenings(was, is, [...selectReadings(state, is.id), ...known], all).map((one) =>
        add({ ...PLAIN_CHANGE, ...one, id: this.clock.newId(), setupId: is.id, at }),
      );
    const times = undoes.map((id) => selectDocument(state, 'change', id)?.at);
    return known
      .filter((one) => one.struckAt === null && times.includes(one.at))
      .map((one) => edit(one, { ...one, struckAt: at }));
  }

  /**
   * Says that what the application took for a change was so all along: readings from before it are put right, and it is
   * struck out.
   */
  stoodSo(changeId: string): void {
    const state = this.store.getState();
    const change = selectDocument(state, 'sceneChange', changeId);
    const setup = change === undefined ? undefined : selectDocument(state, 'setup', change.setupId);
    if (change === undefined || setup === undefined) return;
    const struckAt = this.clock.timestamp();
    const before = selectReadings(state, setup.id).filter(
      (reading) => reading.struckAt === null && Date.parse(reading.at) <= Date.parse(change.at),
    );
    this.keep([
      edit(change, { ...change, struckAt }),
      ...before.flatMap((reading) => {
        const stood = stoodAs(reading.stood, setup, change.what);
        if (stood === reading.stood) return [];
        return [
          edit(reading, { ...reading, struckAt }),
          add({ ...reading, stood, id: this.clock.newId(), corrects: reading.id }),
        ];
      }),
    ]);
    const panels = setup.panels.map((panel) => (panel.id === change.thingId ? { ...panel, movedAt: null } : panel));
    this.changeSettings(setup.id, [{ path: 'panels', value: panels }], { all: [] });
  }

  /** Shows settings while a control is being moved, without keeping them yet; null: it was let go without a change. */
  draft(setupId: string, settings: Setting[] | null): void {
    this.store.dispatch(drafted(settings === null ? null : { setupId, settings }));
  }

  /** Adds a reading to the log; what is not said is as usual. Returns its id. */
  addReading(setupId: string, reading: NewReading): string {
    const id = this.clock.newId();
    const setup = selectDocument(this.store.getState(), 'setup', setupId);
    const taken = setup === undefined ? {} : takenWith(setup, reading.method ?? PLAIN_READING.method);
    this.keep([add({ ...PLAIN_READING, at: this.clock.timestamp(), ...taken, ...reading, id, setupId })]);
    return id;
  }

  /**
   * Takes settings that look right for a place, or for the whole frame, as a reading by eye, and the camera as it stands: that
   * place leads the exposure from then on, and a reading of the face is not waited for.
   * @param clipsAboveStops of the camera: a sky that looks right lies at mid grey, so far under it
   * @param sky the sky's point, where it is meant and there is none yet
   */
  looksRight(
    setupId: string,
    { av, tv, sv }: ExposureSettings,
    what: 'background' | 'sky' | 'frame',
    { text, clipsAboveStops, sky }: { text: string; clipsAboveStops: number; sky: MeteringPoint },
  ): void {
    const setup = selectDocument(this.store.getState(), 'setup', setupId);
    if (setup === undefined) return;
    const role = what === 'sky' ? 'sky' : 'background';
    const point = setup.points.find((one) => one.role === role) ?? (what === 'sky' ? sky : undefined);
    if (point === undefined) return;
    const lead: Setting[] =
      what === 'sky'
        ? [
            { path: 'look.exposeBy', value: 'highlight' },
            { path: 'look.highlightPointId', value: point.id },
            { path: 'look.headroomStops', value: within(clipsAboveStops + point.toneStops, LOOK_RANGES.headroom) },
          ]
        : [
            { path: 'look.exposeBy', value: 'background' },
            { path: 'look.backgroundStops', value: within(point.toneStops, LOOK_RANGES.background) },
          ];
    const added: Setting[] = setup.points.includes(point) ? [] : [{ path: 'points', value: [...setup.points, point] }];
    this.changeSettings(setupId, [
      ...added,
      ...lead,
      { path: 'camera.wantedAv', value: av },
      { path: 'camera.stands', value: { av, tv, sv, inForce: true } },
    ]);
    this.addReading(setupId, {
      pointId: point.id,
      text,
      av,
      tv,
      sv,
      method: { kind: 'eye', of: what === 'frame' ? 'frame' : 'place' },
    });
  }

  /** Puts a reading right: the old one is struck out and a corrected one takes its time and place. */
  correctReading(
    id: string,
    correction: Partial<
      Pick<
        Reading,
        'pointId' | 'av' | 'tv' | 'sv' | 'read' | 'method' | 'meterMode' | 'text' | 'assumed' | 'light' | 'fired'
      >
    >,
  ): void {
    const old = selectDocument(this.store.getState(), 'reading', id);
    if (old === undefined) return;
    this.keep([
      edit(old, { ...old, struckAt: this.clock.timestamp() }),
      add({ ...old, ...correction, id: this.clock.newId(), corrects: old.id, struckAt: null }),
    ]);
  }

  /** Reports that something in the scene changed: readings before it may not hold. @param at when, now where it is not said */
  addSceneChange(setupId: string, what: SceneChangeKind, at: string = this.clock.timestamp()): void {
    const id = this.clock.newId();
    this.keep([add({ ...PLAIN_CHANGE, id, setupId, at, what })]);
  }

  /** The sun went in or came out: its light is that of the last time that it was so. */
  turnSky(setupId: string, sunOut: boolean): void {
    const [id, at] = [this.clock.newId(), this.clock.timestamp()];
    this.keep([add({ ...PLAIN_CHANGE, id, setupId, at, what: 'sun', sunOut })]);
  }

  /** Keeps a test frame with a setup, and its picture apart from it. Returns its id. */
  addFrame(setupId: string, { image, ...frame }: NewFrame): string {
    const [id, at] = [this.clock.newId(), this.clock.timestamp()];
    const picture: Change = { op: 'image', id, image };
    this.keep([add({ type: 'frame', version: 3, id, setupId, at, struckAt: null, ...frame }), picture]);
    return id;
  }

  /** Strikes a fact out, or brings a struck one back. It stays in the log either way. */
  strike(type: 'reading' | 'sceneChange' | 'frame', id: string, strike: boolean): void {
    const fact = selectDocument(this.store.getState(), type, id);
    if (fact === undefined) return;
    this.keep([edit(fact, { ...fact, struckAt: strike ? this.clock.timestamp() : null })]);
  }

  /**
   * Takes back the last thing that was done on this device, in the order in which it was done, whatever its clock says:
   * a fact is struck out, a correction or a change of settings reversed. Says what it was.
   */
  undo(setupId: string): Undone {
    const state = this.store.getState();
    const here = (id: string | undefined) => state.documents.standing[id ?? '']?.here ?? null;
    // what a change of settings made happen is taken back with it
    const changedAt = new Set(selectChanges(state, setupId).map(({ at }) => at));
    const facts = [
      ...selectReadings(state, setupId),
      ...selectSceneChanges(state, setupId).filter(({ at }) => !changedAt.has(at)),
      ...selectFrames(state, setupId),
    ]
      .filter(({ id, struckAt }) => struckAt === null && here(id) !== null)
      .sort((a, b) => (here(a.id) ?? 0) - (here(b.id) ?? 0) || (a.id < b.id ? -1 : 1));
    const fact = facts.at(-1);
    const group = lastUndoable(selectChangeGroups(state, setupId), ({ ids }) => here(ids.at(-1)) !== null);
    const [factAt, groupAt] = [here(fact?.id) ?? 0, here(group?.ids.at(-1)) ?? 0];
    if (fact !== undefined && (factAt === groupAt ? fact.id > (group?.ids.at(-1) ?? '') : factAt > groupAt)) {
      this.strike(fact.type, fact.id, true);
      if (fact.type !== 'reading' || fact.corrects === null) return { kind: 'struck', fact };
      this.strike('reading', fact.corrects, false);
      const before = selectDocument(this.store.getState(), 'reading', fact.corrects);
      return { kind: 'correction', readingText: before?.text ?? '' };
    }
    if (group === undefined) return { kind: 'nothing' };
    const setup = selectDocument(state, 'setup', setupId);
    const settings = setup === undefined ? [] : undoSettings(setup, group);
    const undone = this.changeSettings(setupId, settings, { undoes: group.ids });
    // what is not as this change left it was changed by someone since, and stays as they have it
    return { kind: undone.ok && settings.length > 0 ? 'change' : 'change-stays' };
  }

  /** Settles what two devices said of one field: the value chosen stands, and both stay in the log. */
  answer(conflict: Conflict, claim: number): void {
    const state = this.store.getState();
    const document = state.documents.byId[conflict.documentId];
    const value = conflict.claims[claim]?.value ?? null;
    const answer = { claim, by: this.keeper.device, at: this.clock.timestamp() };
    const settled = edit(conflict, { ...conflict, answer });
    if (document === undefined) {
      this.keep([settled]);
      return;
    }
    if (document.type === 'setup') {
      const asked = askedSetting(document, conflict, claim);
      if (asked !== null && this.changeSettings(document.id, [asked]).ok) {
        this.keep([settled]);
        return;
      }
    }
    const wished = conflict.path.length > 1 ? (value ?? undefined) : value;
    const changed = documentSchema.safeParse(withValueAt(document, conflict.path, wished));
    // what it belongs to is not there any more: the answer stands, and nothing is left to change
    this.keep([...(changed.success ? [edit(document, changed.data)] : []), settled]);
  }

  /** Puts right what the server refused, where that can be done without asking; false where it cannot. */
  mend(id: string): boolean {
    const document = this.store.getState().documents.byId[id];
    const better = document === undefined ? null : mended(document);
    if (document === undefined || better === null) return false;
    return this.keep([edit(document, better)]);
  }

  /** Gives up what the server refused. */
  discard(id: string): void {
    void this.keeper.discard(id);
  }

  setPreferences(change: Partial<Preferences>): void {
    const { byId } = this.store.getState().documents;
    const existing = Object.values(byId).find((document) => document.type === 'preferences') ?? null;
    const { preferences } = selectGear(this.store.getState());
    const id = existing?.id ?? PREFERENCES_ID;
    const document: Document = { type: 'preferences', version: 5, id, ...preferences, ...change };
    this.keep([existing === null ? add(document) : edit(existing, document)]);
  }

  /** Keeps a thing of the kit, new or changed. False where it is refused, and why is told. */
  putGear(item: GearItem): boolean {
    const before = this.store.getState().documents.byId[item.id];
    return this.keep([before === undefined ? add(item) : edit(before, item)]);
  }

  /** Lets readings up to now teach nothing about a thing any more, or lets them teach again. */
  forget(thingId: string, forget: boolean): void {
    const { forgotten } = selectGear(this.store.getState()).preferences;
    const { [thingId]: _gone, ...rest } = forgotten;
    this.setPreferences({ forgotten: forget ? { ...forgotten, [thingId]: this.clock.timestamp() } : rest });
  }
}
