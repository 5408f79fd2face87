import { type Remote, wrap } from 'comlink';

import type { PreviewApi } from './preview.worker';

type Api = Remote<PreviewApi>;

/**
 * The workers that pictures are made in, large and small ones: what one of them has sculpted, and the code that it has
 * made quick, serves the next picture.
 */
export class PictureWorkers {
  private workers: { worker: Worker; api: Api }[] = [];
  /** ends the waiting of those whose work is ended with the workers */
  private readonly waiting = new Set<(why: Error) => void>();

  get started(): boolean {
    return this.workers.length > 0;
  }

  /** So many of them; those that are missing are started. */
  first(count: number): Api[] {
    while (this.workers.length < count) {
      const worker = new Worker(new URL('./preview.worker', import.meta.url));
      this.workers.push({ worker, api: wrap<PreviewApi>(worker) });
    }
    return this.workers.slice(0, count).map(({ api }) => api);
  }

  /** Has each of so many do its part. Rejects when one fails, or when they are ended meanwhile. */
  together<T>(count: number, part: (api: Api, index: number) => Promise<T>): Promise<T[]> {
    return new Promise((done, failed) => {
      this.waiting.add(failed);
      void Promise.all(this.first(count).map(part))
        .then(done, failed)
        .finally(() => this.waiting.delete(failed));
    });
  }

  /** Ends them all; new ones start when they are wanted. */
  end(): void {
    for (const { worker } of this.workers) worker.terminate();
    this.workers = [];
    for (const failed of this.waiting) failed(new Error('the workers were ended'));
    this.waiting.clear();
  }
}
