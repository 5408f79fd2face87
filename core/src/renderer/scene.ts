import type { Rgb } from './base/rgb';
import type { Vec } from './base/vector';
import type { SkyModel } from './light/sky';
import type { BustLook } from './sculpture/bust';

/**
 * Where a head is: its origin between the pupils, and how far the face is turned from the line to the camera,
 * radians, positive to the camera's right.
 */
export interface Person {
  at: Vec;
  turn: number;
}

export const BACKDROPS = ['wall', 'trees', 'water', 'sky'] as const;
export type BackdropKind = (typeof BACKDROPS)[number];

/** A flat thing that light meets: it blocks what falls on it or lets a part of it through. */
export interface Blocker {
  centre: Vec;
  normal: Vec;
  across: Vec;
  up: Vec;
  halfAcross: number;
  halfUp: number;
  round: boolean;
  /** share of the light that goes straight through, 0 to 1 */
  passes: number;
}

/** How the frame is seen: from where, at what, and how high the picture is at that distance, cm. */
export interface Viewpoint {
  from: Vec;
  at: Vec;
  heightCm: number;
}

/** Everything that a picture shows, before any light falls on it. */
export interface PictureScene {
  look: BustLook & { skin: Rgb; hair: Rgb };
  /** the one in focus first */
  people: readonly Person[];
  /** simple bodies stand under the busts down to the ground */
  bodies: boolean;
  groundY: number;
  groundAlbedo: Rgb;
  backdrop: { kind: BackdropKind; z: number; albedo: Rgb };
  sky: SkyModel;
  blockers: readonly Blocker[];
  view: Viewpoint;
}
