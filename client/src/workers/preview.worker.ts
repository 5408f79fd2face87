import { expose, transfer } from 'comlink';
import { encode } from 'fast-png';

import {
  bakeSculpture,
  type BustLook,
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
  /** how finely the sculpture is baked, cm */
  cellCm: number;
  from: number;
  to: number;
}

/** What a worker found of its rows. */
export interface FramedRows {
  materials: Uint8Array;
  edges: EdgeWeights;
}

/** The last sculptures, by their look and fineness: coarse and fine ones of two looks. */
const sculptures = new Map<string, Sculpture>();
const MOST_SCULPTURES = 4;
/** What was framed last for each maker of pictures. */
const framings = new Map<string, Framing>();

/** The sculpture of a look, baked once. */
function sculptureOf({ hat, spectacles, deepSet }: BustLook, cellCm: number): Sculpture {
  const key = [hat, spectacles, deepSet, cellCm].join();
  const sculpture = sculptures.get(key) ?? bakeSculpture({ hat, spectacles, deepSet }, cellCm);
  sculptures.delete(key);
  sculptures.set(key, sculpture);
  const [oldest] = sculptures.keys();
  if (sculptures.size > MOST_SCULPTURES && oldest !== undefined) sculptures.delete(oldest);
  return sculpture;
}
/** of each maker: jobs under this number are not wanted any more */
const wantedFrom = new Map<string, number>();
const isWanted = (maker: string, job: number): boolean => job >= (wantedFrom.get(maker) ?? 0);

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
  /** Bakes a sculpture before it is asked for. */
  sculpt(look: BustLook, cellCm: number): void {
    sculptureOf(look, cellCm);
  },

  /** Sees its rows of a framing; bakes the sculpture first when it is another one. */
  frame(maker: string, { scene, lensTilt, width, height, cellCm, from, to }: FramingJob): FramedRows {
    const sculpture = sculptureOf(scene.look, cellCm);
    const framing = frameScene(scene, modelOf(sculpture, scene), width, height, { from, to }, lensTilt);
    framings.set(maker, framing);
    return { materials: framing.view.material.slice(from * width, to * width), edges: framing.edges };
  },

  /** Renders its rows of a layer; `null` source: the soft light. @returns null when it was called off */
  async layer(
    maker: string,
    job: number,
    source: Source | null,
    quality: Quality,
    seed: number,
  ): Promise<Float32Array | null> {
    await breathe();
    const seen = framings.get(maker);
    if (seen === undefined || !isWanted(maker, job)) return null;
    if (source === null) return done(renderSoft(seen, quality));
    const steps = renderSource(seen, source, quality, seed);
    for (;;) {
      const step = steps.next();
      if (step.done === true) return done(step.value);
      await breathe();
      if (!isWanted(maker, job)) return null;
    }
  },

  /** Calls off every job of a maker under a number. */
  callOff(maker: string, before: number): void {
    wantedFrom.set(maker, before);
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
