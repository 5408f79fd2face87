import { type Remote, wrap } from 'comlink';

import type { LayerSource, PictureOf } from '@sphene/core/picture';
import { Composer, type EdgeWeights, type Quality } from '@sphene/core/renderer';
import type { PreviewApi } from './preview.worker';

/** A layer as far as it is rendered. */
interface Rendered {
  key: string;
  quality: Quality;
  rows: Float32Array;
}

/** What is seen of a framing, once all workers have told theirs. */
interface Framed {
  sceneKey: string;
  composer: Composer;
  materials: Uint8Array;
}

/** A picture as far as it can be composed: its layers, and what becomes of them. */
export interface MadePicture {
  composer: Composer;
  materials: Uint8Array;
  layers: Float32Array[];
}

/** Where pictures come from, and how one hears that something new is there. */
export interface PictureSource {
  ready: (picture: PictureOf) => MadePicture | null;
  subscribe: (listener: () => void) => () => void;
  getVersion: () => number;
}

/** How far a picture has come. */
export type MakingState = 'waiting' | 'finished' | 'sculpting' | 'draft' | 'refining' | 'stopped' | 'failed';

type Job = { kind: 'frame' } | { kind: 'layer'; layer: LayerSource; quality: Quality };

const SEED = 1;
const WORKERS = 2;

/** The first picture waits until the screen that asks for it stands. */
const idle = () =>
  new Promise<void>((resolve) => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(resolve, 200);
    else requestIdleCallback(() => resolve(), { timeout: 1000 });
  });

/**
 * Makes the layers of one picture in workers: each has half of the rows. A source that moves is rendered coarsely at once
 * and finely when it rests; a fine layer is called off as soon as something moves, a coarse one is let finish, so that the
 * picture follows the thumb.
 */
export class PictureMaker implements PictureSource {
  private workers: { worker: Worker; api: Remote<PreviewApi> }[] = [];
  private target: PictureOf | null = null;
  private framed: Framed | null = null;
  private readonly layers = new Map<string, Rendered>();
  private running = false;
  private jobNumber = 1;
  private current: Job | null = null;
  private stopped = false;
  private state: MakingState = 'waiting';
  private readonly listeners = new Set<() => void>();

  /**
   * @param workersWanted how many workers share the rows
   * @param finest the quality that it ends with
   */
  constructor(
    private readonly workersWanted = WORKERS,
    private readonly finest: Quality = 'fine',
  ) {}

