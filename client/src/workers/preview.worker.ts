import { expose, transfer } from 'comlink';
import { encode } from 'fast-png';

import {
  bakeSculpture,
  type EdgeWeights,
  frameScene,
  type Framing,
  type Sculpture,
  modelOf,
  type PictureScene,
  type Quality,
  renderSoft,
  renderSource,
  type Source,
} from '@sphene/core/renderer';

/** What a worker is told of a framing: the whole scene, and which rows of it are its own. */
export interface FramingJob {
  scene: PictureScene;
  lensTilt: number;
  width: number;
  height: number;
  lookKey: string;
  /** how finely the sculpture is baked, cm */
  cellCm: number;
  from: number;
  to: number;
}

/** A first, small look at a scene, or the whole of it. */
export type FramingSize = 'first' | 'whole';

/** What a worker found of its rows. */
export interface FramedRows {
  materials: Uint8Array;
  edges: EdgeWeights;
}

/** The last sculptures, by their look and fineness: a coarse and a fine one of the same look. */
const sculptures = new Map<string, Sculpture>();
const MOST_SCULPTURES = 2;
/** What was framed last at each size. */
const framings = new Map<FramingSize, Framing>();
/** jobs under this number are not wanted any more */
let wantedFrom = 0;

const channel = new MessageChannel();
const waiting: (() => void)[] = [];
channel.port1.onmessage = () => waiting.shift()?.();
/** Lets messages in, so that a job can be called off. */
const breathe = () =>
  new Promise<void>((resolve) => {
    waiting.push(resolve);
    channel.port2.postMessage(0);
  });

const api = {
  /** Sees its rows of a framing; bakes the sculpture first when it is another one. */
  frame(size: FramingSize, { scene, lensTilt, width, height, lookKey, cellCm, from, to }: FramingJob): FramedRows {
    const key = `${lookKey} ${cellCm}`;
    const sculpture = sculptures.get(key) ?? bakeSculpture(scene.look, cellCm);
    sculptures.delete(key);
    sculptures.set(key, sculpture);
    const [oldest] = sculptures.keys();
    if (sculptures.size > MOST_SCULPTURES && oldest !== undefined) sculptures.delete(oldest);
    const framing = frameScene(scene, modelOf(sculpture, scene), width, height, { from, to }, lensTilt);
    framings.set(size, framing);
    return { materials: framing.view.material.slice(from * width, to * width), edges: framing.edges };
  },

  /** Forgets a framing that nothing is rendered of any more. */
  drop(size: FramingSize): void {
    framings.delete(size);
  },

  /** Renders its rows of a layer; `null` source: the soft light. @returns null when it was called off */
  async layer(
    job: number,
    size: FramingSize,
    source: Source | null,
    quality: Quality,
    seed: number,
  ): Promise<Float32Array | null> {
    await breathe();
    const seen = framings.get(size);
    if (seen === undefined || job < wantedFrom) return null;
    if (source === null) return done(renderSoft(seen, quality));
    const steps = renderSource(seen, source, quality, seed);
    for (;;) {
      const step = steps.next();
      if (step.done === true) return done(step.value);
      await breathe();
      if (job < wantedFrom) return null;
    }
  },

  /** Calls off every job under a number. */
  callOff(before: number): void {
    wantedFrom = Math.max(wantedFrom, before);
  },

  /** A picture as a PNG file with text in it (tEXt, Latin letters). */
  png(rgba: Uint8ClampedArray, width: number, height: number, text: Record<string, string>): Uint8Array {
    const file = encode({
      width,
      height,
      data: new Uint8Array(rgba.buffer, rgba.byteOffset, rgba.byteLength),
      channels: 4,
      depth: 8,
      text,
    });
    return transfer(file, [file.buffer as ArrayBuffer]);
  },
};
const done = (rows: Float32Array) => transfer(rows, [rows.buffer as ArrayBuffer]);

export type PreviewApi = typeof api;
expose(api);
