import { type Remote, wrap } from 'comlink';

import type { LayerSource, PictureOf } from '@sphene/core/picture';
import {
  Composer,
  type EdgeWeights,
  FINE_CELL_CM,
  FIRST_CELL_CM,
  type Quality,
  SMALL_CELL_CM,
} from '@sphene/core/renderer';
import type { FramingSize, PreviewApi } from './preview.worker';

/** A layer as far as it is rendered. */
interface Rendered {
  key: string;
  quality: Quality;
  rows: Float32Array;
}

/** What is seen of a framing, once all workers have told theirs, and its layers as far as they are rendered. */
interface Framed {
  sceneKey: string;
  composer: Composer;
  materials: Uint8Array;
  layers: Map<string, Rendered>;
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

type Job = { size: FramingSize } & ({ kind: 'frame' } | { kind: 'layer'; layer: LayerSource; quality: Quality });

const SEED = 1;
const WORKERS = 2;
/** The first look at a scene has such a part of the picture's sides. */
const FIRST_SCALE = 0.4;

/** The first picture waits until the screen that asks for it stands. */
const idle = () =>
  new Promise<void>((resolve) => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(resolve, 200);
    else requestIdleCallback(() => resolve(), { timeout: 300 });
  });

/**
 * Makes the layers of one picture in workers: each has half of the rows. A scene is first seen small and coarsely, so that
 * something stands there at once, and then whole. A source that moves is rendered coarsely at once
 * and finely when it rests; a fine layer is called off as soon as something moves, a coarse one is let finish, so that the
 * picture follows the thumb.
 */
export class PictureMaker implements PictureSource {
  private workers: { worker: Worker; api: Remote<PreviewApi> }[] = [];
  private target: PictureOf | null = null;
  private readonly framed = new Map<FramingSize, Framed>();
  private running = false;
  private jobNumber = 1;
  private current: Job | null = null;
  private stopped = false;
  private firstOnly = false;
  /** since when the scene that is worked on was wanted, until it is seen first */
  private wantedAt: number | null = null;
  private state: MakingState = 'waiting';
  private readonly listeners = new Set<() => void>();

