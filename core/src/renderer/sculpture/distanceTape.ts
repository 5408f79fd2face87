/**
 * A signed distance field as data: a list of instructions over a few registers, so that it can be pruned to what matters
 * in a region and run over whole blocks of points. Distances in centimetres, negative inside.
 * Source of the primitives and smooth unions: the published distance functions of implicit modelling; pruning is forward
 * (what a smooth minimum cannot feel within a radius) and backward (registers that nothing reads any more).
 */
export const KIND = {
  ellipsoid: 0,
  capsule: 1,
  register: 2,
  frame: 3,
  mirror: 4,
  plane: 5,
  cylinder: 6,
  ring: 7,
  strands: 8,
  material: 9,
  brim: 10,
  crown: 11,
  lensRim: 12,
  offset: 13,
} as const;

/** How a primitive joins what its register holds: in its place, united, cut to the common part, or taken away. */
export const JOIN = { set: 0, unite: 1, intersect: 2, subtract: 3 } as const;
export type Join = (typeof JOIN)[keyof typeof JOIN];

/** Figures that an instruction may have. */
export const PARAMETERS = 12;
const REGISTERS = 8;
const FAR = 1e9;
/** Fields are not exact distances: within a region values may move by this much more than its radius. */
const SLACK = 1.2;
const BLOCK = 1024;

/** Registers after the last evaluation of a single point. */
export const registers = new Float64Array(REGISTERS);
/** The material of the last point that was evaluated. */
export const found = { material: 0 };

const kept = new Uint8Array(1024);
const materialValue = new Float64Array(1024);
const blockRegisters = Array.from({ length: REGISTERS }, () => new Float64Array(BLOCK));
const [blockValue, blockX, blockY, blockZ] = [
  new Float64Array(BLOCK),
  new Float64Array(BLOCK),
  new Float64Array(BLOCK),
  new Float64Array(BLOCK),
];

const joined = (join: number, soft: number, held: number, value: number): number => {
  if (join === JOIN.set) return value;
  const other = join === JOIN.subtract ? -value : value;
  const reach = soft - Math.abs(held - other);
  const blend = reach > 0 ? (reach * reach) / (4 * soft) : 0;
  return join === JOIN.unite ? (held < other ? held : other) - blend : (held > other ? held : other) + blend;
};

/** A frozen tape. */
export class Tape {
  readonly length: number;
  /** every instruction, in order */
  readonly all: Uint16Array;

  constructor(
    private readonly kinds: Uint8Array,
    private readonly targets: Uint8Array,
    private readonly joins: Uint8Array,
    private readonly softness: Float64Array,
    private readonly parameters: Float64Array,
  ) {
    this.length = kinds.length;
    this.all = Uint16Array.from(kinds, (_, i) => i);
  }

