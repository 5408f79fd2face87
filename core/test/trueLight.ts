import { dot, unit, type Vec } from '../src/renderer/base/vector';
import type { Framing } from '../src/renderer/layer';
import { skyRadiance } from '../src/renderer/light/sky';
import { type AreaSource, BEAM_STEPS, type Source, SUN_RADIUS } from '../src/renderer/light/source';
import type { PictureScene } from '../src/renderer/scene';
import { type BrickGrid, exactDistance, gridDistance } from '../src/renderer/sculpture/brickGrid';
import { MATERIAL } from '../src/renderer/sculpture/bust';
import { found } from '../src/renderer/sculpture/distanceTape';
import { bakeSculpture, type Model, type Sculpture } from '../src/renderer/sculpture/model';
import { paintAt, painted } from '../src/renderer/sculpture/paint';

/*
 * The light on a face by brute force: every source by many even places, every half sphere by many even rays, every
 * bounce where it happens, each with its own shadow; nothing kept, nothing smoothed. What the renderer is held to.
 */

/** How many rays the integration takes. */
export interface Rays {
  /** places along one side of a source */
  source: number;
  /** directions along one side of the half sphere's square */
  half: number;
  /** the same two where light meets a surface that throws it back */
  bounceSource: number;
  bounceHalf: number;
}

type Rgb3 = [number, number, number];
const CM2 = 1e4;
const TRUE_CELL_CM = 0.1;
const LIFT_CM = 0.03;
const NEAR_CM = 0.003;
const REACH_CM = 250;

const plus = (a: Vec, d: Vec, t: number): Vec => [a[0] + d[0] * t, a[1] + d[1] * t, a[2] + d[2] * t];

const sculptures = new Map<string, Sculpture>();
/** A look's sculpture, baked once. */
export function sculpted(look: PictureScene['look'], cellCm: number): Sculpture {
  const key = [look.hat, look.spectacles, look.deepSet, cellCm].join();
  const sculpture = sculptures.get(key) ?? bakeSculpture(look, cellCm);
  sculptures.set(key, sculpture);
  return sculpture;
}

/** What a ray meets: a surface with its normal and reflectance, or nothing. */
interface Met {
  place: Vec;
  normal: Vec;
  albedo: Rgb3;
}

/** The integration over one scene. */
export class TrueLight {
  private readonly grid: BrickGrid;
  private readonly tape: Model['tape'];
  private readonly scene: PictureScene;

  constructor(
    private readonly framing: Framing,
    private readonly rays: Rays,
  ) {
    this.scene = framing.scene;
    const { tape, grid } = sculpted(this.scene.look, TRUE_CELL_CM);
    this.tape = tape;
    this.grid = grid;
    if (this.scene.bodies) throw new Error('bodies under the busts are not part of the integration');
  }

  /** Light on a pixel of the framing, by channel: from `source`, or from all round where it is `null`. */
  on(pixel: number, source: Source | null): Rgb3 {
    const { place, normal } = this.framing.view;
    const q = pixel * 3;
    const at: Vec = [place[q]!, place[q + 1]!, place[q + 2]!];
    const n: Vec = [normal[q]!, normal[q + 1]!, normal[q + 2]!];
    const { half } = this.rays;
    const sum: Rgb3 = [0, 0, 0];
    if (source !== null) sum.fill(this.from(source, at, n, this.rays.source));
    for (const direction of halfSphere(n, half)) {
      const met = this.meet(at, n, direction);
      const thrown = met === null ? null : this.thrown(met, source);
      const sky = source === null ? this.sky(direction, met) : null;
      for (let k = 0; k < 3; k += 1) sum[k]! += ((thrown?.[k] ?? 0) + Math.PI * (sky?.[k] ?? 0)) / (half * half);
    }
    return sum;
  }

  /** What a surface that a ray met sends back, `albedo·E`. */
  private thrown({ place, normal, albedo }: Met, source: Source | null): Rgb3 {
    const { bounceSource, bounceHalf } = this.rays;
    if (source !== null) {
      const light = this.from(source, place, normal, bounceSource);
      return [albedo[0] * light, albedo[1] * light, albedo[2] * light];
    }
    const sum: Rgb3 = [0, 0, 0];
    for (const direction of halfSphere(normal, bounceHalf)) {
      const sky = this.sky(direction, this.meet(place, normal, direction));
      for (let k = 0; k < 3; k += 1) sum[k]! += (albedo[k]! * Math.PI * sky[k]!) / (bounceHalf * bounceHalf);
    }
    return sum;
  }

