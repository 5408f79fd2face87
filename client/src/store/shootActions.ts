import { type Document, documentSchema, type Photo, PLAIN_SPOT, type Shoot, type Spot } from '@sphene/core/documents';
import { factsOfFile, imagesOfFile, type SetupFile, withNewIds } from '@sphene/core/formats';
import { type Kit, kitItems, offered, schemaFault } from '@sphene/core/gear';
import { asLastTime, newSetup, nextSetup, type Setup } from '@sphene/core/setup';
import { noticed } from './deviceSlice';
import { type Clock, clock as pageClock } from './ids';
import { selectGear, selectLastSetup, selectSetups, selectShoots, selectSpots } from './selectors';
import type { Store } from './store';
import type { Change, Keeper } from './sync/keeper';

/** What a fresh spot and its setup are called: the caller's language says it. */
export interface FreshNames {
  spot: string;
  setup: string;
  face: string;
  background: string;
}

/** What a person says of a spot. */
export type SpotFacts = Omit<Spot, 'type' | 'version' | 'id' | 'shootId' | 'title'>;

/** A document that is new. */
export const add = (document: Document): Change => ({ op: 'put', id: document.id, base: null, document });
/** A document that was changed, with what it was. */
export const edit = (base: Document, document: Document): Change => ({ op: 'put', id: document.id, base, document });

/**
 * Making shoots, spots and setups, moving, renaming, deleting and bringing them in. Everything goes through the keeper,
 * which keeps and sends it.
 */
export class ShootActions {
  constructor(
    protected readonly store: Store,
    protected readonly keeper: Keeper,
    protected readonly clock: Clock = pageClock,
  ) {}

  /** True where every document holds to its schema; else the reason is told, and nothing is to be done. */
  protected holds(changes: readonly Change[]): boolean {
    for (const change of changes) {
      if (change.op !== 'put') continue;
      const parsed = documentSchema.safeParse(change.document);
      if (parsed.success) continue;
      this.store.dispatch(noticed({ refused: schemaFault(parsed.error) }));
      return false;
    }
    return true;
  }

  /** Keeps changes, all or none; false where one of them is refused. */
  protected keep(changes: readonly Change[]): boolean {
    if (!this.holds(changes)) return false;
    void this.keeper.commit(changes);
    return true;
  }

  /** A new shoot with one spot and one setup, ready to meter. Returns the shoot's id. */
  createShoot(facts: Pick<Shoot, 'title' | 'date' | 'place' | 'timeZone'>, names: FreshNames): string {
    const shoot: Shoot = { type: 'shoot', version: 1, id: this.clock.newId(), ...facts };
    this.keep([shoot, ...this.spotWithSetup(shoot.id, names)].map(add));
    return shoot.id;
  }

  /** A new spot with one setup. Returns the setup's id. */
  addSpot(shootId: string, names: FreshNames): string {
    const [spot, setup] = this.spotWithSetup(shootId, names);
    this.keep([spot, setup].map(add));
    return setup.id;
  }

  /** One more setup at a spot. Returns its id. */
  addSetup(spot: Spot, names: FreshNames): string {
    const setup = this.freshSetup(spot, names);
    this.keep([add(setup)]);
    return setup.id;
  }

  /**
   * A setup to meter in at once: in today's shoot, where it was last worked before others, else in a new one. The meter's
   * settings, camera and lens are those of last time.
   * @param nameOf what the setup is called, and a spot that is made for it, by how many setups its spot has already
   * @param shootTitle what a new shoot is called  @returns the setup's id
   */
  meterAtOnce(
    { date, timeZone }: Pick<Shoot, 'date' | 'timeZone'>,
    shootTitle: string,
    nameOf: (setups: number) => FreshNames,
  ): string {
    const state = this.store.getState();
    const last = selectLastSetup(state);
    const todays = new Set(selectShoots(state).flatMap((one) => (one.date === date ? [one.id] : [])));
    const spots = selectSpots(state).filter(({ shootId }) => todays.has(shootId));
    const spot = spots.find(({ id }) => id === last?.spotId) ?? spots.at(-1);
    if (spot !== undefined) {
      const setups = selectSetups(state).filter(({ spotId }) => spotId === spot.id).length;
      const setup = this.freshSetup(spot, nameOf(setups));
      this.keep([add(setup)]);
      return setup.id;
    }
    const shoot: Shoot = {
      type: 'shoot',
      version: 1,
      id: this.clock.newId(),
      title: shootTitle,
      date,
      place: '',
      timeZone,
    };
    const [fresh, setup] = this.spotWithSetup(shoot.id, nameOf(0));
    this.keep([shoot, fresh, setup].map(add));
    return setup.id;
  }

  /** The next setup at the same spot, after one: as that is, with the ambient to be metered. Returns its id. */
  nextSetup(from: Setup, title: string): string {
    const setup = nextSetup(from, { id: this.clock.newId(), title });
    this.keep([add(setup)]);
    return setup.id;
  }

  /**
   * A setup once more with all that is on record of it, in the same place.
   * @param file the setup as a file: its pictures come along  @returns the copy's id, once the device has it
   */
  async duplicateSetup(file: SetupFile, title: string): Promise<string> {
    const { shoot, spot } = file;
    const copy = withNewIds(file, () => this.clock.newId());
    // it is not made at the same time
    const setup = { ...copy.setup, title, shootId: shoot.id, spotId: spot.id, plan: null };
    await this.take([setup, ...factsOfFile(copy)], copy);
    return setup.id;
  }

