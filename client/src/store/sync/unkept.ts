import type { MutationResult } from '@sphene/core/documents';
import type { Clock } from '../ids';
import type { Edit } from './edits';
import { type Flight, freshRow, type Storage } from './storage';

/** Changes that are on screen and not in the device's storage yet; in the end, on a full device, for a while. */
export class Unkept {
  private edits: Edit[] = [];
  private readonly onServer = new Set<string>();

  add(edits: readonly Edit[]): void {
    this.edits = [...this.edits, ...edits];
  }
  all(): readonly Edit[] {
    return this.edits;
  }
  kept(edits: readonly Edit[]): void {
    const done = new Set(edits);
    this.edits = this.edits.filter((edit) => !done.has(edit));
  }
  /** The picture of a frame that is not kept yet; null: there is none. */
  image(id: string): string | null {
    const edit = this.edits.find((one) => one.op === 'image' && one.id === id);
    return edit?.op === 'image' ? edit.image : null;
  }
  clear(): void {
    this.edits = [];
  }
  count(): { ids: string[]; onServer: number } {
    const ids = [...new Set(this.edits.map(({ id }) => id))];
    return { ids, onServer: this.edits.filter(({ key }) => this.onServer.has(key)).length };
  }

  /** The edits as they would be sent; under their own keys, so that they are not done twice once they are kept. */
  async flights(storage: Storage, clock: Clock): Promise<Flight[]> {
    const flights: Flight[] = [];
    for (const edit of this.edits) {
      if (edit.op === 'image' || this.onServer.has(edit.key)) continue;
      const row = (await storage.get('documents', edit.id).catch(() => undefined)) ?? freshRow(edit.id);
      const document = edit.op === 'put' ? edit.document : edit.op === 'delete' ? null : row.document;
      flights.push({
        id: edit.id,
        key: edit.key,
        baseVersion: row.version,
        at: clock.timestamp(),
        document,
        covers: [],
      });
    }
    return flights;
  }
  sent(results: readonly MutationResult[]): void {
    for (const { key, status } of results) if (status === 'applied') this.onServer.add(key);
  }
}