  /** The value of one primitive, without joining it. */
  private primitive(i: number, x: number, y: number, z: number): number {
    const p = this.parameters;
    const b = i * PARAMETERS;
    switch (this.kinds[i]) {
      case KIND.ellipsoid: {
        const px = x - p[b]!,
          py = y - p[b + 1]!,
          pz = z - p[b + 2]!;
        const ax = px * p[b + 3]!,
          ay = py * p[b + 4]!,
          az = pz * p[b + 5]!,
          bx = px * p[b + 6]!,
          by = py * p[b + 7]!,
          bz = pz * p[b + 8]!;
        const k0 = Math.sqrt(ax * ax + ay * ay + az * az);
        return (k0 * (k0 - 1)) / (Math.sqrt(bx * bx + by * by + bz * bz) + 1e-9);
      }
      case KIND.capsule: {
        const px = x - p[b]!,
          py = y - p[b + 1]!,
          pz = z - p[b + 2]!,
          dx = p[b + 3]!,
          dy = p[b + 4]!,
          dz = p[b + 5]!;
        let h = (px * dx + py * dy + pz * dz) * p[b + 6]!;
        h = h < 0 ? 0 : h > 1 ? 1 : h;
        const qx = px - dx * h,
          qy = py - dy * h,
          qz = pz - dz * h;
        return Math.sqrt(qx * qx + qy * qy + qz * qz) - (p[b + 7]! + p[b + 8]! * h);
      }
      case KIND.register:
        return registers[p[b]!]!;
      case KIND.plane:
        return p[b]! * x + p[b + 1]! * y + p[b + 2]! * z - p[b + 3]!;
      case KIND.cylinder: {
        const px = x - p[b]!,
          py = y - p[b + 1]!;
        return Math.sqrt(px * px + py * py) - p[b + 2]!;
      }
      case KIND.ring: {
        const across = z / (p[b + 1]! + p[b + 2]! * y),
          up = y / p[b]!;
        const beside = (Math.sqrt(across * across + up * up) - 1) * (p[b]! + p[b + 1]!) * 0.45;
        return Math.sqrt(beside * beside + x * x) - p[b + 3]!;
      }
      case KIND.brim: {
        const across = x / p[b]!,
          deep = z / p[b + 1]!;
        const height = Math.abs(y - p[b + 3]! * x * x + p[b + 4]! * z * z) - p[b + 2]!;
        const beyond = (Math.sqrt(across * across + deep * deep) - 1) * p[b]!;
        const round = 0.25 - Math.abs(height - beyond);
        return (Math.max(height, beyond) + (round > 0 ? round * round : 0)) * 0.8;
      }
      case KIND.crown: {
        const up = Math.min(1, Math.max(0, y / p[b + 3]!)),
          scale = 1 - p[b + 2]! * up;
        const across = x / (p[b]! * scale),
          deep = z / (p[b + 1]! * scale);
        const beyond = (Math.sqrt(across * across + deep * deep) - 1) * p[b]! * scale;
        const over = y - p[b + 3]! + Math.exp(-x * x * 0.12);
        const round = 2 - Math.abs(beyond - over);
        return Math.max(Math.max(beyond, over) + (round > 0 ? (round * round) / 8 : 0), -y - 0.2) * 0.9;
      }
      case KIND.lensRim: {
        const off = z - (p[b + 5]! - p[b + 6]! * x * x);
        const qx = Math.abs(x - p[b]!) - p[b + 2]!,
          qy = Math.abs(y - p[b + 1]!) - p[b + 3]!;
        const mx = qx > 0 ? qx : 0,
          my = qy > 0 ? qy : 0;
        const beside = Math.sqrt(mx * mx + my * my) + Math.min(Math.max(qx, qy), 0) - p[b + 4]!;
        return (Math.sqrt(beside * beside + off * off) - p[b + 7]!) * 0.85;
      }
      default:
        return FAR;
    }
  }

  /** What combing adds to a register at a place. */
  private combed(i: number, x: number, y: number, z: number): number {
    const p = this.parameters;
    const b = i * PARAMETERS;
    const angle = Math.atan2(x, y - p[b + 1]!);
    return (
      p[b]! *
      (Math.sin(angle * p[b + 2]! + 1.3 * Math.sin(z * 0.45 + angle * 3)) * 0.6 +
        Math.sin(angle * p[b + 3]! + 2.1 * Math.sin(z * 0.3 + 1)) * 0.4)
    );
  }

  /**
   * The distance at one point, by the instructions `list[from..to)`. Leaves the material in `found` and the registers as they end.
   */
  distance(list: Uint16Array, from: number, to: number, X: number, Y: number, Z: number): number {
    const { kinds, targets, joins, softness, parameters: p } = this;
    let x = X,
      y = Y,
      z = Z,
      nearest = FAR,
      material = 0;
    for (let q = from; q < to; q += 1) {
      const i = list[q]!;
      const b = i * PARAMETERS;
      const register = targets[i]!;
      switch (kinds[i]) {
        case KIND.frame: {
          const px = x - p[b]!,
            py = y - p[b + 1]!,
            pz = z - p[b + 2]!;
          x = p[b + 3]! * px + p[b + 4]! * py + p[b + 5]! * pz;
          y = p[b + 6]! * px + p[b + 7]! * py + p[b + 8]! * pz;
          z = p[b + 9]! * px + p[b + 10]! * py + p[b + 11]! * pz;
          continue;
        }
        case KIND.mirror:
          x = Math.sqrt(X * X + p[b]!);
          y = Y;
          z = Z;
          continue;
        case KIND.strands:
          registers[register]! += this.combed(i, x, y, z);
          continue;
        case KIND.offset:
          registers[register]! += p[b]!;
          continue;
        case KIND.material:
          if (registers[register]! < nearest) {
            nearest = registers[register]!;
            material = p[b]!;
          }
          continue;
      }
      registers[register] = joined(joins[i]!, softness[i]!, registers[register]!, this.primitive(i, x, y, z));
    }
    found.material = material;
    return nearest;
  }

