import { type Development, MID_GREY, TONE_MOST, TONE_STEPS, toneTable } from './base/tone';
import { type EdgeWeights, smoothEdges } from './light/edges';
import { sumsFor } from './sums';
import { regionOf } from './view';

/** Weights of one layer: red, green and blue for each of the three regions (subject, backdrop, sky). */
export const WEIGHTS_PER_LAYER = 9;
const REGIONS = 3;
const SCALE = TONE_STEPS / TONE_MOST;

/** A picture: RGBA, and how many pixels are clipped or lost. */
export interface Picture {
  width: number;
  height: number;
  rgba: Uint8ClampedArray<ArrayBuffer>;
  clipped: number;
  lost: number;
  /** counts its linear light: histograms of red, green, blue and luminance, 256 counts each, encoded without contrast */
  histogram: () => Uint32Array;
}

/** What the camera does to light. */
export interface Exposing {
  clipsAboveStops: number;
  noiseBelowStops: number;
  /** draw clipped highlights and lost shadows as patterns over the picture */
  marks: boolean;
  /** with a camera's contrast where it is not said */
  development?: Development;
}

const WHITE = 0xffffffff,
  BLACK = 0xff000000;

/** Tone tables by what they are of; a picture asks for the same over and over. */
const tables = new Map<string, Uint8Array>();
const MOST_TABLES = 8;
function tableOf(clipsAboveStops: number, development: Development): Uint8Array {
  const key = `${clipsAboveStops} ${development}`;
  const table = tables.get(key) ?? toneTable(clipsAboveStops, development);
  if (tables.size >= MOST_TABLES) tables.clear();
  tables.set(key, table);
  return table;
}

/**
 * Turns layers and weights into pictures of one size. Light is additive: a picture is the weighted sum of its layers, so
 * every change of a power, a shutter or a colour is only a sum.
 */
export class Composer {
  private edges: readonly EdgeWeights[] = [];
  private runs: Int32Array = new Int32Array(0);
  private last: { layers: readonly Float32Array[]; weights: Float64Array; clipsAboveStops: number } | null = null;
  private readonly words: Uint32Array;
  readonly picture: Picture;

  constructor(
    readonly width: number,
    readonly height: number,
  ) {
    const rgba = new Uint8ClampedArray(width * height * 4);
    this.words = new Uint32Array(rgba.buffer);
    this.picture = { width, height, rgba, clipped: 0, lost: 0, histogram: () => this.count() };
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
  }

  /**
   * The linear picture: mid grey is 0.18. For measuring; the picture that is shown comes from `compose`.
   */
  linear(layers: readonly Float32Array[], weights: Float64Array): Float32Array {
    const sum = new Float32Array(this.width * this.height * 3);
    const { runs } = this;
    layers.forEach((layer, at) => {
      for (let r = 0; r < runs.length; r += 3) {
        const w = at * WEIGHTS_PER_LAYER + runs[r + 2]! * 3;
        for (let q = runs[r]! * 3, end = runs[r + 1]! * 3; q < end; q += 1)
          sum[q]! += weights[w + (q % 3)]! * layer[q]!;
      }
    });
    return sum;
  }

  /** The sum of layers as places in a tone table, three a pixel. */
  private sums(layers: readonly Float32Array[], weights: Float64Array): Uint16Array {
    const byRegion = Array.from({ length: REGIONS }, (_, region) =>
      Float32Array.from(
        { length: layers.length * 3 },
        (__, i) => SCALE * weights[Math.floor(i / 3) * WEIGHTS_PER_LAYER + region * 3 + (i % 3)]!,
      ),
    );
    return sumsFor(this.width * this.height)(layers, byRegion, this.runs);
  }

  /**
   * Sums layers by weights, develops and counts what is lost. The picture is used again by the next call.
   * @param weights `WEIGHTS_PER_LAYER` for each layer, in their order
   */
  compose(
    layers: readonly Float32Array[],
    weights: Float64Array,
    { clipsAboveStops, noiseBelowStops, marks, development = 'camera' }: Exposing,
  ): Picture {
    const table = tableOf(clipsAboveStops, development);
    const { words, picture, width } = this;
    this.last = { layers, weights, clipsAboveStops };
    const light = this.sums(layers, weights);
    // whole numbers: what reaches the next one over the limit has clipped
    const clipAt = Math.min(TONE_STEPS, Math.ceil(MID_GREY * 2 ** clipsAboveStops * SCALE)),
      lostAt = Math.ceil(MID_GREY * 2 ** -noiseBelowStops * SCALE);
    let clipped = 0,
      lost = 0;
    for (let o = 0, q = 0; o < words.length; o += 1, q += 3) {
      const x = light[q]!,
        y = light[q + 1]!,
        z = light[q + 2]!;
      let word = BLACK | (table[z]! << 16) | (table[y]! << 8) | table[x]!;
      if (x >= clipAt || y >= clipAt || z >= clipAt) {
        clipped += 1;
        if (marks) word = (((o % width) + Math.floor(o / width)) >> 2) & 1 ? BLACK : WHITE;
      } else if (x < lostAt && y < lostAt && z < lostAt) {
        lost += 1;
        if (marks && (o % width) % 5 < 2 && Math.floor(o / width) % 5 < 2) word = WHITE;
      }
      words[o] = word;
    }
    if (!marks) for (const edge of this.edges) smoothEdges(edge, words);
    picture.clipped = clipped;
    picture.lost = lost;
    return picture;
  }

  /** The histograms of what was composed last. */
  private count(): Uint32Array {
    const counts = new Uint32Array(1024);
    if (this.last === null) return counts;
    const { layers, weights, clipsAboveStops } = this.last;
    const light = this.sums(layers, weights);
    const table = tableOf(clipsAboveStops, 'flat');
    for (let q = 0; q < light.length; q += 3) {
      const red = table[light[q]!]!,
        green = table[light[q + 1]!]!,
        blue = table[light[q + 2]!]!;
      counts[red]! += 1;
      counts[256 + green]! += 1;
      counts[512 + blue]! += 1;
      counts[768 + ((red * 54 + green * 183 + blue * 19) >> 8)]! += 1;
    }
    return counts;
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
