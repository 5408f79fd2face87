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
  /** from this focal length on it fills the frame where it stands; null: with none */
  fromFocalMm: number | null;
}

const RANGE_M = { least: 0.3, most: 30 };
const RANGE_MM = { least: 1, most: 1200 };
const HALVINGS = 14;

/** What a backdrop that hangs to the ground, its middle behind the subject, has over what is seen of it. */
function spareOf({ backdrop, stage }: Setup, view: FrameView, behindM: number): { asideM: number; aboveM: number } {
  const corners = FRAME_CORNERS.map((corner) => onPlaneBehind(view, behindM, corner));
  const seenAside = Math.max(...corners.map(({ x }) => Math.abs(x)));
  const seenTop = Math.max(...corners.map(({ y }) => y)) + stage.subject.eyesM;
  return { asideM: (backdrop?.widthM ?? Infinity) / 2 - seenAside, aboveM: (backdrop?.tallM ?? Infinity) - seenTop };
}

/** Halves a range down to where something that holds at its one end ends; null where it does not hold there. */
function lastHolding(holdsFrom: number, to: number, holds: (value: number) => boolean): number | null {
  if (!holds(holdsFrom)) return null;
  if (holds(to)) return to;
  let [good, bad] = [holdsFrom, to];
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (good + bad) / 2;
    if (holds(middle)) good = middle;
    else bad = middle;
  }
  return good;
}

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
  const narrowed = (mm: number): FrameView => ({
    ...view,
    halfWidth: (view.halfWidth * focalMm) / mm,
    halfHeight: (view.halfHeight * focalMm) / mm,
  });
  const upToM = lastHolding(RANGE_M.least, RANGE_M.most, (behindM) => fillsWith(view, behindM));
  const shortest = lastHolding(RANGE_MM.most, RANGE_MM.least, (mm) => fillsWith(narrowed(mm), backgroundM));
  const fromFocalMm = shortest === null ? null : Math.ceil(shortest);
  return { fills: fillsWith(view, backgroundM), spareAsideM: asideM, spareAboveM: aboveM, upToM, fromFocalMm };
}