  /** The soft light along a ray; a closed room shines from all round, its floor by as much as it throws back. */
  private sky(direction: Vec, met: Met | null): Rgb3 {
    const { sky, groundAlbedo } = this.scene;
    if (met !== null || (!sky.closed && direction[1] < 0)) return [0, 0, 0];
    const out = new Float64Array(3);
    skyRadiance(sky, direction[0], Math.abs(direction[1]), direction[2], out);
    const floor = direction[1] < 0 ? 0.25 + groundAlbedo[1] : 1;
    return [out[0]! * floor, out[1]! * floor, out[2]! * floor];
  }

  /** Direct light of a source on a surface, with its shadow. */
  private from(source: Source, at: Vec, n: Vec, side: number): number {
    const start = plus(at, n, LIFT_CM);
    let sum = 0;
    if (source.kind === 'sun') {
      const across = unit([source.towards[2], 0.1, -source.towards[0]]);
      const places = evenPlaces('round', side);
      for (const [a, b] of places) {
        const up: Vec = [0, 1, 0];
        const direction = unit(
          plus(plus(source.towards, across, a * Math.tan(SUN_RADIUS)), up, b * Math.tan(SUN_RADIUS)),
        );
        const cosine = dot(direction, n);
        if (cosine > 0 && !this.hidden(start, direction, 1e9)) sum += cosine;
      }
      return sum / places.length;
    }
    const places = evenPlaces(source.outline, side);
    for (const [a, b] of places) sum += this.fromPlace(source, a, b, start, n);
    return sum / places.length;
  }

  private fromPlace(source: AreaSource, a: number, b: number, start: Vec, n: Vec): number {
    const face = plus(plus(source.centre, source.across, a * source.halfAcross), source.up, b * source.halfUp);
    const to: Vec = [face[0] - start[0], face[1] - start[1], face[2] - start[2]];
    const far = Math.hypot(...to);
    const direction: Vec = [to[0] / far, to[1] / far, to[2] / far];
    const [cosine, off] = [dot(direction, n), -dot(direction, source.axis)];
    if (cosine <= 0 || off <= 0 || this.hidden(start, direction, far)) return 0;
    return (source.beam[Math.round(off * BEAM_STEPS)]! * CM2 * cosine) / (far * far);
  }

  private hidden(start: Vec, direction: Vec, reach: number): boolean {
    const at = this.march(start, direction, Math.min(reach, REACH_CM));
    return at !== null || this.background(start, direction, reach) !== null;
  }

  /** How far along a ray a person stands; null for nobody. */
  private march(start: Vec, direction: Vec, reach: number): number | null {
    let nearest: number | null = null;
    for (const person of this.framing.model.people) {
      const [x, y, z] = this.local(person, start[0] - person.x, start[1] - person.y, start[2] - person.z);
      const [dx, dy, dz] = this.local(person, ...direction);
      for (let t = 0; t < (nearest ?? reach);) {
        const distance = gridDistance(this.grid, x + dx * t, y + dy * t, z + dz * t);
        if (distance < NEAR_CM) {
          nearest = t;
          break;
        }
        // beyond the box nothing is told: two centimetres at a time until it is entered
        t += distance > 500 ? 2 : Math.max(0.9 * distance, NEAR_CM);
      }
    }
    return nearest;
  }

  private local({ cos, sin }: Model['people'][number], x: number, y: number, z: number): Vec {
    return [x * cos - z * sin, y, x * sin + z * cos];
  }

