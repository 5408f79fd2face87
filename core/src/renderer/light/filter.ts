import { MATERIAL } from '../sculpture/bust';
import type { ViewBuffers } from '../view';

/** A smooth step of the à-trous kernel. */
const KERNEL = [0.375, 0.25, 0.0625];
/** Normals turned further than this do not lie on one surface. */
const SAME_FACING = 0.3;

/**
 * Smooths the grain of a visibility ratio: à-trous passes guided by place, normal and by how large a difference this many
 * samples can explain, so that hard shadows stay. Leaves out what no light can reach (−1).
 * @returns which of the two arrays holds the result
 */
// eslint-disable-next-line complexity -- inner loop over pixels or cells: a call each costs more than it tells
export function smoothVisible(
  { width, height, place, normal, material }: ViewBuffers,
  visible: Float32Array,
  spare: Float32Array,
  from: number,
  to: number,
  passes: number,
  samples: number,
): Float32Array {
  let source = visible,
    target = spare;
  for (let pass = 0; pass < passes; pass += 1) {
    const step = 1 << pass;
    const tolerance = 25 / (1 + pass);
    const explained = (samples / 0.64) * (1 << (2 * pass));
    for (let j = from; j < to; j += 1)
      for (let i = 0; i < width; i += 1) {
        const o = j * width + i,
          m = material[o]!,
          v = source[o]!;
        if (m === MATERIAL.sky || v < 0) {
          target[o] = v;
          continue;
        }
        const left = i - step < 0 ? o : o - step,
          right = i + step >= width ? o : o + step,
          above = j - step < from ? o : o - step * width,
          under = j + step >= to ? o : o + step * width;
        if (
          (v === 1 || v === 0) &&
          source[left] === v &&
          source[right] === v &&
          source[above] === v &&
          source[under] === v
        ) {
          target[o] = v;
          continue;
        }
        const q = o * 3,
          x = place[q]!,
          y = place[q + 1]!,
          z = place[q + 2]!,
          nx = normal[q]!,
          ny = normal[q + 1]!,
          nz = normal[q + 2]!,
          behind = m >= MATERIAL.ground;
        let sum = 0,
          weights = 0;
        for (let b = -2; b <= 2; b += 1) {
          const jj = j + b * step;
          if (jj < 0 || jj >= height || jj < from || jj >= to) continue;
          for (let a = -2; a <= 2; a += 1) {
            const ii = i + a * step;
            if (ii < 0 || ii >= width) continue;
            const p = jj * width + ii,
              vp = source[p]!;
            if (vp < 0 || material[p]! >= MATERIAL.ground !== behind || material[p] === MATERIAL.sky) continue;
            const r = p * 3;
            let facing = nx * normal[r]! + ny * normal[r + 1]! + nz * normal[r + 2]!;
            if (facing < SAME_FACING) continue;
            facing *= facing;
            facing *= facing;
            const off = (place[r]! - x) * nx + (place[r + 1]! - y) * ny + (place[r + 2]! - z) * nz,
              difference = vp - v,
              doubt = 1 + difference * difference * explained;
            const w =
              (KERNEL[a < 0 ? -a : a]! * KERNEL[b < 0 ? -b : b]! * facing) /
              ((1 + off * off * (behind ? 0.05 : tolerance)) * doubt * doubt);
            sum += w * vp;
            weights += w;
          }
        }
        target[o] = weights > 0 ? sum / weights : v;
      }
    const swap = source;
    source = target;
    target = swap;
  }
  return source;
}

/** Fills a visibility ratio that is known every `step` pixels, guided by place, normal and kind of surface. */
export function spreadVisible(
  { width, height, place, normal, material }: ViewBuffers,
  visible: Float32Array,
  from: number,
  to: number,
  step: number,
): void {
  const lastX = width - 1 - ((width - 1) % step),
    lastY = Math.min(height, to) - 1 - ((Math.min(height, to) - 1 - from) % step);
  for (let j = from; j < to; j += 1)
    for (let i = 0; i < width; i += 1) {
      const i0 = i - (i % step),
        j0 = j - ((j - from) % step);
      if (i === i0 && j === j0) continue;
      const o = j * width + i,
        q = o * 3,
        m = material[o]!;
      if (m === MATERIAL.sky) {
        visible[o] = 1;
        continue;
      }
      const left = j0 * width + i0,
        right = left - i0 + Math.min(i0 + step, lastX),
        down = (Math.min(j0 + step, lastY) - j0) * width;
      const known = visible[left]!;
      if (known >= 0 && visible[right] === known && visible[left + down] === known && visible[right + down] === known) {
        visible[o] = known;
        continue;
      }
      let sum = 0,
        weights = 0,
        anySum = 0,
        anyWeights = 0;
      for (let b = 0; b < 2; b += 1)
        for (let a = 0; a < 2; a += 1) {
          const x = Math.min(i0 + a * step, lastX),
            y = Math.min(j0 + b * step, lastY),
            p = y * width + x,
            r = p * 3,
            v = visible[p]!;
          if (v < 0) continue;
          const near =
            (1 - Math.abs(i - i0 - a * step) / step + 0.02) * (1 - Math.abs(j - j0 - b * step) / step + 0.02);
          anySum += v * near;
          anyWeights += near;
          if (material[p]! >= MATERIAL.ground !== m >= MATERIAL.ground) continue;
          const off =
            (place[r]! - place[q]!) * normal[q]! +
            (place[r + 1]! - place[q + 1]!) * normal[q + 1]! +
            (place[r + 2]! - place[q + 2]!) * normal[q + 2]!;
          const facing = normal[q]! * normal[r]! + normal[q + 1]! * normal[r + 1]! + normal[q + 2]! * normal[r + 2]!;
          const w = near * Math.exp(-off * off * 8) * Math.max(0.02, facing);
          sum += v * w;
          weights += w;
        }
      visible[o] = weights > 1e-4 ? sum / weights : anyWeights > 0 ? anySum / anyWeights : -1;
    }
}
