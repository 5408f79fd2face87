import {
  type Change,
  type Document,
  type Frame,
  lastUndoable,
  settingChanges,
  type Shoot,
  type Spot,
  undoSettings,
} from '@sphene/core/documents';
import { factsOfFile, type SetupFile, withNewIds } from '@sphene/core/formats';
import { type GearItem, type Kit, kitItems, type Preferences } from '@sphene/core/gear';
import { failure, type Outcome, success } from '@sphene/core/photometry';
import {
  newSetup,
  PLAIN_READING,
  type Reading,
  type SceneChange,
  type SceneChangeKind,
  type Setting,
  type SettingFault,
  type SettingPath,
  withSettings,
} from '@sphene/core/setup';
import { noticed } from './deviceSlice';
import { drafted } from './documentsSlice';
import { newId, timestamp } from './ids';
import {
  selectChangeGroups,
  selectDocument,
  selectFrames,
  selectGear,
  selectReadings,
  selectSceneChanges,
  selectSetups,
  selectSpots,
} from './selectors';
import type { Store } from './store';
import { type Keeper } from './sync/keeper';

const put = (document: Document) => ({ id: document.id, document });

/** What must be said of a new reading; the rest is as usual unless said too. */
export type NewReading = Pick<Reading, 'pointId' | 'text' | 'av' | 'tv' | 'sv'> & Partial<Reading>;

/** The meter's shutter and ISO are part of every reading; their changes need no entry of their own. */
const isLogged = (path: SettingPath): boolean => !path.startsWith('meter.');

/** Why something that a person did to a setup was not done. */
export type ActionFault = SettingFault | { kind: 'setup-gone' | 'no-flash-in-kit' };

/** What was taken back. */
export type Undone =
  | { kind: 'struck'; fact: Reading | SceneChange | Frame }
  | { kind: 'correction'; readingText: string }
  | { kind: 'change' | 'change-stays' | 'nothing' };

/** What a fresh spot and its setup are called: the caller's language says it. */
export interface FreshNames {
  spot: string;
  setup: string;
  face: string;
  background: string;
}

/** What a person can do to their documents. Everything goes through the keeper, which keeps and sends it. */
export class Actions {
  constructor(
    private readonly store: Store,
    private readonly keeper: Keeper,
  ) {}

  /** Changes settings of a setup and logs what they were; nothing happens when nothing differs. */
  changeSettings(setupId: string, settings: readonly Setting[], undoes: string[] = []): Outcome<null, ActionFault> {
    this.store.dispatch(drafted(null));
    const setup = selectDocument(this.store.getState(), 'setup', setupId);
    if (setup === undefined) return failure({ kind: 'setup-gone' });
    const changes = settingChanges(setup, settings);
    if (changes.length === 0) return success(null);
    const changed = withSettings(
      setup,
      changes.map(({ path, to }) => ({ path, value: to })),
    );
    if (!changed.ok) return changed;
    const logged = changes.filter(({ path }) => isLogged(path));
    const fact: Change = {
      type: 'change',
      version: 1,
      id: newId(),
      setupId,
      at: timestamp(),
      settings: logged,
      undoes,
    };
    void this.keeper.commit([put(changed.value), ...(logged.length === 0 ? [] : [put(fact)])]);
    return success(null);
  }

  /** Shows settings while a control is being moved, without keeping them yet; null: it was let go without a change. */
  draft(setupId: string, settings: Setting[] | null): void {
    this.store.dispatch(drafted(settings === null ? null : { setupId, settings }));
  }

  /** Adds a reading to the log; what is not said is as usual. Returns its id. */
  addReading(setupId: string, reading: NewReading): string {
    const id = newId();
    void this.keeper.commit([put({ ...PLAIN_READING, at: timestamp(), ...reading, id, setupId })]);
    return id;
  }

  /** Puts a reading right: the old one is struck out and a corrected one takes its time and place. */
  correctReading(
    id: string,
    correction: Partial<
      Pick<Reading, 'pointId' | 'av' | 'tv' | 'sv' | 'read' | 'method' | 'meterMode' | 'text' | 'assumed'>
    >,
  ): void {
    const old = selectDocument(this.store.getState(), 'reading', id);
    if (old === undefined) return;
    void this.keeper.commit([
      put({ ...old, struckAt: timestamp() }),
      put({ ...old, ...correction, id: newId(), corrects: old.id, struckAt: null }),
    ]);
  }

  /** Reports that something in the scene changed: readings before it may not hold. */
  addSceneChange(setupId: string, what: SceneChangeKind): void {
    void this.keeper.commit([
      put({ type: 'sceneChange', version: 1, id: newId(), setupId, at: timestamp(), what, struckAt: null }),
    ]);
  }

  /** Keeps a test frame with a setup. Returns its id. */
  addFrame(setupId: string, frame: Omit<Frame, 'type' | 'version' | 'id' | 'setupId' | 'at' | 'struckAt'>): string {
    const id = newId();
    void this.keeper.commit([
      put({ type: 'frame', version: 1, id, setupId, at: timestamp(), struckAt: null, ...frame }),
    ]);
    return id;
  }

  /** Strikes a fact out, or brings a struck one back. It stays in the log either way. */
  strike(type: 'reading' | 'sceneChange' | 'frame', id: string, strike: boolean): void {
    const fact = selectDocument(this.store.getState(), type, id);
    if (fact !== undefined) void this.keeper.commit([put({ ...fact, struckAt: strike ? timestamp() : null })]);
  }

