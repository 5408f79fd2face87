import { MID_GREY, TONE_MOST, TONE_STEPS, toneTable } from './base/tone';
import { type EdgeWeights, smoothEdges } from './light/edges';
import { regionOf } from './view';

/** Weights of one layer: red, green and blue for each of the three regions (subject, backdrop, sky). */
export const WEIGHTS_PER_LAYER = 9;
const AT_ONCE = 6;

/** A picture: RGBA, the histograms of red, green, blue and luminance, and how many pixels are clipped or lost. */
export interface Picture {
  width: number;
  height: number;
  rgba: Uint8ClampedArray<ArrayBuffer>;
  /** four times 256 counts */
  histogram: Uint32Array;
  clipped: number;
  lost: number;
}

/** What the camera does to light. */
export interface Exposing {
  clipsAboveStops: number;
  noiseBelowStops: number;
  /** draw clipped highlights and lost shadows as patterns over the picture */
  marks: boolean;
}

const WHITE = 0xffffffff,
  BLACK = 0xff000000;

/**
 * Turns layers and weights into pictures of one size. Light is additive: a picture is the weighted sum of its layers, so
 * every change of a power, a shutter or a colour is only a sum.
 */
export class Composer {
  private readonly zero: Float32Array;
  private readonly base: Float32Array;
  private baseKey: { layers: readonly Float32Array[]; weights: Float64Array } | null = null;
  private edges: readonly EdgeWeights[] = [];
  private runs: Int32Array = new Int32Array(0);
  private tone: { clipsAboveStops: number; table: Uint8Array } | null = null;
  private readonly words: Uint32Array;
  readonly picture: Picture;

  constructor(
    readonly width: number,
    readonly height: number,
  ) {
    this.zero = new Float32Array(width * height * 3);
    this.base = new Float32Array(width * height * 3);
    const rgba = new Uint8ClampedArray(width * height * 4);
    this.words = new Uint32Array(rgba.buffer);
    this.picture = { width, height, rgba, histogram: new Uint32Array(1024), clipped: 0, lost: 0 };
  }

  /** Tells what each pixel shows: runs of one region are summed with one set of weights; edges are smoothed after developing. */
  setFraming(materials: Uint8Array, edges: readonly EdgeWeights[]): void {
    this.edges = edges;
    const runs: number[] = [];
    for (let o = 0; o < materials.length;) {
      const region = regionOf(materials[o]!);
      let end = o + 1;
      while (end < materials.length && regionOf(materials[end]!) === region) end += 1;
      runs.push(o, end, region);
      o = end;
    }
    this.runs = Int32Array.from(runs);
    this.baseKey = null;
  }

  /** What is beyond six layers is summed once and kept while it stays as it is. */
  private sumBase(layers: readonly Float32Array[], weights: Float64Array): Float32Array {
    const key = this.baseKey;
    if (
      key !== null &&
      key.layers.length === layers.length &&
      key.layers.every((layer, i) => layer === layers[i]) &&
      key.weights.every((value, i) => value === weights[i])
    )
      return this.base;
    this.base.fill(0);
    layers.forEach((layer, at) => this.addTo(this.base, layer, weights, at * WEIGHTS_PER_LAYER));
    this.baseKey = { layers: [...layers], weights: weights.slice() };
    return this.base;
  }

  private addTo(sum: Float32Array, layer: Float32Array, weights: Float64Array, at: number): void {
    const { runs } = this;
    for (let r = 0; r < runs.length; r += 3) {
      const w = at + runs[r + 2]! * 3,
        red = weights[w]!,
        green = weights[w + 1]!,
        blue = weights[w + 2]!;
      for (let q = runs[r]! * 3, end = runs[r + 1]! * 3; q < end; q += 3) {
        sum[q]! += red * layer[q]!;
        sum[q + 1]! += green * layer[q + 1]!;
        sum[q + 2]! += blue * layer[q + 2]!;
      }
    }
  }

  /**
   * The linear picture: mid grey is 0.18. For measuring; the picture that is shown comes from `compose`.
   */
  linear(layers: readonly Float32Array[], weights: Float64Array): Float32Array {
    const sum = new Float32Array(this.width * this.height * 3);
    layers.forEach((layer, at) => this.addTo(sum, layer, weights, at * WEIGHTS_PER_LAYER));
    return sum;
  }