  /** counts what was finished, so that a listener knows that something is new */
  version = 0;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => {
      this.listeners.delete(listener);
    };
  };
  getVersion = (): number => this.version;
  getState = (): MakingState => this.state;

  /** Wants the layers of this picture; what is rendered already is kept. */
  show(picture: PictureOf): void {
    const before = this.target;
    this.target = picture;
    if (
      before?.sceneKey !== picture.sceneKey ||
      before.layers.some(({ id, key }) => picture.layers.find((one) => one.id === id)?.key !== key)
    )
      this.stopped = false;
    const { current } = this;
    const next = this.next();
    // a fine layer gives way to whatever must be seen first
    if (
      current?.kind === 'layer' &&
      current.quality === 'fine' &&
      next !== null &&
      (next.kind === 'frame' || next.quality === 'draft')
    )
      this.callOff();
    void this.run();
  }

  /** Leaves the picture as it is once it is there coarsely: what is needed for that is finished first. */
  stop(): void {
    this.stopped = true;
    if (this.current?.kind !== 'layer' || this.current.quality !== 'fine') return;
    this.callOff();
    this.tell('stopped');
  }

  /** Goes on after a stop or a failure. */
  resume(): void {
    this.stopped = false;
    void this.run();
  }

  /** What can be composed for a picture now: its layers in order, the newest that there are; null before the first draft stands. */
  ready(picture: PictureOf): MadePicture | null {
    const { framed } = this;
    if (framed === null || framed.sceneKey !== picture.sceneKey) return null;
    const layers = picture.layers.map(({ id }) => this.layers.get(id)?.rows);
    return layers.every((rows): rows is Float32Array => rows !== undefined)
      ? { composer: framed.composer, materials: framed.materials, layers }
      : null;
  }

  /** A picture as a PNG file with its settings in it. */
  async png(rgba: Uint8ClampedArray, width: number, height: number, text: Record<string, string>): Promise<Uint8Array> {
    const [first] = this.start();
    if (first === undefined) throw new Error('no worker');
    return first.api.png(rgba, width, height, text);
  }

  private start() {
    if (this.workers.length === 0) {
      this.workers = Array.from({ length: this.workersWanted }, () => {
        const worker = new Worker(new URL('./preview.worker', import.meta.url));
        return { worker, api: wrap<PreviewApi>(worker) };
      });
    }
    return this.workers;
  }

  private callOff(): void {
    this.jobNumber += 1;
    for (const { api } of this.workers) void api.callOff(this.jobNumber);
  }

  private tell(state: MakingState): void {
    this.state = state;
    this.version += 1;
    for (const listener of this.listeners) listener();
  }

  /** What must be done first: see the scene, then every layer coarsely, then every layer finely. */
  private next(): Job | null {
    const { target, framed } = this;
    if (target === null) return null;
    if (framed?.sceneKey !== target.sceneKey) return { kind: 'frame' };
    const missing = target.layers.find(({ id, key }) => this.layers.get(id)?.key !== key);
    if (missing !== undefined) return { kind: 'layer', layer: missing, quality: 'draft' };
    const coarse =
      this.stopped || this.finest === 'draft'
        ? undefined
        : target.layers.find(({ id }) => this.layers.get(id)?.quality !== 'fine');
    return coarse === undefined ? null : { kind: 'layer', layer: coarse, quality: 'fine' };
  }

  private async run(): Promise<void> {
    if (this.running) return;
    this.running = true;
    try {
      if (this.workers.length === 0) await idle();
      for (let job = this.next(); job !== null; job = this.next()) {
        this.current = job;
        this.tell(job.kind === 'frame' ? 'sculpting' : job.quality === 'draft' ? 'draft' : 'refining');
        const start = performance.now();
        const made = job.kind === 'frame' ? await this.frame() : await this.render(job.layer, job.quality);
        // for the browser's own timeline, and for the benchmark that reads it
        if (made)
          performance.measure(
            job.kind === 'frame' ? 'picture frame' : `picture ${job.quality} ${job.layer.id.split(':')[0] ?? ''}`,
            { start },
          );
      }
      this.tell(this.stopped ? 'stopped' : 'finished');
    } catch {
      for (const { worker } of this.workers) worker.terminate();
      this.workers = [];
      this.framed = null;
      this.tell('failed');
    } finally {
      this.current = null;
      this.running = false;
    }
  }

  private rowsOf(height: number, index: number): { from: number; to: number } {
    const part = height / this.workersWanted;
    return { from: Math.round(part * index), to: Math.round(part * (index + 1)) };
  }

  private async frame(): Promise<boolean> {
    const { target } = this;
    if (target === null) return false;
    const { scene, lensTilt, width, height, lookKey, sceneKey } = target;
    const parts = await Promise.all(
      this.start().map(({ api }, index) =>
        api.frame({ scene, lensTilt, width, height, lookKey, ...this.rowsOf(height, index) }),
      ),
    );
    const materials = new Uint8Array(width * height);
    parts.forEach((part, index) => materials.set(part.materials, this.rowsOf(height, index).from * width));
    const composer = new Composer(width, height);
    composer.setFraming(
      materials,
      parts.map(({ edges }): EdgeWeights => edges),
    );
    this.framed = { sceneKey, composer, materials };
    this.layers.clear();
    return true;
  }

  /** @returns false when it was called off */
  private async render({ id, key, source }: LayerSource, quality: Quality): Promise<boolean> {
    const { framed } = this;
    if (framed === null) return false;
    const { width, height } = framed.composer;
    const job = this.jobNumber;
    const parts = await Promise.all(this.start().map(({ api }) => api.layer(job, source, quality, SEED)));
    if (this.framed !== framed) return false;
    const rows = new Float32Array(width * height * 3);
    for (const [index, part] of parts.entries()) {
      if (part === null) return false;
      rows.set(part, this.rowsOf(height, index).from * width * 3);
    }
    this.layers.set(id, { key, quality, rows });
    this.tell(this.state);
    return true;
  }
}

let maker: PictureMaker | null = null;

/** The one maker of pictures of this page; its workers start with the first picture. */
export const pictureMaker = (): PictureMaker => (maker ??= new PictureMaker());
