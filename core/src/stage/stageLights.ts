import { focalLengthMm } from '../exposure';
import { FULL_FRAME_DIAGONAL_MM, type Kit } from '../gear';
import { aimPlace, EYES, lightAxis, type LightConfig } from '../gain';
import { type Beam, beamShare, type Modifier } from '../modifiers';
import { type Flat, type FrameView, frameView, lightPlace, type Place, unitOf } from '../scene';
import type { Light, LightRole, Setup } from '../setup';

/** One light as it stands. Places in metres, the eyes in the middle. */
export interface StageLight {
  lightId: string;
  index: number;
  role: LightRole;
  group: Light['group'];
  at: Place;
  /** direction that it points in */
  axis: Place;
  /** its luminous face */
  flat: Flat;
  overGroundM: number;
  /** from the nose line, in plan; positive to the camera's right */
  noseDeg: number;
  /** over the eyes, seen from them */
  riseDeg: number;
  softnessDeg: number;
  /** how wide half of its light reaches at what it aims at */
  beamM: number;
  halfBeamDeg: number;
  faceStops: number | null;
  /** at the feet of who stands there, against the face; null where it does not reach one of them */
  feetStops: number | null;
  /** brightest over darkest of the background's middle and corners in the frame; null where it is not there */
  cornersStops: number | null;
  backgroundStops: number | null;
  powerText: string | null;
}

/** A bare head's own reflector, across. */
const BARE_M = 0.17;
const USUAL_FOCAL_MM = 50;

/** The luminous face of a light that stands at a place and points along an axis. */
export function lightFlat({ shape }: Pick<Modifier, 'shape'>, at: Place, axis: Place): Flat {
  const [widthM, tallM, round] =
    shape.kind === 'point'
      ? ([BARE_M, BARE_M, true] as const)
      : shape.kind === 'round'
        ? ([shape.diameterM, shape.diameterM, true] as const)
        : ([shape.widthM, shape.heightM, false] as const);
  return { at, faces: unitOf(axis), widthM, tallM, round };
}

/** The angle off the axis where a beam has half of its light, degrees. */
export function halfBeamDeg(beam: Beam): number {
  if (beam.kind === 'cone') return beam.fullDeg / 2;
  let [inside, outside] = [0, 89];
  for (let i = 0; i < 20; i += 1) {
    const middle = (inside + outside) / 2;
    if (beamShare(beam, middle) >= 0.5) inside = middle;
    else outside = middle;
  }
  return inside;
}

export const RADIANS = Math.PI / 180;

/** Where a light stands and how it points; a point without a place is taken for the face. */
export function placed(setup: Setup, light: Light, { modifier }: Pick<LightConfig, 'modifier'>) {
  const aim = aimPlace(setup, light.aimPointId);
  const at = lightPlace(aim, light);
  const axis = lightAxis(at, aim, light.featherDeg);
  return { aim, at, axis, flat: lightFlat(modifier, at, axis) };
}

export const cameraAt = ({ stage }: Setup): Place => ({ x: 0, y: stage.cameraUpM, z: stage.cameraM });

/** What the camera of a setup sees; it looks at the subject. */
export function setupView(setup: Setup, kit: Kit): { focalMm: number; view: FrameView } {
  const body = kit.cameras.find(({ id }) => id === setup.camera.cameraId);
  const lens = kit.lenses.find(({ id }) => id === setup.camera.lensId);
  const focalMm = lens === undefined ? (setup.camera.focalMm ?? USUAL_FOCAL_MM) : focalLengthMm(lens, setup.camera);
  return {
    focalMm,
    view: frameView(
      cameraAt(setup),
      EYES,
      focalMm,
      body?.sensorDiagonalMm ?? FULL_FRAME_DIAGONAL_MM,
      setup.stage.upright,
    ),
  };
}