  /** Takes the last thing back: a fact is struck out, a correction or a change of settings reversed. Says what it was. */
  undo(setupId: string): Undone {
    const state = this.store.getState();
    const facts = [
      ...selectReadings(state, setupId),
      ...selectSceneChanges(state, setupId),
      ...selectFrames(state, setupId),
    ]
      .filter(({ struckAt }) => struckAt === null)
      .sort((a, b) => (a.id < b.id ? -1 : 1));
    const fact = facts.at(-1);
    const group = lastUndoable(selectChangeGroups(state, setupId));
    if (fact !== undefined && (group === undefined || fact.id > (group.ids.at(-1) ?? ''))) {
      this.strike(fact.type, fact.id, true);
      if (fact.type !== 'reading' || fact.corrects === null) return { kind: 'struck', fact };
      this.strike('reading', fact.corrects, false);
      const before = selectDocument(this.store.getState(), 'reading', fact.corrects);
      return { kind: 'correction', readingText: before?.text ?? '' };
    }
    if (group === undefined) return { kind: 'nothing' };
    const undone = this.changeSettings(setupId, undoSettings(group), group.ids);
    return { kind: undone.ok ? 'change' : 'change-stays' };
  }

  /** A new shoot with one spot and one setup, ready to meter. Returns the shoot's id. */
  createShoot(facts: Pick<Shoot, 'title' | 'date' | 'place' | 'timeZone'>, names: FreshNames): string {
    const shoot: Shoot = { type: 'shoot', version: 1, id: newId(), ...facts };
    void this.keeper.commit([put(shoot), ...this.spotWithSetup(shoot.id, names).map(put)]);
    return shoot.id;
  }

  /** A new spot with one setup. Returns the setup's id. */
  addSpot(shootId: string, names: FreshNames): string {
    const [spot, setup] = this.spotWithSetup(shootId, names);
    void this.keeper.commit([spot, setup].map(put));
    return setup.id;
  }

  /** One more setup at a spot. Returns its id. */
  addSetup(spot: Spot, names: FreshNames): string {
    const setup = this.freshSetup(spot, names);
    void this.keeper.commit([put(setup)]);
    return setup.id;
  }

  rename(document: Shoot | Spot, title: string): void {
    void this.keeper.commit([put({ ...document, title })]);
  }

  /** Deletes a shoot, spot or setup with what is inside it, and offers to bring it back. */
  remove(document: Extract<Document, { type: 'shoot' | 'spot' | 'setup' }>): void {
    const state = this.store.getState();
    const inside = (one: { id: string; shootId: string; spotId?: string }) =>
      one.shootId === document.id || one.spotId === document.id;
    const gone: Document[] = [document, ...selectSpots(state).filter(inside), ...selectSetups(state).filter(inside)];
    this.removed.set(document.id, gone);
    void this.keeper.commit(gone.map(({ id }) => ({ id, document: null })));
    this.store.dispatch(noticed({ deleted: document.title, documentIds: [document.id] }));
  }

  /** Brings back what `remove` deleted. */
  bringBack(documentIds: readonly string[]): void {
    void this.keeper.commit(documentIds.flatMap((id) => this.removed.get(id) ?? []).map(put));
  }
  private readonly removed = new Map<string, Document[]>();

  setPreferences(change: Partial<Preferences>): void {
    const { byId } = this.store.getState().documents;
    const existing = Object.values(byId).find((document) => document.type === 'preferences');
    const { preferences } = selectGear(this.store.getState());
    void this.keeper.commit([
      put({ type: 'preferences', version: 3, id: existing?.id ?? newId(), ...preferences, ...change }),
    ]);
  }

  /** Keeps a thing of the kit, new or changed. */
  putGear(item: GearItem): void {
    void this.keeper.commit([put(item)]);
  }

  /** Lets readings up to now teach nothing about a thing any more, or lets them teach again. */
  forget(thingId: string, forget: boolean): void {
    const { forgotten } = selectGear(this.store.getState()).preferences;
    const { [thingId]: _gone, ...rest } = forgotten;
    this.setPreferences({ forgotten: forget ? { ...forgotten, [thingId]: timestamp() } : rest });
  }

  /**
   * Adds a setup file to this account: as it is where its ids are new here, as a copy where they are not.
   * @returns the setup's id, once the device has it: an import is done when it is kept
   */
  async importSetup(file: SetupFile): Promise<string> {
    const { byId } = this.store.getState().documents;
    const known = [file.shoot, file.spot, file.setup, ...factsOfFile(file)].some(({ id }) => id in byId);
    const incoming = known ? withNewIds(file, newId) : file;
    const kit: Kit = incoming.kit;
    const gear = kitItems(kit).filter(({ id }) => !(id in byId));
    await this.keeper.commit(
      [...gear, incoming.shoot, incoming.spot, incoming.setup, ...factsOfFile(incoming)].map(put),
    );
    return incoming.setup.id;
  }

  private freshSetup(spot: Spot, { setup: title, face, background }: FreshNames) {
    const kit = selectGear(this.store.getState());
    return newSetup(
      { id: newId(), shootId: spot.shootId, spotId: spot.id },
      { title, face, background },
      kit.cameras[0]?.id ?? null,
      kit.preferences.keepOrder,
    );
  }

  private spotWithSetup(shootId: string, names: FreshNames) {
    const spot: Spot = { type: 'spot', version: 1, id: newId(), shootId, title: names.spot };
    return [spot, this.freshSetup(spot, names)] as const;
  }
}
