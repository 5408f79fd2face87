import { MOST_OBSTACLES, type Spot } from '../documents';
import { wrapDeg } from '../scene';
import {
  dayOf,
  isOver,
  type ReachSpan,
  reachSpans,
  safeUntil,
  type SunDay,
  type SunTrack,
  sunTrack,
  type Viewer,
} from '../sky';

/** Eyes over the ground: metres. Source: usual heights of adults. */
export const EYES_M = { standing: 1.6, seated: 1.15 } as const;
/** How far a shade's edge is to stay away, where nobody says otherwise, metres. */
export const CLEARANCE_M = 2;
const RADIANS = Math.PI / 180;

/** A spot with a place, and how far behind people what is seen behind them lies. */
export interface SpotPlan {
  spot: Pick<Spot, 'outline' | 'looksDeg'> & { place: NonNullable<Spot['place']> };
  backgroundM: number | null;
}

/** How far beside straight on the sun still comes in by a window, degrees. */
const BY_WINDOW_DEG = 80;

/** What hides the sun at a spot: what stands round it, and of a room all but the way that its windows face. */
export function sunOutline({
  outline,
  light,
  windowsFaceDeg,
}: Pick<Spot, 'outline' | 'light' | 'windowsFaceDeg'>): Spot['outline'] {
  if (light !== 'indoors' || windowsFaceDeg === null) return outline;
  const walls: Spot['outline'][number] = {
    fromDeg: (windowsFaceDeg + BY_WINDOW_DEG) % 360,
    toDeg: (windowsFaceDeg + 360 - BY_WINDOW_DEG) % 360,
    size: { by: 'angle', riseDeg: 89 },
    leaves: false,
  };
  return [...outline, walls];
}

/** When the sun reaches a sitter, and when what lies behind. */
export interface SpotSun {
  track: SunTrack;
  day: SunDay;
  standing: ReachSpan[];
  seated: ReachSpan[];
  /** null where it is not said which way the camera looks or how far the background is */
  background: ReachSpan[] | null;
}

/** The sun at a spot over a stretch of time, such as a local day. */
export function spotSun({ spot, backgroundM }: SpotPlan, fromMs: number, toMs: number): SpotSun {
  const { latitudeDeg, longitudeDeg } = spot.place;
  const track = sunTrack(latitudeDeg, longitudeDeg, fromMs, toMs);
  const behind = behindOf(spot.looksDeg, backgroundM);
  const spans = (viewer: Viewer) => reachSpans(track, spot.outline, viewer);
  return {
    track,
    day: dayOf(track),
    standing: spans(upright(EYES_M.standing)),
    seated: spans(upright(EYES_M.seated)),
    background: behind === null ? null : spans(behind),
  };
}

const upright = (upM: number): Viewer => ({ eastM: 0, northM: 0, upM });

/** The middle of what is seen behind people, straight beyond them as the camera looks. */
function behindOf(looksDeg: number | null, backgroundM: number | null): Viewer | null {
  if (looksDeg === null || backgroundM === null) return null;
  const [eastM, northM] = [Math.sin(looksDeg * RADIANS), Math.cos(looksDeg * RADIANS)].map(
    (part) => part * backgroundM,
  );
  return { eastM: eastM ?? 0, northM: northM ?? 0, upM: EYES_M.standing };
}

/** A change of the light at a spot: the sun comes or goes for people or for what is behind them. */
export interface ShadeEdge {
  of: 'people' | 'background';
  comes: boolean;
  atMs: number;
  /** the last minute at which the edge is still as far away as was asked for; null: it never is */
  safeMs: number | null;
  /** it is a matter of leaves: not to be relied on */
  leaves: boolean;
  /** the same for people who sit, where that is another minute */
  seatedMs: number | null;
}

const MINUTE_MS = 60_000;