  /**
   * @param workersWanted how many workers share the rows
   * @param finest the quality that it ends with
   * @param name what its measures are called in the browser's timeline
   */
  constructor(
    private readonly workersWanted = WORKERS,
    private readonly finest: Quality = 'fine',
    private readonly name = 'picture',
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

  /**
   * Wants the layers of this picture; what is rendered already is kept.
   * @param firstOnly only a first look: the rest takes strength that is needed elsewhere just now
   */
  show(picture: PictureOf, firstOnly = false): void {
    const before = this.target;
    this.target = picture;
    this.firstOnly = firstOnly;
    if (
      before?.sceneKey !== picture.sceneKey ||
      before.layers.some(({ id, key }) => picture.layers.find((one) => one.id === id)?.key !== key)
    )
      this.stopped = false;
    if (before?.sceneKey !== picture.sceneKey) this.wantedAt = performance.now();
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

  /** Gets ready by a first look at what nobody asked for, so that the first that is asked for is there at once. */
  warmUp(picture: PictureOf): void {
    if (this.target === null) this.show(picture, true);
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

  /** What can be composed for a picture now: its layers in order, the newest that there are; null before the first stands. */
  ready(picture: PictureOf): MadePicture | null {
    return this.readyAt('whole', picture) ?? this.readyAt('first', picture);
  }

  private readyAt(size: FramingSize, picture: PictureOf): MadePicture | null {
    const framed = this.framed.get(size);
    if (framed === undefined || framed.sceneKey !== picture.sceneKey) return null;
    const layers = picture.layers.map(({ id }) => framed.layers.get(id)?.rows);
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

  /** What must be done first: the scene small and coarsely, then whole, then every layer coarsely, then every layer finely. */
  private next(): Job | null {
    const { target } = this;
    if (target === null) return null;
    const whole = this.framedOf('whole', target);
    if (whole === null) {
      // small pictures are as quickly made whole
      const first = this.finest === 'draft' ? null : this.framedOf('first', target);
      if (first === null) return { kind: 'frame', size: this.finest === 'draft' ? 'whole' : 'first' };
      return this.missing(first, 'first', target) ?? (this.firstOnly ? null : { kind: 'frame', size: 'whole' });
    }
    const missing = this.missing(whole, 'whole', target);
    if (missing !== null) return missing;
    if (this.stopped || this.firstOnly || this.finest === 'draft') return null;
    const coarse = target.layers.find(({ id }) => whole.layers.get(id)?.quality !== 'fine');
    return coarse === undefined ? null : { kind: 'layer', size: 'whole', layer: coarse, quality: 'fine' };
  }

  private framedOf(size: FramingSize, { sceneKey }: PictureOf): Framed | null {
    const framed = this.framed.get(size);
    return framed?.sceneKey === sceneKey ? framed : null;
  }

  /** The next layer that is not there even coarsely. */
  private missing({ layers }: Framed, size: FramingSize, target: PictureOf): Job | null {
    const layer = target.layers.find(({ id, key }) => layers.get(id)?.key !== key);
    return layer === undefined ? null : { kind: 'layer', size, layer, quality: 'draft' };
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
        const made = job.kind === 'frame' ? await this.frame(job.size) : await this.render(job);
        // for the browser's own timeline, and for the benchmark that reads it
        if (made)
          performance.measure(
            job.kind === 'frame'
              ? `${this.name} frame ${job.size}`
              : `${this.name} ${job.size === 'first' ? 'first' : job.quality} ${job.layer.id.split(':')[0] ?? ''}`,
            { start },
          );
        this.tellFirst();
      }
      const left = this.firstOnly ? 'waiting' : 'finished';
      this.tell(this.stopped ? 'stopped' : left);
    } catch {
      for (const { worker } of this.workers) worker.terminate();
      this.workers = [];
      this.framed.clear();
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

  /** Notes how long the first sight of a scene took, for the benchmark. */
  private tellFirst(): void {
    const { target, wantedAt } = this;
    if (target === null || wantedAt === null || this.ready(target) === null) return;
    performance.measure(`${this.name} first seen`, { start: wantedAt });
    this.wantedAt = null;
  }

  private async frame(size: FramingSize): Promise<boolean> {
    const { target } = this;
    if (target === null) return false;
    const { scene, lensTilt, lookKey, sceneKey } = target;
    const scale = size === 'first' ? FIRST_SCALE : 1;
    const [width, height] = [Math.round(target.width * scale), Math.round(target.height * scale)];
    const ofWhole = this.finest === 'draft' ? SMALL_CELL_CM : FINE_CELL_CM;
    const cellCm = size === 'first' ? FIRST_CELL_CM : ofWhole;
    const parts = await Promise.all(
      this.start().map(({ api }, index) =>
        api.frame(size, { scene, lensTilt, width, height, lookKey, cellCm, ...this.rowsOf(height, index) }),
      ),
    );
    const materials = new Uint8Array(width * height);
    parts.forEach((part, index) => materials.set(part.materials, this.rowsOf(height, index).from * width));
    const composer = new Composer(width, height);
    composer.setFraming(
      materials,
      parts.map(({ edges }): EdgeWeights => edges),
    );
    this.framed.set(size, { sceneKey, composer, materials, layers: new Map() });
    return true;
  }

  /** @returns false when it was called off */
  private async render({ size, layer: { id, key, source }, quality }: Job & { kind: 'layer' }): Promise<boolean> {
    const framed = this.framed.get(size);
    if (framed === undefined) return false;
    const { width, height } = framed.composer;
    const job = this.jobNumber;
    const parts = await Promise.all(this.start().map(({ api }) => api.layer(job, size, source, quality, SEED)));
    if (this.framed.get(size) !== framed) return false;
    const rows = new Float32Array(width * height * 3);
    for (const [index, part] of parts.entries()) {
      if (part === null) return false;
      rows.set(part, this.rowsOf(height, index).from * width * 3);
    }
    framed.layers.set(id, { key, quality, rows });
    this.dropFirst();
    this.tell(this.state);
    return true;
  }

  /** The first look is let go once the whole stands. */
  private dropFirst(): void {
    const { target } = this;
    if (target === null || !this.framed.has('first') || this.readyAt('whole', target) === null) return;
    this.framed.delete('first');
    for (const { api } of this.workers) void api.drop('first');
  }
}

let maker: PictureMaker | null = null;

/** The one maker of pictures of this page; its workers start with the first picture. */
export const pictureMaker = (): PictureMaker => (maker ??= new PictureMaker());
