import { dot, type Flat, flatAxes, mirrored, unitOf } from './flat';
import { minus, type Place } from './position';

const RADIANS = Math.PI / 180;
/** Lenses: how far their middles lie from the nose line, half width and height, and the radius of their bend; metres. */
const LENS = { asideM: 0.033, halfWideM: 0.024, halfTallM: 0.018, bendM: 0.13, frontM: 0.085 } as const;
const STEPS = 5;

/**
 * True when spectacles show a source to the camera: the camera's ray is mirrored at points over both lenses, and what it
 * meets is looked for on the source's face.
 * @param turnDeg the face, from the line to the camera; @param tiltDeg how far the lenses are tipped down
 */
export function spectaclesShow(source: Flat, camera: Place, eyes: Place, turnDeg: number, tiltDeg: number): boolean {
  const [sin, cos] = [Math.sin(turnDeg * RADIANS), Math.cos(turnDeg * RADIANS)];
  const { across, up } = flatAxes(source.faces);
  for (const side of [-1, 1])
    for (let i = 0; i < STEPS; i += 1)
      for (let j = 0; j < STEPS; j += 1) {
        const [a, b] = [(2 * i) / (STEPS - 1) - 1, (2 * j) / (STEPS - 1) - 1];
        const x = side * LENS.asideM + a * LENS.halfWideM;
        const y = b * LENS.halfTallM;
        // lenses follow the face: they look outwards at its sides
        const bend = x / LENS.bendM / 2;
        const local = {
          x: Math.sin(bend) * Math.cos(tiltDeg * RADIANS),
          y: -Math.sin(tiltDeg * RADIANS),
          z: Math.cos(bend) * Math.cos(tiltDeg * RADIANS),
        };
        const normal = { x: local.x * cos + local.z * sin, y: local.y, z: local.z * cos - local.x * sin };
        const at = { x: eyes.x + x * cos + LENS.frontM * sin, y: eyes.y + y, z: eyes.z + LENS.frontM * cos - x * sin };
        const seen = unitOf(minus(at, camera));
        if (dot(seen, normal) >= 0) continue;
        const ray = mirrored(seen, normal);
        const towards = dot(ray, source.faces);
        if (towards >= -1e-6) continue;
        const far = dot(minus(source.at, at), source.faces) / towards;
        if (far <= 0) continue;
        const off = minus({ x: at.x + ray.x * far, y: at.y + ray.y * far, z: at.z + ray.z * far }, source.at);
        const [u, v] = [dot(off, across) / (source.widthM / 2), dot(off, up) / (source.tallM / 2)];
        if (source.round ? u * u + v * v <= 1 : Math.abs(u) <= 1 && Math.abs(v) <= 1) return true;
      }
  return false;
}