/** When shade begins and ends over a stretch of time, the horizon's own rise and set included. */
export function shadeEdges(plan: SpotPlan, sun: SpotSun, clearanceM = CLEARANCE_M): ShadeEdge[] {
  const { outline, looksDeg } = plan.spot;
  const behind = behindOf(looksDeg, plan.backgroundM);
  const edgesOf = (
    of: ShadeEdge['of'],
    spans: readonly ReachSpan[],
    viewer: Viewer,
    seated: readonly ReachSpan[] | null,
  ) =>
    spans.slice(1).flatMap((span, index): ShadeEdge[] => {
      const before = spans[index];
      const comes = span.reach === 'sun';
      if (before === undefined || (!comes && before.reach !== 'sun')) return [];
      const near = seated?.slice(1).find((one, at) => {
        const earlier = seated[at];
        return (
          one.reach === span.reach &&
          earlier?.reach === before.reach &&
          Math.abs(one.fromMs - span.fromMs) < 60 * MINUTE_MS
        );
      });
      const differs = near !== undefined && Math.abs(near.fromMs - span.fromMs) >= MINUTE_MS;
      return [
        {
          of,
          comes,
          atMs: span.fromMs,
          safeMs: safeUntil(sun.track, outline, viewer, before, clearanceM),
          leaves: span.reach === 'leaves' || before.reach === 'leaves',
          seatedMs: differs ? near.fromMs : null,
        },
      ];
    });
  return [
    ...edgesOf('people', sun.standing, upright(EYES_M.standing), sun.seated),
    ...(behind === null || sun.background === null ? [] : edgesOf('background', sun.background, behind, null)),
  ].sort((a, b) => a.atMs - b.atMs);
}

/** Where the sun stands against the frame: behind people, beside them, in front on their faces, or in the picture. */
export type AgainstFrame = 'behind' | 'side' | 'front' | 'in-frame';

/** Half of what a usual portrait lens sees, and what lies so near to the frame that it may flare, degrees. */
const IN_FRAME_DEG = 20;
const FLARES_DEG = 45;
const BEHIND_DEG = 45;

/** The sun against the way that the camera looks. */
export interface SunInFrame {
  against: AgainstFrame;
  /** from where the camera looks to the sun, positive to the right */
  asideDeg: number;
  /** how far to turn the camera, away from the sun, until it does not shine on the lens; null: it does not */
  turnDeg: number | null;
}

/** How the sun stands to a camera that looks along a bearing; null: it is down. */
export function sunInFrame(
  { altitudeDeg, azimuthDeg }: { altitudeDeg: number; azimuthDeg: number },
  looksDeg: number,
): SunInFrame | null {
  if (altitudeDeg < 0) return null;
  const asideDeg = wrapDeg(azimuthDeg - looksDeg);
  const apart = Math.acos(Math.cos(altitudeDeg * RADIANS) * Math.cos(asideDeg * RADIANS)) / RADIANS;
  const off = Math.abs(asideDeg);
  const against =
    apart < IN_FRAME_DEG ? 'in-frame' : off <= BEHIND_DEG ? 'behind' : off < 180 - BEHIND_DEG ? 'side' : 'front';
  // as far as the sun has then to lie aside, at its height, to be outside of what flares
  const needed = Math.cos(FLARES_DEG * RADIANS) / Math.cos(altitudeDeg * RADIANS);
  const mustDeg = needed >= 1 ? 0 : Math.acos(needed) / RADIANS;
  const turnDeg = off >= mustDeg ? null : (asideDeg < 0 ? 1 : -1) * Math.ceil(mustDeg - off);
  return { against, asideDeg, turnDeg };
}

/** How far the skyline that hid or let go the sun is taken to go on: after it where it left, before it where it came. */
const GOES_ON_DEG = 30;
const BESIDE_DEG = 3;

/**
 * What the sun teaches of the skyline at the moment at which it goes behind it or comes over it: there it is as high as the
 * sun. What was drawn there as it is seen is corrected; what is known by height and distance stays.
 */
export function learnOutline(
  outline: Spot['outline'],
  { altitudeDeg, azimuthDeg }: { altitudeDeg: number; azimuthDeg: number },
  what: 'left' | 'came',
): Spot['outline'] {
  const riseDeg = Math.min(89, Math.max(0, Math.round(altitudeDeg * 10) / 10));
  const compass = (deg: number) => Math.round(((deg % 360) + 360) % 360);
  const covers = (one: Spot['outline'][number]) => one.size.by === 'angle' && !one.leaves && isOver(one, azimuthDeg);
  if (outline.some(covers))
    return outline.map((one) => (covers(one) ? { ...one, size: { by: 'angle', riseDeg } } : one));
  const [before, after] = what === 'left' ? [BESIDE_DEG, GOES_ON_DEG] : [GOES_ON_DEG, BESIDE_DEG];
  const learnt: Spot['outline'][number] = {
    fromDeg: compass(azimuthDeg - before),
    toDeg: compass(azimuthDeg + after),
    size: { by: 'angle', riseDeg },
    leaves: false,
  };
  return [...outline, learnt].slice(-MOST_OBSTACLES);
}
