import { SUMS_MODULE } from './sumsModule';

/** Figures that are summed at a time: four pixels of red, green and blue. */
const AT_ONCE = 12;
const BYTES = 4;
const PAGE = 65_536;
const MOST = 65_535;
/** Subject, backdrop and sky. */
const REGIONS = 3;
/** Layers that are held for summing at least; those used longest ago give way. */
const HELD = 8;

/**
 * Sums layers by weights into whole numbers from 0 to 65 535, three a pixel. The result is used again by the next call.
 * @param byRegion for each region red, green and blue of each layer, after each other
 * @param runs stretches of pixels of one region, which together are the picture: first, end, region
 */
export type SumLayers = (
  layers: readonly Float32Array[],
  byRegion: readonly Float32Array[],
  runs: Int32Array,
) => Uint16Array;

/** Sums where there is no WebAssembly with vectors; the reference for what has. */
export function plainSums(pixels: number): SumLayers {
  const out = new Uint16Array(pixels * 3);
  const sum = new Float64Array(pixels * 3);
  return (layers, byRegion, runs) => {
    sum.fill(0);
    for (let r = 0; r < runs.length; r += 3) {
      const weights = byRegion[runs[r + 2]!]!;
      layers.forEach((layer, at) => {
        const red = weights[at * 3]!,
          green = weights[at * 3 + 1]!,
          blue = weights[at * 3 + 2]!;
        if (red === 0 && green === 0 && blue === 0) return;
        for (let q = runs[r]! * 3, end = runs[r + 1]! * 3; q < end; q += 3) {
          sum[q]! += red * layer[q]!;
          sum[q + 1]! += green * layer[q + 1]!;
          sum[q + 2]! += blue * layer[q + 2]!;
        }
      });
    }
    for (let q = 0; q < sum.length; q += 1) out[q] = Math.min(MOST, Math.max(0, sum[q]!));
    return out;
  };
}

/** What of the standard is used of WebAssembly, which a library of plain computation does not declare. */
declare const WebAssembly: {
  Module: new (bytes: Uint8Array) => object;
  Memory: new (pages: { initial: number }) => { buffer: ArrayBuffer; grow: (pages: number) => number };
  Instance: new (module: object, imports: object) => { exports: Record<string, unknown> };
};
type Summing = (out: number, off: number, end: number, table: number, layers: number, weights: number) => void;

/** Compiled once; null where a browser has no such vectors, or a page may not compile. */
let compiled: object | null | undefined;
function sumsModule(): object | null {
  if (compiled !== undefined) return compiled;
  try {
    compiled = new WebAssembly.Module(Uint8Array.from(atob(SUMS_MODULE), (letter) => letter.charCodeAt(0)));
  } catch {
    compiled = null;
  }
  return compiled;
}

/** Where things lie in a module's memory: sums, then for each region a table of layers and their weights, then the layers. */
function layoutOf(pixels: number, places: number) {
  const layerBytes = Math.ceil((pixels * 3) / AT_ONCE) * AT_ONCE * BYTES;
  const tableBytes = places * BYTES,
    regionBytes = tableBytes + places * AT_ONCE * BYTES;
  const regionsAt = layerBytes / 2;
  const layersAt = regionsAt + REGIONS * regionBytes;
  return {
    tableAt: (region: number) => regionsAt + region * regionBytes,
    weightsAt: (region: number) => regionsAt + region * regionBytes + tableBytes,
    layerAt: (place: number) => layersAt + place * layerBytes,
    pages: Math.ceil((layersAt + places * layerBytes) / PAGE),
  };
}

/** Layers in a module's memory: copied as they come, those used longest ago give way. */
class HeldLayers {
  private readonly held = new Map<Float32Array, number>();
  private places = HELD;
  layout: ReturnType<typeof layoutOf>;
  readonly memory: { buffer: ArrayBuffer; grow: (pages: number) => number };

  constructor(private readonly pixels: number) {
    this.layout = layoutOf(pixels, this.places);
    this.memory = new WebAssembly.Memory({ initial: this.layout.pages });
  }

  /** Holds all of these at once. */
  hold(layers: readonly Float32Array[]): void {
    if (layers.length > this.places) {
      this.places = layers.length;
      this.held.clear();
      const before = this.layout.pages;
      this.layout = layoutOf(this.pixels, this.places);
      this.memory.grow(this.layout.pages - before);
    }
    for (const layer of layers) {
      const place = this.held.get(layer) ?? this.copy(layer, layers);
      // the newest last
      this.held.delete(layer);
      this.held.set(layer, place);
    }
  }

  placeOf(layer: Float32Array): number {
    return this.layout.layerAt(this.held.get(layer) ?? 0);
  }

  private copy(layer: Float32Array, wanted: readonly Float32Array[]): number {
    let place = this.held.size;
    if (place >= this.places) {
      const [oldest, its] = [...this.held].find(([one]) => !wanted.includes(one)) ?? [];
      if (oldest === undefined || its === undefined) throw new Error('more layers than places');
      this.held.delete(oldest);
      place = its;
    }
    new Float32Array(this.memory.buffer, this.layout.layerAt(place), layer.length).set(layer);
    return place;
  }
}

/** Sums by vectors of four; null where these are not to be had. */
export function vectorSums(pixels: number): SumLayers | null {
  const made = sumsModule();
  if (made === null) return null;
  const held = new HeldLayers(pixels);
  const { memory } = held;
  const summing = new WebAssembly.Instance(made, { picture: { memory } }).exports['sum'] as Summing;

  /** Writes the layers that have weight in a region, and their weights. @returns how many */
  const writeRegion = (layers: readonly Float32Array[], weights: Float32Array, region: number): number => {
    const table = new Uint32Array(memory.buffer, held.layout.tableAt(region), layers.length);
    const weightOf = new Float32Array(memory.buffer, held.layout.weightsAt(region), layers.length * AT_ONCE);
    let count = 0;
    layers.forEach((layer, at) => {
      const own = weights.subarray(at * 3, at * 3 + 3);
      if (own.every((one) => one === 0)) return;
      table[count] = held.placeOf(layer);
      for (let k = 0; k < AT_ONCE; k += 1) weightOf[count * AT_ONCE + k] = own[k % 3]!;
      count += 1;
    });
    return count;
  };

  return (layers, byRegion, runs) => {
    held.hold(layers);
    const counts = byRegion.map((weights, region) => writeRegion(layers, weights, region));
    const out = new Uint16Array(memory.buffer, 0, pixels * 3);
    for (let r = 0; r < runs.length; r += 3) {
      const region = runs[r + 2]!,
        count = counts[region]!;
      const [off, end] = [runs[r]! * 3, runs[r + 1]! * 3];
      // past its end a run writes on into the next, which is summed after it
      if (count === 0) out.fill(0, off, end);
      else summing(0, off * BYTES, end * BYTES, held.layout.tableAt(region), count, held.layout.weightsAt(region));
    }
    return out;
  };
}

const summers = new Map<number, SumLayers>();
/** The sums for pictures of a size: the quickest that there is here. */
export function sumsFor(pixels: number): SumLayers {
  const sums = summers.get(pixels) ?? vectorSums(pixels) ?? plainSums(pixels);
  summers.set(pixels, sums);
  return sums;
}
