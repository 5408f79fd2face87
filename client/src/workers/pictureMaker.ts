import type { LayerSource, PictureOf } from '@sphene/core/picture';
import { Composer, type EdgeWeights, FINE_CELL_CM, type Quality, SMALL_CELL_CM } from '@sphene/core/renderer';
import type { PictureWorkers } from './pictureWorkers';

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

/** Who makes the first look at a scene, small and coarse, so that something stands there at once. */
export interface FirstLook {
  ready: (picture: PictureOf) => MadePicture | null;
  /** Resolves once it is there, or another one is asked for; rejects when it cannot be made. */
  make: (picture: PictureOf) => Promise<void>;
}

type Job = { kind: 'first' | 'frame' } | { kind: 'layer'; layer: LayerSource; quality: Quality };

export interface MakerOptions {
  workers: PictureWorkers;
  /** how many of the workers share the rows */
  share?: number;
  /** the quality that it ends with */
  finest?: Quality;
  /** what the workers know its scene by, and what its measures are called in the browser's timeline */
  name?: string;
  /** none: nothing stands before the whole does */
  firstLook?: FirstLook | null;
}

const SEED = 1;

/** The first picture waits until the screen that asks for it stands. */
const idle = () =>
  new Promise<void>((resolve) => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(resolve, 200);
    else requestIdleCallback(() => resolve(), { timeout: 300 });
  });

/**
 * Makes the layers of one picture in workers: each has a part of the rows. A scene is first seen small and coarsely, so
 * that something stands there at once, and then whole. A source that moves is rendered coarsely at once
 * and finely when it rests; a fine layer is called off as soon as something moves, a coarse one is let finish, so that the
 * picture follows the thumb.
 */
export class PictureMaker implements PictureSource {
  private target: PictureOf | null = null;
  private framed: Framed | null = null;
  private running = false;
  private jobNumber = 1;
  private current: Job | null = null;
  private stopped = false;
  private firstOnly = false;
  /** since when the scene that is worked on was wanted, until it is seen first */
  private wantedAt: number | null = null;
  private state: MakingState = 'waiting';
  private readonly listeners = new Set<() => void>();

  private readonly workers: PictureWorkers;
  private readonly share: number;
  private readonly finest: Quality;
  private readonly name: string;
  private readonly firstLook: FirstLook | null;
  constructor({ workers, share = 2, finest = 'fine', name = 'picture', firstLook = null }: MakerOptions) {
    this.workers = workers;
    this.share = share;
    this.finest = finest;
    this.name = name;
    this.firstLook = firstLook;
  }

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
    this.tellFirst();
    const { current } = this;
    const next = this.next();
    // a fine layer gives way to whatever must be seen first
    const isUrgent = next !== null && (next.kind !== 'layer' || next.quality === 'draft');
    if (current?.kind === 'layer' && current.quality === 'fine' && isUrgent) this.callOff();
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

  /** What can be composed for a picture now: its layers in order, the newest that there are; null before the first stands. */
  ready(picture: PictureOf): MadePicture | null {
    return this.readyWhole(picture) ?? this.firstLook?.ready(picture) ?? null;
  }

  private readyWhole(picture: PictureOf): MadePicture | null {
    const framed = this.framedOf(picture);
    if (framed === null) return null;
    const layers = picture.layers.map(({ id }) => framed.layers.get(id)?.rows);
    return layers.every((rows): rows is Float32Array => rows !== undefined)
      ? { composer: framed.composer, materials: framed.materials, layers }
      : null;
  }

  /** A picture as a PNG file with its settings in it. */
  async png(rgba: Uint8ClampedArray, width: number, height: number, text: Record<string, string>): Promise<Uint8Array> {
    const [first] = this.workers.first(1);
    if (first === undefined) throw new Error('no worker');
    return first.png(rgba, width, height, text);
  }

  private callOff(): void {
    this.jobNumber += 1;
    for (const api of this.workers.first(this.share)) void api.callOff(this.name, this.jobNumber);
  }

  private tell(state: MakingState): void {
    this.state = state;
    this.version += 1;
    for (const listener of this.listeners) listener();
  }