  /** Ground or wall along a ray. */
  private background(start: Vec, direction: Vec, reach: number): Met | null {
    const { groundY, groundAlbedo, backdrop } = this.scene;
    const ground = direction[1] < 0 ? (groundY - start[1]) / direction[1] : Infinity;
    const wall = backdrop.kind === 'wall' && direction[2] < 0 ? (backdrop.z - start[2]) / direction[2] : Infinity;
    const far = Math.min(ground, wall);
    if (far >= Math.min(reach, 1e7) || far < 0.2) return null;
    return ground < wall
      ? { place: plus(start, direction, far), normal: [0, 1, 0], albedo: [...groundAlbedo] }
      : { place: plus(start, direction, far), normal: [0, 0, 1], albedo: [...backdrop.albedo] };
  }

  private meet(at: Vec, n: Vec, direction: Vec): Met | null {
    const start = plus(at, n, LIFT_CM);
    const far = this.march(start, direction, REACH_CM);
    if (far !== null) return this.person(plus(start, direction, far));
    // a closed room is its own walls for the soft light; sources light its floor and wall as they light any
    return this.background(start, direction, Infinity);
  }

  /** The surface of the person at a place. */
  private person(place: Vec): Met {
    const { look } = this.scene;
    const near = [...this.framing.model.people].sort(
      (a, b) => Math.hypot(place[0] - a.x, place[2] - a.z) - Math.hypot(place[0] - b.x, place[2] - b.z),
    )[0]!;
    const own = this.local(near, place[0] - near.x, place[1] - near.y, place[2] - near.z);
    const e = 0.05;
    const slope = (k: number) => {
      const shifted = (by: number) => own.map((value, c) => (c === k ? value + by : value)) as unknown as Vec;
      return gridDistance(this.grid, ...shifted(e)) - gridDistance(this.grid, ...shifted(-e));
    };
    const [nx, ny, nz] = unit([slope(0), slope(1), slope(2)]);
    exactDistance(this.grid, this.tape, ...own);
    paintAt(found.material || MATERIAL.skin, ...own, look.skin, look.hair);
    return {
      place,
      normal: [nx * near.cos + nz * near.sin, ny, nz * near.cos - nx * near.sin],
      albedo: [painted[0]!, painted[1]!, painted[2]!],
    };
  }
}

/** Middles of even cells of an outline, −1 to 1. */
function evenPlaces(outline: AreaSource['outline'], side: number): [number, number][] {
  const reach = outline === 'octagon' ? 1.0824 : 1;
  const places: [number, number][] = [];
  for (let i = 0; i < side; i += 1)
    for (let j = 0; j < side; j += 1) {
      const [a, b] = [((2 * i + 1) / side - 1) * reach, ((2 * j + 1) / side - 1) * reach];
      const [x, y] = [Math.abs(a), Math.abs(b)];
      const inside =
        outline === 'rectangle' ||
        (outline === 'round' ? x * x + y * y <= 1 : Math.max(x, y, (x + y) * Math.SQRT1_2) <= 1);
      if (inside) places.push([a, b]);
    }
  return places;
}

/** Even cosine-weighted directions about a normal: concentric squares laid onto the disc (Shirley and Chiu 1997). */
function* halfSphere(n: Vec, side: number): Generator<Vec> {
  const aside = Math.abs(n[1]) < 0.9 ? ([0, 1, 0] as const) : ([1, 0, 0] as const);
  const u = unit([
    aside[1] * n[2] - aside[2] * n[1],
    aside[2] * n[0] - aside[0] * n[2],
    aside[0] * n[1] - aside[1] * n[0],
  ]);
  const v: Vec = [n[1] * u[2] - n[2] * u[1], n[2] * u[0] - n[0] * u[2], n[0] * u[1] - n[1] * u[0]];
  for (let i = 0; i < side; i += 1)
    for (let j = 0; j < side; j += 1) {
      const [a, b] = [(2 * i + 1) / side - 1, (2 * j + 1) / side - 1];
      const wide = Math.abs(a) > Math.abs(b);
      const r = wide ? a : b;
      const turn = r === 0 ? 0 : wide ? (Math.PI / 4) * (b / a) : Math.PI / 2 - (Math.PI / 4) * (a / b);
      const [s, t] = [r * Math.cos(turn), r * Math.sin(turn)];
      const h = Math.sqrt(Math.max(0, 1 - s * s - t * t));
      yield [u[0] * s + v[0] * t + n[0] * h, u[1] * s + v[1] * t + n[1] * h, u[2] * s + v[2] * t + n[2] * h];
    }
}
