import type { Kit } from '../gear';
import { FRAME_CORNERS, type FrameView, onPlaneBehind } from '../scene';
import type { Setup } from '../setup';
import { setupView } from './stageLights';

/** Whether a backdrop of stated size fills the frame where it stands. */
export interface BackdropFill {
  fills: boolean;
  /** what is left over on the narrower side, and above; below 0: what is missing, metres */
  spareAsideM: number;
  spareAboveM: number;
  /** as far behind the subject as it still fills the frame; null: nowhere */
  upToM: number | null;
  /** from this focal length on it fills the frame where it stands */
  fromFocalMm: number;
}

const RANGE_M = { least: 0.3, most: 30, step: 0.1 };

/** What a backdrop that hangs to the ground, its middle behind the subject, has over what is seen of it. */
function spareOf({ backdrop, stage }: Setup, view: FrameView, behindM: number): { asideM: number; aboveM: number } {
  const corners = FRAME_CORNERS.map((corner) => onPlaneBehind(view, behindM, corner));
  const seenAside = Math.max(...corners.map(({ x }) => Math.abs(x)));
  const seenTop = Math.max(...corners.map(({ y }) => y)) + stage.subject.eyesM;
  return { asideM: (backdrop?.widthM ?? Infinity) / 2 - seenAside, aboveM: (backdrop?.tallM ?? Infinity) - seenTop };
}

/** How many millimetres a focal length is tried in. */
const FOCAL_STEP_MM = 1;
const MOST_FOCAL_MM = 1200;

/** Whether the backdrop fills the frame; null where its size or its place is not said. Source: pinhole camera. */
export function backdropFill(setup: Setup, kit: Kit): BackdropFill | null {
  const { backdrop, backgroundM } = setup;
  if (backdrop === null || backgroundM === null) return null;
  const { focalMm, view } = setupView(setup, kit);
  const fillsWith = (by: FrameView, behindM: number): boolean => {
    const { asideM, aboveM } = spareOf(setup, by, behindM);
    return asideM >= 0 && aboveM >= 0;
  };
  const { asideM, aboveM } = spareOf(setup, view, backgroundM);
  let upToM: number | null = null;
  for (let behindM = RANGE_M.least; behindM <= RANGE_M.most; behindM += RANGE_M.step) {
    if (!fillsWith(view, behindM)) break;
    upToM = behindM;
  }
  const narrowed = (mm: number): FrameView => ({
    ...view,
    halfWidth: (view.halfWidth * focalMm) / mm,
    halfHeight: (view.halfHeight * focalMm) / mm,
  });
  let fromFocalMm = FOCAL_STEP_MM;
  while (fromFocalMm < MOST_FOCAL_MM && !fillsWith(narrowed(fromFocalMm), backgroundM)) fromFocalMm += FOCAL_STEP_MM;
  return { fills: fillsWith(view, backgroundM), spareAsideM: asideM, spareAboveM: aboveM, upToM, fromFocalMm };
}