  /**
   * Sums layers by weights, develops and counts. The picture is used again by the next call.
   * @param weights `WEIGHTS_PER_LAYER` for each layer, in their order
   */
  // eslint-disable-next-line complexity, max-lines-per-function -- inner loop over pixels: a call a pixel costs more than it tells
  compose(
    layers: readonly Float32Array[],
    weights: Float64Array,
    { clipsAboveStops, noiseBelowStops, marks }: Exposing,
  ): Picture {
    if (this.tone?.clipsAboveStops !== clipsAboveStops)
      this.tone = { clipsAboveStops, table: toneTable(clipsAboveStops) };
    const { table } = this.tone;
    const { words, picture, runs, zero, width } = this;
    const beyond = Math.max(0, layers.length - AT_ONCE);
    // with layers to spare the base takes one of the six places
    const own = beyond > 0 ? layers.slice(beyond + 1) : layers;
    const base =
      beyond > 0
        ? this.sumBase(layers.slice(0, beyond + 1), weights.subarray(0, (beyond + 1) * WEIGHTS_PER_LAYER))
        : null;
    const first = (beyond > 0 ? beyond + 1 : 0) * WEIGHTS_PER_LAYER;
    const pick = (i: number) => own[i] ?? zero;
    const l0 = base ?? pick(0),
      l1 = pick(base === null ? 1 : 0),
      l2 = pick(base === null ? 2 : 1),
      l3 = pick(base === null ? 3 : 2),
      l4 = pick(base === null ? 4 : 3),
      l5 = pick(base === null ? 5 : 4);
    const { histogram } = picture;
    histogram.fill(0);
    const scale = TONE_STEPS / TONE_MOST,
      clipAt = MID_GREY * 2 ** clipsAboveStops * scale,
      lostAt = MID_GREY * 2 ** -noiseBelowStops * scale;
    let clipped = 0,
      lost = 0;
    const w = new Float64Array(AT_ONCE * 3);
    for (let r = 0; r < runs.length; r += 3) {
      const region = runs[r + 2]! * 3;
      for (let i = 0; i < AT_ONCE; i += 1)
        for (let k = 0; k < 3; k += 1) {
          const at = base === null ? i : i - 1;
          w[i * 3 + k] =
            (base !== null && i === 0
              ? 1
              : at < own.length
                ? weights[first + at * WEIGHTS_PER_LAYER + region + k]!
                : 0) * scale;
        }
      const a0 = w[0]!,
        a1 = w[1]!,
        a2 = w[2]!,
        b0 = w[3]!,
        b1 = w[4]!,
        b2 = w[5]!,
        c0 = w[6]!,
        c1 = w[7]!,
        c2 = w[8]!,
        d0 = w[9]!,
        d1 = w[10]!,
        d2 = w[11]!,
        e0 = w[12]!,
        e1 = w[13]!,
        e2 = w[14]!,
        f0 = w[15]!,
        f1 = w[16]!,
        f2 = w[17]!;
      for (let o = runs[r]!, q = o * 3, end = runs[r + 1]!; o < end; o += 1, q += 3) {
        let x = (a0 * l0[q]! + b0 * l1[q]! + c0 * l2[q]! + d0 * l3[q]! + e0 * l4[q]! + f0 * l5[q]!) | 0;
        let y =
          (a1 * l0[q + 1]! + b1 * l1[q + 1]! + c1 * l2[q + 1]! + d1 * l3[q + 1]! + e1 * l4[q + 1]! + f1 * l5[q + 1]!) |
          0;
        let z =
          (a2 * l0[q + 2]! + b2 * l1[q + 2]! + c2 * l2[q + 2]! + d2 * l3[q + 2]! + e2 * l4[q + 2]! + f2 * l5[q + 2]!) |
          0;
        const over = x >= clipAt || y >= clipAt || z >= clipAt,
          under = !over && x < lostAt && y < lostAt && z < lostAt;
        if (x > TONE_STEPS) x = TONE_STEPS;
        else if (x < 0) x = 0;
        if (y > TONE_STEPS) y = TONE_STEPS;
        else if (y < 0) y = 0;
        if (z > TONE_STEPS) z = TONE_STEPS;
        else if (z < 0) z = 0;
        const red = table[x]!,
          green = table[y]!,
          blue = table[z]!;
        histogram[red]! += 1;
        histogram[256 + green]! += 1;
        histogram[512 + blue]! += 1;
        histogram[768 + ((red * 54 + green * 183 + blue * 19) >> 8)]! += 1;
        let word = BLACK | (blue << 16) | (green << 8) | red;
        if (over) {
          clipped += 1;
          if (marks) word = (((o % width) + Math.floor(o / width)) >> 2) & 1 ? BLACK : WHITE;
        } else if (under) {
          lost += 1;
          if (marks && (o % width) % 5 < 2 && Math.floor(o / width) % 5 < 2) word = WHITE;
        }
        words[o] = word;
      }
    }
    if (!marks) for (const edge of this.edges) smoothEdges(edge, words);
    picture.clipped = clipped;
    picture.lost = lost;
    return picture;
  }
}

/** The weights of a layer that is the same in all regions. */
export function evenWeights(rgb: readonly [number, number, number]): Float64Array {
  return Float64Array.from({ length: WEIGHTS_PER_LAYER }, (_, i) => rgb[i % 3]!);
}

/** Mean linear luminance of a layer over the pixels that `where` names, with how many they are. */
export function meanOver(
  layer: Float32Array,
  materials: Uint8Array,
  where: (pixel: number, material: number) => boolean,
): { mean: number; pixels: number } {
  let [sum, pixels] = [0, 0];
  for (let o = 0; o < materials.length; o += 1) {
    if (!where(o, materials[o]!)) continue;
    sum += 0.2126 * layer[o * 3]! + 0.7152 * layer[o * 3 + 1]! + 0.0722 * layer[o * 3 + 2]!;
    pixels += 1;
  }
  return { mean: pixels === 0 ? 0 : sum / pixels, pixels };
}