  /** Puts a setup one place up or down in the list of its spot. @param by −1: before the one above it */
  moveSetup(setup: Setup, by: -1 | 1): void {
    const listed = selectSetups(this.store.getState()).filter(({ spotId }) => spotId === setup.spotId);
    const at = listed.findIndex(({ id }) => id === setup.id);
    const other = listed[at + by];
    if (other === undefined) return;
    const order = listed.map((one, index) => (index === at ? other : index === at + by ? setup : one));
    this.keep(order.flatMap((one, index) => (one.listed === index ? [] : [edit(one, { ...one, listed: index })])));
  }

  /**
   * Changes what is said of a spot. Where it lies and which way the frame looks goes along to its setups whose sun is said by
   * place and time.
   */
  describeSpot(spot: Spot, said: Partial<SpotFacts>): void {
    const next: Spot = { ...spot, ...said };
    const { place, looksDeg } = next;
    const isMoved = place !== spot.place || looksDeg !== spot.looksDeg;
    const setups = isMoved ? selectSetups(this.store.getState()).filter(({ spotId }) => spotId === spot.id) : [];
    const moved = setups.flatMap((setup): Change[] => {
      const { sun } = setup.stage;
      if (sun?.by !== 'time') return [];
      const there = { ...sun, ...place, cameraLooksDeg: looksDeg ?? sun.cameraLooksDeg };
      return [edit(setup, { ...setup, stage: { ...setup.stage, sun: there } })];
    });
    this.keep([edit(spot, next), ...moved]);
  }

  /** Puts setups into the plan of their day, out of it, or to other times there. */
  planSetups(planned: readonly { setup: Setup; plan: Setup['plan'] }[]): void {
    this.keep(planned.map(({ setup, plan }) => edit(setup, { ...setup, plan })));
  }

  /** Keeps a photograph of a spot or of a set there, its picture apart from it. */
  addPhoto(
    { id: spotId, shootId }: Pick<Spot, 'id' | 'shootId'>,
    setupId: string | null,
    { title, image }: { title: string; image: string },
  ): void {
    const [id, at] = [this.clock.newId(), this.clock.timestamp()];
    this.keep([
      add({ type: 'photo', version: 1, id, shootId, spotId, setupId, at, title }),
      { op: 'image', id, image },
    ]);
  }

  rename(document: Shoot | Spot | Photo, title: string): void {
    this.keep([edit(document, { ...document, title })]);
  }

  /** Deletes a shoot, spot, setup or photograph, what lies inside it with it, and offers to bring it back. */
  remove(document: Extract<Document, { type: 'shoot' | 'spot' | 'setup' | 'photo' }>): void {
    this.keep([{ op: 'delete', id: document.id }]);
    this.store.dispatch(noticed({ deleted: document.title, documentIds: [document.id] }));
  }

  /** Brings back what was deleted, here or on another device, with all that lies inside it. */
  bringBack(documentIds: readonly string[]): void {
    this.keep(documentIds.map((id): Change => ({ op: 'restore', id })));
  }

  /**
   * Adds a setup file to this account: as it is where its ids are new here, as a copy where they are not.
   * @returns the setup's id, once the device has it: an import is done when it is kept
   */
  async importSetup(file: SetupFile): Promise<string> {
    const { byId } = this.store.getState().documents;
    const known = [file.shoot, file.spot, file.setup, ...factsOfFile(file)].some(({ id }) => id in byId);
    const incoming = known ? withNewIds(file, () => this.clock.newId()) : file;
    const kit: Kit = incoming.kit;
    const gear = kitItems(kit).filter(({ id }) => !(id in byId));
    await this.take([...gear, incoming.shoot, incoming.spot, incoming.setup, ...factsOfFile(incoming)], incoming);
    return incoming.setup.id;
  }

  /** Keeps what a file brings, with its pictures. */
  private async take(documents: readonly Document[], file: SetupFile): Promise<void> {
    const pictures = [...imagesOfFile(file)].map(([id, image]): Change => ({ op: 'image', id, image }));
    const changes = [...documents.map(add), ...pictures];
    if (this.holds(changes)) await this.keeper.commit(changes);
  }

  /** A fresh setup as this person's last one began; before there is one with the first camera that counts in thirds. */
  private freshSetup(spot: Spot, { setup: title, face, background }: FreshNames): Setup {
    const state = this.store.getState();
    const { cameras, preferences } = selectGear(state);
    const inUse = offered(cameras);
    const camera = inUse.find(({ increment }) => increment === 'third') ?? inUse[0];
    const fresh = newSetup(
      { id: this.clock.newId(), shootId: spot.shootId, spotId: spot.id },
      { title, face, background },
      camera?.id ?? null,
      preferences.keepOrder,
    );
    const last = selectLastSetup(state);
    return last === undefined ? fresh : asLastTime(fresh, last);
  }

  private spotWithSetup(shootId: string, names: FreshNames) {
    const spot: Spot = { ...PLAIN_SPOT, id: this.clock.newId(), shootId, title: names.spot };
    return [spot, this.freshSetup(spot, names)] as const;
  }
}