  /** Instructions that can matter within a radius of a point, written to `out`; how many they are. */
  // eslint-disable-next-line complexity -- inner loop over pixels or cells: a call each costs more than it tells
  prune(list: Uint16Array, count: number, X: number, Y: number, Z: number, radius: number, out: Uint16Array): number {
    const { kinds, targets, joins, softness, parameters: p } = this;
    const margin = 2 * radius * SLACK;
    let x = X,
      y = Y,
      z = Z,
      nearest = FAR;
    for (let q = 0; q < count; q += 1) {
      const i = list[q]!;
      const b = i * PARAMETERS;
      const register = targets[i]!;
      kept[q] = 1;
      switch (kinds[i]) {
        case KIND.frame: {
          const px = x - p[b]!,
            py = y - p[b + 1]!,
            pz = z - p[b + 2]!;
          x = p[b + 3]! * px + p[b + 4]! * py + p[b + 5]! * pz;
          y = p[b + 6]! * px + p[b + 7]! * py + p[b + 8]! * pz;
          z = p[b + 9]! * px + p[b + 10]! * py + p[b + 11]! * pz;
          continue;
        }
        case KIND.mirror:
          x = Math.sqrt(X * X + p[b]!);
          y = Y;
          z = Z;
          continue;
        case KIND.strands:
          continue;
        case KIND.offset:
          registers[register]! += p[b]!;
          continue;
        case KIND.material:
          materialValue[q] = registers[register]!;
          if (registers[register]! < nearest) nearest = registers[register]!;
          continue;
      }
      const value = this.primitive(i, x, y, z);
      const held = registers[register]!;
      const join = joins[i]!;
      const soft = softness[i]!;
      const felt =
        join === JOIN.set ||
        (join === JOIN.unite
          ? value < held + soft + margin
          : (join === JOIN.intersect ? value : -value) > held - soft - margin);
      if (felt) registers[register] = joined(join, soft, held, value);
      else kept[q] = 0;
    }
    // backward: what nothing reads any more
    let live = 0;
    let coordinatesRead = false;
    for (let q = count - 1; q >= 0; q -= 1) {
      if (!kept[q]) continue;
      const i = list[q]!;
      const kind = kinds[i]!;
      const bit = 1 << targets[i]!;
      if (kind === KIND.material) {
        if (materialValue[q]! > nearest + margin) kept[q] = 0;
        else live |= bit;
      } else if (kind === KIND.frame) {
        if (!coordinatesRead) kept[q] = 0;
      } else if (kind === KIND.mirror) {
        if (!coordinatesRead) kept[q] = 0;
        coordinatesRead = false;
      } else if (!(live & bit)) {
        kept[q] = 0;
      } else {
        const sets = kind !== KIND.strands && kind !== KIND.offset && joins[i] === JOIN.set;
        if (sets) live &= ~bit;
        if (kind === KIND.register) live |= 1 << p[i * PARAMETERS]!;
        else if (kind !== KIND.offset) coordinatesRead = true;
      }
    }
    let written = 0;
    for (let q = 0; q < count; q += 1) if (kept[q]) out[written++] = list[q]!;
    return written;
  }

