import type { PictureScene } from '../scene';
import { meetsPeople, type Model, passedShare } from '../sculpture/model';
import { gatherAt, gathered } from './halfSphere';
import type { Patches } from './patches';
import { BEAM_STEPS, facePlaces, type Source } from './source';

/** Places on a source that a patch is asked for. */
const PLACES_ON_SOURCE = 4;
const LIFT_CM = 0.3;
const CM2 = 1e4;

/** Sums `albedo·light` over the places of each patch that is seen; `light` tells that of one place, lux by channel. */
function thrownBy(
  { count, from, albedo }: Patches,
  seen: Uint8Array,
  light: (at: number, out: Float64Array) => void,
): Float32Array {
  const thrown = new Float32Array(count * 3);
  const one = new Float64Array(3);
  for (let p = 0; p < count; p += 1) {
    const first = from[p]!,
      end = from[p + 1]!;
    if (!seen[p] || end === first) continue;
    for (let r = first; r < end; r += 1) {
      light(r, one);
      for (let k = 0; k < 3; k += 1) thrown[p * 3 + k]! += (albedo[r * 3 + k]! * one[k]!) / (end - first);
    }
  }
  return thrown;
}

/** What each patch throws back of a source at unit strength, by channel; only of patches that are `seen`. */
export function thrownOfSource(patches: Patches, seen: Uint8Array, model: Model, source: Source): Float32Array {
  const { place, normal } = patches;
  const area = source.kind === 'area';
  const faces = area ? facePlaces(source, PLACES_ON_SOURCE) : new Float64Array(3);
  const [ax, ay, az] = area ? source.axis : [0, 0, 0];
  const [sx, sy, sz] = area ? [0, 0, 0] : source.towards;
  const blocked = model.blockers.length > 0;
  return thrownBy(patches, seen, (r, out) => {
    const q = r * 3;
    const nx = normal[q]!,
      ny = normal[q + 1]!,
      nz = normal[q + 2]!;
    const x = place[q]! + nx * LIFT_CM,
      y = place[q + 1]! + ny * LIFT_CM,
      z = place[q + 2]! + nz * LIFT_CM;
    let light = 0,
      lx = sx,
      ly = sy,
      lz = sz,
      reach = 1e9;
    if (!area) light = Math.max(0, nx * sx + ny * sy + nz * sz);
    // one ray a place, to another part of the source from place to place
    const aimed = r % PLACES_ON_SOURCE;
    for (let k = 0; area && k < PLACES_ON_SOURCE; k += 1) {
      const tx = faces[k * 3]! - x,
        ty = faces[k * 3 + 1]! - y,
        tz = faces[k * 3 + 2]! - z;
      const far = Math.sqrt(tx * tx + ty * ty + tz * tz);
      const cosine = (nx * tx + ny * ty + nz * tz) / far,
        off = -(ax * tx + ay * ty + az * tz) / far;
      if (k === aimed) {
        lx = tx / far;
        ly = ty / far;
        lz = tz / far;
        reach = far;
      }
      if (cosine > 0 && off > 0)
        light += (source.beam[(off * BEAM_STEPS + 0.5) | 0]! * CM2 * cosine) / (far * far * PLACES_ON_SOURCE);
    }
    if (light > 0 && meetsPeople(model, x, y, z, lx, ly, lz, reach)) light = 0;
    if (light > 0 && blocked) light *= passedShare(model.blockers, x, y, z, lx, ly, lz, reach);
    out.fill(light);
  });
}

/**
 * What each patch throws back of the soft light at unit strength, by channel; only of patches that are `seen`.
 * @param rays how many ask each place of it
 */
export function thrownOfSoft(
  patches: Patches,
  seen: Uint8Array,
  model: Model,
  scene: PictureScene,
  rays: number,
): Float32Array {
  const { place, normal, firstGround } = patches;
  const firstRep = patches.from[firstGround]!;
  return thrownBy(patches, seen, (r, out) => {
    out.fill(0);
    // a closed room shines by itself from all round: its floor and walls are in that already
    if (scene.sky.closed && r >= firstRep) return;
    const q = r * 3;
    gatherAt(
      model,
      scene,
      null,
      place[q]! + normal[q]! * LIFT_CM,
      place[q + 1]! + normal[q + 1]! * LIFT_CM,
      place[q + 2]! + normal[q + 2]! * LIFT_CM,
      normal[q]!,
      normal[q + 1]!,
      normal[q + 2]!,
      (r * 0.618034) % 1,
      rays,
    );
    for (let k = 0; k < 3; k += 1) out[k] = Math.PI * gathered.sky[k]!;
  });
}
