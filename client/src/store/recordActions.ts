import { type Document, isFactType, nameOfDocument } from '@sphene/core/documents';
import {
  type CameraRoll,
  type KeptLook,
  type LookPicture,
  type Note,
  type Packing,
  PLAIN_PACKING,
  type Verdict,
} from '@sphene/core/record';
import { noticed } from './deviceSlice';
import { ownedId } from './ids';
import { add, edit, ShootActions } from './shootActions';
import type { Change } from './sync/keeper';

/** What a person says of a look that was kept. */
type LookSaid = Partial<Pick<KeptLook, 'name' | 'tags' | 'words'>>;

/** Keeping looks, and notes, stars and verdicts in the log. */
export class RecordActions extends ShootActions {
  /** Keeps a look, with a small picture of it where there is one. Returns its id. */
  keepLook(name: string, from: KeptLook['from'], picture: LookPicture, image: string | null): string {
    const id = this.clock.newId();
    const keptAt = this.clock.timestamp();
    const look: KeptLook = { type: 'look', version: 2, id, name, tags: [], words: '', keptAt, from, picture };
    this.keep([add(look), ...(image === null ? [] : [{ op: 'image', id, image } satisfies Change])]);
    return id;
  }

  describeLook(look: KeptLook, said: LookSaid): void {
    this.keep([edit(look, { ...look, ...said })]);
  }

  /** Deletes a look or a note, and offers to bring it back. */
  removeRecord(document: KeptLook | Note | CameraRoll, title = nameOfDocument(document)): void {
    this.keep([{ op: 'delete', id: document.id }]);
    this.store.dispatch(noticed({ deleted: title, documentIds: [document.id] }));
  }

  /** Writes a note of a person's own into the log. */
  addNote(note: Pick<Note, 'shootId' | 'setupId' | 'text'> & { verdict?: Verdict | null }): void {
    this.keep([add(this.noteOf({ about: null, star: false, verdict: null, ...note }))]);
  }

  /** Puts a star on an entry of the log, or takes it away. @param note what was said of the entry before */
  star(entry: Pick<Note, 'shootId' | 'setupId'> & { about: string }, note: Note | undefined): void {
    if (note === undefined) this.keep([add(this.noteOf({ star: true, verdict: null, text: '', ...entry }))]);
    else this.keep([edit(note, { ...note, star: !note.star })]);
  }

  describeNote(note: Note, said: Partial<Pick<Note, 'text' | 'verdict' | 'star'>>): void {
    this.keep([edit(note, { ...note, ...said })]);
  }

  /** Keeps the frames of a camera at a shoot, and how far its clock is off: one roll for each camera. */
  setRoll(
    shootId: string,
    camera: string,
    said: Partial<Pick<CameraRoll, 'offsetS' | 'offsetFrom' | 'frames'>>,
  ): boolean {
    const id = ownedId(shootId, `roll ${camera}`);
    const here = this.store.getState().documents.byId[id];
    const before = here?.type === 'cameraRoll' ? here : null;
    const plain = { type: 'cameraRoll', version: 1, offsetS: 0, offsetFrom: 'assumed' } as const;
    const document: CameraRoll = { ...plain, frames: [], id, shootId, camera, ...before, ...said };
    return this.keep([before === null ? add(document) : edit(before, document)]);
  }

  /**
   * Brings documents of a file in, all or none: what is not here, what was deleted here, and what is to be as it was then.
   * @returns false where one of them is refused, or this device could not keep them
   */
  async bringIn(documents: readonly Document[], images: ReadonlyMap<string, string>): Promise<boolean> {
    const { byId: known, deleted } = this.store.getState().documents;
    const changes = documents.flatMap((document): Change[] => {
      const here = known[document.id];
      // as it was when it was deleted
      if (document.id in deleted) return [{ op: 'restore', id: document.id }];
      if (here === undefined) return [add(document)];
      return isFactType(document.type) ? [] : [edit(here, document)];
    });
    const wanted = new Set(documents.map(({ id }) => id));
    const pictures = [...images]
      .filter(([id]) => wanted.has(id))
      .map(([id, image]): Change => ({ op: 'image', id, image }));
    const all = [...changes, ...pictures];
    if (!this.holds(all)) return false;
    await this.keeper.commit(all);
    return true;
  }

  /** Says or ticks off something of the packing of a shoot, which has one list, whichever device began it. */
  setPacking(shootId: string, said: (before: Packing) => Partial<Pick<Packing, 'helpers' | 'massKg' | 'ticks'>>): void {
    const id = ownedId(shootId, 'packing');
    const here = this.store.getState().documents.byId[id];
    const before = here?.type === 'packing' ? here : null;
    const from: Packing = before ?? { ...PLAIN_PACKING, id, shootId };
    const document: Packing = { ...from, ...said(from) };
    this.keep([before === null ? add(document) : edit(before, document)]);
  }

  private noteOf(said: Omit<Note, 'type' | 'version' | 'id' | 'at'>): Note {
    return { type: 'note', version: 1, id: this.clock.newId(), at: this.clock.timestamp(), ...said };
  }
}
