import type { Camera } from '../gear';
import type { ExposeBy, MeteringPoint, Setup } from '../setup';

/** Points nearer than this to each other in light stand in the same light. */
const TIED_STOPS = 0.2;

/** A point and the ambient there. */
export interface LitPoint {
  point: MeteringPoint;
  ambientEv100: number;
}

/** What the wish means for the camera, in stops; levels are EV100. */
export interface Intent {
  by: ExposeBy;
  /** the level to be rendered as mid grey; null while a reading that it hangs on is missing */
  targetEv100: number | null;
  /** the final place of the face, feel included */
  finalStops: number;
  feelStops: number;
  /** how far the ambient on the face then sits below its final exposure; 0 or less: no flash can help */
  holdBackStops: number | null;
  /** where the background then lands, before the steps of the dials */
  backgroundStops: number | null;
  /** the highlight that is looked after, and how far it then stays under clipping */
  highlight: { pointId: string; headroomStops: number } | null;
  /** what binds or separates face and background */
  tie: { tied: boolean; backgroundOverFaceStops: number } | null;
  /** the point whose reading is missing for it */
  missingPointId: string | null;
}

/** Points that can burn first, in the order in which they are taken when none is chosen. */
const HIGHLIGHT_ROLES: readonly MeteringPoint['role'][] = ['white', 'sky', 'highlight', 'background'];

/** The highlight to expose by: the chosen one, else the one that would land brightest. */
function highlightPoint({ points, look }: Setup, lit: readonly LitPoint[]): MeteringPoint | undefined {
  const chosen = points.find(({ id }) => id === look.highlightPointId);
  if (chosen !== undefined) return chosen;
  const candidates = lit.filter(({ point }) => HIGHLIGHT_ROLES.includes(point.role));
  const brightest = candidates.reduce<LitPoint | undefined>(
    (best, one) =>
      best === undefined || one.ambientEv100 + one.point.toneStops > best.ambientEv100 + best.point.toneStops
        ? one
        : best,
    undefined,
  );
  return brightest?.point ?? points.find(({ role }) => HIGHLIGHT_ROLES.includes(role));
}

/**
 * Where camera clipping lies at an ISO: an extended ISO under the base is the base pulled down, so the highlights
 * clip earlier by as much.
 */
export const clipsAboveAt = (camera: Camera, sv: number): number =>
  camera.clipsAboveStops - Math.max(0, camera.baseSv - sv);

/**
 * Turns the look into the level that the camera must render as mid grey.
 * With A the ambient on the face, T its final place and C that level: by the face `C = A + h − T`; by the background
 * `C = B + tone − place`; by a highlight `C = H + tone − (clipping − headroom)`. The feel offset comes last and lifts
 * all alike: `C − feel`, `T + feel`.
 * A highlight is placed by its ambient; flash on it is not known until it is metered there.
 * @param withFlash false in video, where no flash fires: then the ambient alone must give T
 */
// eslint-disable-next-line complexity -- the ways to anchor an exposure, in the order of priority
export function exposureIntent(
  setup: Setup,
  camera: Camera | null,
  lit: readonly LitPoint[],
  withFlash: boolean,
): Intent {
  const { look } = setup;
  const evOf = (point: MeteringPoint | undefined) =>
    lit.find((one) => one.point.id === point?.id)?.ambientEv100 ?? null;
  const face = setup.points.find(({ role }) => role === 'face');
  const background = setup.points.find(({ role }) => role === 'background');
  const highlight = highlightPoint(setup, lit);
  const [faceEv, backgroundEv, highlightEv] = [evOf(face), evOf(background), evOf(highlight)];
  const clips = camera === null ? null : clipsAboveAt(camera, setup.camera.limits.baseSv ?? camera.baseSv);

  const led = {
    face: {
      point: face,
      level: faceEv === null ? null : faceEv + (withFlash ? look.holdBackStops : 0) - look.faceStops,
    },
    background: {
      point: background,
      level:
        backgroundEv === null || background === undefined
          ? null
          : backgroundEv + background.toneStops - look.backgroundStops,
    },
    highlight: {
      point: highlight,
      level:
        highlightEv === null || highlight === undefined || clips === null
          ? null
          : highlightEv + highlight.toneStops - (clips - look.headroomStops),
    },
  }[look.exposeBy];
  const targetEv100 = led.level === null ? null : led.level - look.feelStops;
  const finalStops = look.faceStops + look.feelStops;
  const placed = (ev: number | null, point: MeteringPoint | undefined) =>
    ev === null || point === undefined || targetEv100 === null ? null : ev + point.toneStops - targetEv100;
  const highlightStops = placed(highlightEv, highlight);
  const backgroundOverFaceStops = faceEv === null || backgroundEv === null ? null : backgroundEv - faceEv;
  return {
    by: look.exposeBy,
    targetEv100,
    finalStops,
    feelStops: look.feelStops,
    holdBackStops: faceEv === null || targetEv100 === null ? null : finalStops - (faceEv - targetEv100),
    backgroundStops: placed(backgroundEv, background),
    highlight:
      highlight === undefined || highlightStops === null || clips === null
        ? null
        : { pointId: highlight.id, headroomStops: clips - highlightStops },
    tie:
      backgroundOverFaceStops === null
        ? null
        : {
            tied: Math.abs(backgroundOverFaceStops) < TIED_STOPS,
            backgroundOverFaceStops,
          },
    missingPointId: led.level === null ? (led.point?.id ?? null) : null,
  };
}
