import { type Balance, balance, type PointSolution } from '../balance';
import type { CameraSolution } from '../exposure';
import type { Kit } from '../gear';
import { sameSource } from '../gain';
import type { LightSolution } from '../lights';
import { type Fact, meterScene } from '../metering';
import { type Setting, type Setup, withSettings } from '../setup';

/** Less than this is not seen in a picture, stops. */
const SEEN_STOPS = 0.05;

/** One thing that a change moves along with it. Dials are as they print it. */
export type RippleMove =
  | { kind: 'shutter' | 'aperture' | 'iso'; fromText: string; toText: string }
  /** names of filters; null: none */
  | { kind: 'filters'; fromNames: string | null; toNames: string | null }
  | { kind: 'tone'; pointId: string; fromStops: number; toStops: number }
  | { kind: 'share'; from: number; to: number };

/** What hands must do for the look to hold, and what is then out of reach. `lightId` null: the only light. */
export type RippleFollow =
  | { kind: 'camera-cannot'; camera: CameraSolution }
  | { kind: 'no-flash-can-help' }
  | { kind: 'out-of-reach'; lightId: string | null; byStops: number; direction: 'too-weak' | 'too-strong' }
  /** `changeStops` is null where there was no power before */
  | { kind: 'set-power'; lightId: string | null; powerText: string; changeStops: number | null };

/** What follows from a change before it is made. */
export interface Ripple {
  /** settings and tones that move with it */
  moves: RippleMove[];
  follow: RippleFollow[];
  /** points whose flash readings no longer hold after it */
  stalePointIds: string[];
}

/** Flash readings of a light that then stands or is made otherwise. */
function staleFlash(setup: Setup, after: Setup, facts: readonly Fact[]): string[] {
  const moved = setup.lights.filter((light) => {
    const then = after.lights.find(({ id }) => id === light.id);
    return then === undefined || !sameSource(light, then) || light.distanceM !== then.distanceM;
  });
  const touched = new Set(
    facts.flatMap((fact) =>
      fact.type === 'reading' &&
      fact.setupId === setup.id &&
      fact.struckAt === null &&
      fact.fired.some(({ lightId }) => moved.some(({ id }) => id === lightId))
        ? [fact.pointId]
        : [],
    ),
  );
  return [...touched];
}

/**
 * Everything that changes with these settings: the dials that follow, the tones that land elsewhere, the power that
 * keeps the look, and the readings that no longer hold.
 * @returns null when the settings are not admissible
 */
export function ripple(
  setup: Setup,
  kit: Kit,
  facts: readonly Fact[],
  clock: Date,
  settings: readonly Setting[],
): Ripple | null {
  const changed = withSettings(setup, settings);
  if (!changed.ok) return null;
  const from = balance(setup, kit, meterScene(setup, kit, facts, clock));
  // other points or another way to set the face are read anew
  const to = balance(changed.value, kit, meterScene(changed.value, kit, facts, clock));
  return {
    moves: [
      ...dialMoves(from.camera, to.camera),
      ...from.points.flatMap((point) => toneMove(point, to)),
      ...shareMove(from.light?.solution, to.light?.solution),
    ],
    follow: followUp(from, to),
    stalePointIds: staleFlash(setup, changed.value, facts),
  };
}

const DIALS = ['shutter', 'aperture', 'iso'] as const;
/** Dials that then print something else. */
function dialMoves(from: CameraSolution | null, to: CameraSolution | null): RippleMove[] {
  const moves: RippleMove[] = DIALS.flatMap((kind) => {
    const [fromText, toText] = [from?.text[kind], to?.text[kind]];
    return fromText === undefined || toText === undefined || fromText === toText ? [] : [{ kind, fromText, toText }];
  });
  const [fromNames, toNames] = [from?.text.filters ?? null, to?.text.filters ?? null];
  return fromNames === toNames ? moves : [...moves, { kind: 'filters', fromNames, toNames }];
}

function toneMove({ pointId, placedStops }: PointSolution, to: Balance): RippleMove[] {
  const then = to.points.find((point) => point.pointId === pointId)?.placedStops ?? null;
  return placedStops === null || then === null || Math.abs(then - placedStops) < SEEN_STOPS
    ? []
    : [{ kind: 'tone', pointId, fromStops: placedStops, toStops: then }];
}

/** A share is told in whole per cent: less than that is no change. */
function shareMove(from: LightSolution | null | undefined, to: LightSolution | null | undefined): RippleMove[] {
  if (from == null || to == null) return [];
  const percent = ({ flashShare }: LightSolution) => Math.round(flashShare * 100);
  return percent(from) === percent(to) ? [] : [{ kind: 'share', from: from.flashShare, to: to.flashShare }];
}

/** What hands must do after it: the flash's power, and what is then out of reach. */
function followUp(from: Balance, to: Balance): RippleFollow[] {
  const solution = to.light?.solution;
  const follow: RippleFollow[] = [];
  if (to.camera !== null && !to.camera.met) follow.push({ kind: 'camera-cannot', camera: to.camera });
  if (solution == null) return follow;
  if (solution.powerText === null) follow.push({ kind: 'no-flash-can-help' });
  for (const then of to.lights) {
    const before = from.lights.find(({ lightId }) => lightId === then.lightId)?.powerStops ?? null;
    const lightId = to.lights.length === 1 ? null : then.lightId;
    const changeStops = before === null || then.powerStops === null ? null : then.powerStops - before;
    if (then.outOfRange !== null) {
      const { byStops, direction } = then.outOfRange;
      follow.push({ kind: 'out-of-reach', lightId, byStops, direction });
    } else if (then.powerStops !== null && (changeStops === null || Math.abs(changeStops) > 1e-6))
      follow.push({ kind: 'set-power', lightId, powerText: then.powerText ?? '', changeStops });
  }
  return follow;
}
