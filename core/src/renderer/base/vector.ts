/** A place or direction of the picture's scene: x to the camera's right, y up, z from the subject to the camera; places in centimetres. */
export type Vec = readonly [number, number, number];

export const minus = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vec, b: Vec): Vec => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const lengthOf = (a: Vec): number => Math.sqrt(dot(a, a));
/** The direction of a vector; straight ahead for one without length. */
export const unit = (a: Vec): Vec => {
  const length = lengthOf(a);
  return length === 0 ? [0, 0, 1] : [a[0] / length, a[1] / length, a[2] / length];
};

/** 0 below `a`, 1 above `b`, smooth between. */
export function smoothstep(a: number, b: number, x: number): number {
  const t = Math.min(1, Math.max(0, (x - a) / (b - a)));
  return t * t * (3 - 2 * t);
}
