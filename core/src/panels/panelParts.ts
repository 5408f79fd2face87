import {
  type Arrangement,
  AS_IT_STANDS,
  flashAt,
  lampAt,
  lightConfig,
  type Receiver,
  receiverOf,
  type Standing,
  standing,
} from '../gain';
import type { Kit } from '../gear';
import { type MeteringPoint, type Panel, type Setup, tintMiredOf } from '../setup';
import type { PointSolution } from '../balance';

/** Whose light it is that a panel throws or takes. */
export type PanelPartOf = { kind: 'ambient' } | { kind: 'light'; lightId: string } | { kind: 'lamp'; lampId: string };

/** What a panel does at a point: what everything there gains by it, of one source at a time and together, stops. */
export interface PanelAtPoint {
  parts: { of: PanelPartOf; stops: number }[];
  togetherStops: number;
  /** how much warmer all the light there is by it, mired */
  tintMired: number;
}

/** What rises by less is not told as a part, stops. */
const TOLD_STOPS = 0.02;

/** A source at a point with the panel and without it. */
interface Part {
  of: PanelPartOf;
  /** linear: what the panel adds; below 0 what it takes */
  linear: number;
}

/** By how much a whole grows by a part of it, stops. */
const riseBy = (whole: number, part: number): number => Math.log2(whole / Math.max(1e-9, whole - part));

/**
 * What a panel does at a point to the light that is there and to every flash and lamp, by the estimate for the ambient and by
 * the geometry for the others.
 * @param ambientStops what it does to the ambient with its lamps, by the estimate
 * @returns null where the point is not metered, or nothing says where it lies
 */
export function panelAtPoint(
  setup: Setup,
  kit: Kit,
  panel: Panel,
  point: MeteringPoint,
  solved: PointSolution | undefined,
  ambientStops: number,
): PanelAtPoint | null {
  const receiver = receiverOf(point, setup);
  if (solved?.ambientEv100 == null || receiver === null) return null;
  // before there are camera settings no flash is known, and the ambient alone is the whole
  const ambientLevel = solved.ambientStops ?? 0;
  const ambient = 2 ** ambientLevel;
  const without: Arrangement = (one) => (one.id === panel.id ? null : one);
  const stands: Stands = { all: standing(setup, kit, AS_IT_STANDS), less: standing(setup, kit, without) };
  const lamps = lampParts(setup, kit, receiver, stands, solved.ambientEv100 - ambientLevel);
  const byLamps = lamps.reduce((sum, { linear }) => sum + linear, 0);
  const parts: Part[] = [
    { of: { kind: 'ambient' }, linear: ambient * (1 - 2 ** -ambientStops) - byLamps },
    ...lamps,
    ...lightParts(setup, kit, receiver, stands, solved),
  ];
  const whole = solved.sources.reduce((sum, { stops }) => sum + 2 ** stops, ambient);
  const together = parts.reduce((sum, { linear }) => sum + linear, 0);
  return {
    parts: parts
      .map(({ of, linear }) => ({ of, stops: riseBy(whole, linear) }))
      .filter(({ stops }) => Math.abs(stops) >= TOLD_STOPS),
    togetherStops: riseBy(whole, together),
    tintMired: tintMiredOf(panel) * Math.max(0, together / whole),
  };
}

/** All panels as they stand, and all but one. */
interface Stands {
  all: Standing[];
  less: Standing[];
}

/** The share of a level that is there by a panel; below 0 where it takes some. */
function shareBy(level: (panels: readonly Standing[]) => number | null, { all, less }: Stands): number {
  const withIt = level(all);
  if (withIt === null) return 0;
  const withoutIt = level(less);
  return withoutIt === null ? 1 : 1 - 2 ** (withoutIt - withIt);
}

function lightParts(setup: Setup, kit: Kit, receiver: Receiver, stands: Stands, { sources }: PointSolution): Part[] {
  return sources.flatMap(({ lightId, stops }): Part[] => {
    const light = setup.lights.find(({ id }) => id === lightId);
    const config = light === undefined ? null : lightConfig(kit, light);
    if (light === undefined || config === null) return [];
    const level = (panels: readonly Standing[]) => flashAt(light, config, 0, receiver, setup, panels);
    return [{ of: { kind: 'light', lightId }, linear: 2 ** stops * shareBy(level, stands) }];
  });
}

/** Lamps by their stated light: what they give is part of the ambient. @param greyEv100 what lands at mid grey */
function lampParts(setup: Setup, kit: Kit, receiver: Receiver, stands: Stands, greyEv100: number): Part[] {
  return setup.lamps.flatMap((lamp): Part[] => {
    const level = (panels: readonly Standing[]) => lampAt(lamp, kit, receiver, setup, panels);
    const there = lamp.on ? level(stands.all) : null;
    if (there === null) return [];
    return [{ of: { kind: 'lamp', lampId: lamp.id }, linear: 2 ** (there - greyEv100) * shareBy(level, stands) }];
  });
}
