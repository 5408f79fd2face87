import { type Join, KIND, PARAMETERS, Tape } from './distanceTape';

/** Instructions in the making; `tape()` freezes them. */
export class TapeBuilder {
  private readonly kinds: number[] = [];
  private readonly targets: number[] = [];
  private readonly joins: number[] = [];
  private readonly softness: number[] = [];
  private readonly parameters: number[] = [];

  private add(kind: number, register: number, join: number, soft: number, ...values: number[]): this {
    this.kinds.push(kind);
    this.targets.push(register);
    this.joins.push(join);
    this.softness.push(soft);
    for (let i = 0; i < PARAMETERS; i += 1) this.parameters.push(values[i] ?? 0);
    return this;
  }
  ellipsoid(
    register: number,
    join: Join,
    soft: number,
    [cx, cy, cz]: readonly [number, number, number],
    [rx, ry, rz]: readonly [number, number, number],
  ): this {
    return this.add(
      KIND.ellipsoid,
      register,
      join,
      soft,
      cx,
      cy,
      cz,
      1 / rx,
      1 / ry,
      1 / rz,
      1 / (rx * rx),
      1 / (ry * ry),
      1 / (rz * rz),
    );
  }
  capsule(
    register: number,
    join: Join,
    soft: number,
    [ax, ay, az]: readonly [number, number, number],
    [bx, by, bz]: readonly [number, number, number],
    radiusA: number,
    radiusB: number,
  ): this {
    const [dx, dy, dz] = [bx - ax, by - ay, bz - az];
    return this.add(
      KIND.capsule,
      register,
      join,
      soft,
      ax,
      ay,
      az,
      dx,
      dy,
      dz,
      1 / (dx * dx + dy * dy + dz * dz),
      radiusA,
      radiusB - radiusA,
    );
  }
  ball(register: number, join: Join, soft: number, [x, y, z]: readonly [number, number, number], radius: number): this {
    return this.capsule(register, join, soft, [x, y, z], [x, y + 1e-3, z], radius, radius);
  }
  /** joins another register */
  join(register: number, join: Join, soft: number, other: number): this {
    return this.add(KIND.register, register, join, soft, other);
  }
  /** following instructions see coordinates moved here and turned about x, y and z, radians */
  frame([cx, cy, cz]: readonly [number, number, number], aboutX: number, aboutY: number, aboutZ: number): this {
    const [ca, sa, cb, sb, cc, sc] = [
      Math.cos(aboutX),
      Math.sin(aboutX),
      Math.cos(aboutY),
      Math.sin(aboutY),
      Math.cos(aboutZ),
      Math.sin(aboutZ),
    ];
    return this.add(
      KIND.frame,
      0,
      0,
      0,
      cx,
      cy,
      cz,
      cc * cb,
      cc * sb * sa - sc * ca,
      cc * sb * ca + sc * sa,
      sc * cb,
      sc * sb * sa + cc * ca,
      sc * sb * ca - cc * sa,
      -sb,
      cb * sa,
      cb * ca,
    );
  }
  /** following instructions see both halves of the body as one; `soft` rounds the crease on the mid-line */
  mirror(soft: number): this {
    return this.add(KIND.mirror, 0, 0, 0, soft * soft);
  }
  plane(register: number, join: Join, soft: number, normal: readonly [number, number, number], at: number): this {
    const length = Math.hypot(...normal);
    return this.add(
      KIND.plane,
      register,
      join,
      soft,
      normal[0] / length,
      normal[1] / length,
      normal[2] / length,
      at / length,
    );
  }
  /** an endless cylinder along z */
  cylinder(register: number, join: Join, soft: number, cx: number, cy: number, radius: number): this {
    return this.add(KIND.cylinder, register, join, soft, cx, cy, radius);
  }
  /** an upright oval tube, narrower towards the bottom */
  ring(
    register: number,
    join: Join,
    soft: number,
    radiusY: number,
    radiusZ: number,
    taper: number,
    tube: number,
  ): this {
    return this.add(KIND.ring, register, join, soft, radiusY, radiusZ, taper, tube);
  }
  /** combs a register: strands about a height */
  strands(register: number, amplitude: number, atY: number, coarse: number, fine: number): this {
    return this.add(KIND.strands, register, 0, 0, amplitude, atY, coarse, fine);
  }
  offset(register: number, by: number): this {
    return this.add(KIND.offset, register, 0, 0, by);
  }
  /** a hat's brim, curled at the sides */
  brim(
    register: number,
    join: Join,
    soft: number,
    radiusX: number,
    radiusZ: number,
    thick: number,
    curl: number,
    dip: number,
  ): this {
    return this.add(KIND.brim, register, join, soft, radiusX, radiusZ, thick, curl, dip);
  }
  crown(
    register: number,
    join: Join,
    soft: number,
    radiusX: number,
    radiusZ: number,
    taper: number,
    height: number,
  ): this {
    return this.add(KIND.crown, register, join, soft, radiusX, radiusZ, taper, height);
  }
  /** the wire round a lens that follows the face */
  lensRim(
    register: number,
    join: Join,
    soft: number,
    [cx, cy]: readonly [number, number],
    [halfX, halfY]: readonly [number, number],
    round: number,
    atZ: number,
    bow: number,
    tube: number,
  ): this {
    return this.add(KIND.lensRim, register, join, soft, cx, cy, halfX, halfY, round, atZ, bow, tube);
  }
  /** what a register holds is of this material; the nearest of all is the surface */
  material(register: number, material: number): this {
    return this.add(KIND.material, register, 0, 0, material);
  }

  tape(): Tape {
    return new Tape(
      Uint8Array.from(this.kinds),
      Uint8Array.from(this.targets),
      Uint8Array.from(this.joins),
      Float64Array.from(this.softness),
      Float64Array.from(this.parameters),
    );
  }
}
