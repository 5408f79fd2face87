import { EYES, panelFlat } from '../gain';
import type { Kit } from '../gear';
import { direction, dot, minus, type Place, unitOf } from '../scene';
import type { Panel, Setup } from '../setup';

/** How a panel's light falls on the eyes, apart from how much it is. */
export interface PanelOnEyes {
  /** where the camera sees it in the eyes, hours of a clock; null: not within the iris */
  catchLightHour: number | null;
  /** it comes from under the eyes */
  fromBelow: boolean;
}

/** Light from lower than this looks as from below, degrees under the eyes. */
const BELOW_DEG = 20;
/** An eye shows the camera what lies where its surface is turned by no more than this, degrees: the iris on the cornea. */
const IRIS_DEG = 40;
const DEGREES = 180 / Math.PI;
const HOURS = 12;

/**
 * How a panel shows in the eyes: the cornea is a small convex mirror, which shows a thing where its surface halves the way
 * to it and the way to the camera.
 */
export function panelOnEyes(panel: Panel, { stage, ...setup }: Setup, kit: Kit): PanelOnEyes {
  const { at } = panelFlat(panel, kit, panel);
  const camera: Place = { x: 0, y: stage.cameraUpM, z: stage.cameraM };
  const [toPanel, toCamera] = [unitOf(minus(at, EYES)), unitOf(minus(camera, EYES))];
  const half = unitOf({ x: toPanel.x + toCamera.x, y: toPanel.y + toCamera.y, z: toPanel.z + toCamera.z });
  // eyes look at the camera as far as the head is turned to it
  const gaze = setup.look.faceBy === 'light' ? toCamera : unitOf(mid(direction(stage.subject.turnDeg), toCamera));
  const shows = Math.acos(Math.min(1, dot(half, gaze))) * DEGREES < IRIS_DEG;
  const hour = Math.round((Math.atan2(half.x - gaze.x, half.y - gaze.y) * HOURS) / (2 * Math.PI));
  return {
    catchLightHour: shows ? ((hour + HOURS - 1) % HOURS) + 1 : null,
    fromBelow: -Math.asin(toPanel.y) * DEGREES > BELOW_DEG,
  };
}

const mid = (a: Place, b: Place): Place => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, z: (a.z + b.z) / 2 });