  /** Distances at `n` points (at most 1024), instruction by instruction in tight loops. */
  // eslint-disable-next-line complexity, max-lines-per-function -- inner loop over pixels or cells: a call each costs more than it tells
  distances(
    list: Uint16Array,
    count: number,
    n: number,
    xs: Float64Array,
    ys: Float64Array,
    zs: Float64Array,
    out: Float32Array,
  ): void {
    const { kinds, targets, joins, softness, parameters: p } = this;
    const [X, Y, Z] = [blockX, blockY, blockZ];
    out.fill(FAR, 0, n);
    for (let j = 0; j < n; j += 1) {
      X[j] = xs[j]!;
      Y[j] = ys[j]!;
      Z[j] = zs[j]!;
    }
    for (let q = 0; q < count; q += 1) {
      const i = list[q]!;
      const b = i * PARAMETERS;
      const held = blockRegisters[targets[i]!]!;
      let value: Float64Array = blockValue;
      switch (kinds[i]) {
        case KIND.ellipsoid: {
          const cx = p[b]!,
            cy = p[b + 1]!,
            cz = p[b + 2]!,
            ix = p[b + 3]!,
            iy = p[b + 4]!,
            iz = p[b + 5]!,
            jx = p[b + 6]!,
            jy = p[b + 7]!,
            jz = p[b + 8]!;
          for (let j = 0; j < n; j += 1) {
            const px = X[j]! - cx,
              py = Y[j]! - cy,
              pz = Z[j]! - cz;
            const ax = px * ix,
              ay = py * iy,
              az = pz * iz,
              bx = px * jx,
              by = py * jy,
              bz = pz * jz;
            const k0 = Math.sqrt(ax * ax + ay * ay + az * az);
            value[j] = (k0 * (k0 - 1)) / (Math.sqrt(bx * bx + by * by + bz * bz) + 1e-9);
          }
          break;
        }
        case KIND.capsule: {
          const ax = p[b]!,
            ay = p[b + 1]!,
            az = p[b + 2]!,
            dx = p[b + 3]!,
            dy = p[b + 4]!,
            dz = p[b + 5]!,
            inverse = p[b + 6]!,
            radius = p[b + 7]!,
            grows = p[b + 8]!;
          for (let j = 0; j < n; j += 1) {
            const px = X[j]! - ax,
              py = Y[j]! - ay,
              pz = Z[j]! - az;
            let h = (px * dx + py * dy + pz * dz) * inverse;
            h = h < 0 ? 0 : h > 1 ? 1 : h;
            const qx = px - dx * h,
              qy = py - dy * h,
              qz = pz - dz * h;
            value[j] = Math.sqrt(qx * qx + qy * qy + qz * qz) - (radius + grows * h);
          }
          break;
        }
        case KIND.register:
          value = blockRegisters[p[b]!]!;
          break;
        case KIND.frame: {
          const cx = p[b]!,
            cy = p[b + 1]!,
            cz = p[b + 2]!,
            m0 = p[b + 3]!,
            m1 = p[b + 4]!,
            m2 = p[b + 5]!,
            m3 = p[b + 6]!,
            m4 = p[b + 7]!,
            m5 = p[b + 8]!,
            m6 = p[b + 9]!,
            m7 = p[b + 10]!,
            m8 = p[b + 11]!;
          for (let j = 0; j < n; j += 1) {
            const px = X[j]! - cx,
              py = Y[j]! - cy,
              pz = Z[j]! - cz;
            X[j] = m0 * px + m1 * py + m2 * pz;
            Y[j] = m3 * px + m4 * py + m5 * pz;
            Z[j] = m6 * px + m7 * py + m8 * pz;
          }
          continue;
        }
        case KIND.mirror: {
          const soft = p[b]!;
          for (let j = 0; j < n; j += 1) {
            X[j] = Math.sqrt(xs[j]! * xs[j]! + soft);
            Y[j] = ys[j]!;
            Z[j] = zs[j]!;
          }
          continue;
        }
        case KIND.material:
          for (let j = 0; j < n; j += 1) if (held[j]! < out[j]!) out[j] = held[j]!;
          continue;
        case KIND.offset: {
          const by = p[b]!;
          for (let j = 0; j < n; j += 1) held[j]! += by;
          continue;
        }
        case KIND.strands:
          for (let j = 0; j < n; j += 1) held[j]! += this.combed(i, X[j]!, Y[j]!, Z[j]!);
          continue;
        default:
          for (let j = 0; j < n; j += 1) value[j] = this.primitive(i, X[j]!, Y[j]!, Z[j]!);
      }
      const soft = softness[i]!;
      const quarter = soft > 0 ? 1 / (4 * soft) : 0;
      switch (joins[i]) {
        case JOIN.set:
          for (let j = 0; j < n; j += 1) held[j] = value[j]!;
          break;
        case JOIN.unite:
          for (let j = 0; j < n; j += 1) {
            const d = held[j]!,
              v = value[j]!,
              h = soft - Math.abs(d - v);
            held[j] = (d < v ? d : v) - (h > 0 ? h * h * quarter : 0);
          }
          break;
        case JOIN.intersect:
          for (let j = 0; j < n; j += 1) {
            const d = held[j]!,
              v = value[j]!,
              h = soft - Math.abs(d - v);
            held[j] = (d > v ? d : v) + (h > 0 ? h * h * quarter : 0);
          }
          break;
        case JOIN.subtract:
          for (let j = 0; j < n; j += 1) {
            const d = held[j]!,
              v = -value[j]!,
              h = soft - Math.abs(d - v);
            held[j] = (d > v ? d : v) + (h > 0 ? h * h * quarter : 0);
          }
          break;
      }
    }
  }
}