  /** What must be done first: a first look, then the scene whole, every layer of it coarsely, then every layer finely. */
  private next(): Job | null {
    const { target, firstLook } = this;
    if (target === null) return null;
    const whole = this.framedOf(target);
    if (whole === null) {
      if (firstLook !== null && firstLook.ready(target) === null) return { kind: 'first' };
      return this.firstOnly ? null : { kind: 'frame' };
    }
    const missing = target.layers.find(({ id, key }) => whole.layers.get(id)?.key !== key);
    if (missing !== undefined) return { kind: 'layer', layer: missing, quality: 'draft' };
    if (this.stopped || this.firstOnly || this.finest === 'draft') return null;
    const coarse = target.layers.find(({ id }) => whole.layers.get(id)?.quality !== 'fine');
    return coarse === undefined ? null : { kind: 'layer', layer: coarse, quality: 'fine' };
  }

  private framedOf({ sceneKey }: PictureOf): Framed | null {
    return this.framed?.sceneKey === sceneKey ? this.framed : null;
  }

  private async run(): Promise<void> {
    if (this.running) return;
    this.running = true;
    try {
      if (!this.workers.started) await idle();
      for (let job = this.next(); job !== null; job = this.next()) {
        this.current = job;
        this.tell(job.kind === 'layer' ? (job.quality === 'draft' ? 'draft' : 'refining') : 'sculpting');
        const start = performance.now();
        const made = await this.make(job);
        // for the browser's own timeline, and for the benchmark that reads it
        if (made) performance.measure(`${this.name} ${nameOf(job)}`, { start });
        this.tellFirst();
      }
      const left = this.firstOnly ? 'waiting' : 'finished';
      this.tell(this.stopped ? 'stopped' : left);
    } catch {
      this.workers.end();
      this.framed = null;
      this.tell('failed');
    } finally {
      this.current = null;
      this.running = false;
    }
  }

  /** @returns false when it came to nothing */
  private async make(job: Job): Promise<boolean> {
    const { target } = this;
    if (target === null) return false;
    if (job.kind === 'layer') return this.render(job.layer, job.quality);
    if (job.kind === 'frame') return this.frame(target);
    await this.firstLook?.make(target);
    return true;
  }

  private rowsOf(height: number, index: number): { from: number; to: number } {
    const part = height / this.share;
    return { from: Math.round(part * index), to: Math.round(part * (index + 1)) };
  }

  /** Notes how long the first sight of a scene took, for the benchmark. */
  private tellFirst(): void {
    const { target, wantedAt } = this;
    if (target === null || wantedAt === null || this.ready(target) === null) return;
    performance.measure(`${this.name} first seen`, { start: wantedAt });
    this.wantedAt = null;
  }

  private async frame({ scene, lensTilt, sceneKey, width, height }: PictureOf): Promise<boolean> {
    const cellCm = this.finest === 'draft' ? SMALL_CELL_CM : FINE_CELL_CM;
    const parts = await this.workers.together(this.share, (api, index) =>
      api.frame(this.name, { scene, lensTilt, width, height, cellCm, ...this.rowsOf(height, index) }),
    );
    const materials = new Uint8Array(width * height);
    parts.forEach((part, index) => materials.set(part.materials, this.rowsOf(height, index).from * width));
    const composer = new Composer(width, height);
    composer.setFraming(
      materials,
      parts.map(({ edges }): EdgeWeights => edges),
    );
    this.framed = { sceneKey, composer, materials, layers: new Map() };
    return true;
  }

  /** @returns false when it was called off */
  private async render({ id, key, source }: LayerSource, quality: Quality): Promise<boolean> {
    const { framed, name, jobNumber } = this;
    if (framed === null) return false;
    const { width, height } = framed.composer;
    const parts = await this.workers.together(this.share, (api) => api.layer(name, jobNumber, source, quality, SEED));
    if (this.framed !== framed) return false;
    const rows = new Float32Array(width * height * 3);
    for (const [index, part] of parts.entries()) {
      if (part === null) return false;
      rows.set(part, this.rowsOf(height, index).from * width * 3);
    }
    framed.layers.set(id, { key, quality, rows });
    this.tell(this.state);
    return true;
  }
}

const nameOf = (job: Job): string =>
  job.kind === 'layer' ? `${job.quality} ${job.layer.id.split(':')[0] ?? ''}` : job.kind;
