import { type Balance, balance } from '../balance';
import type { Kit } from '../gear';
import { sameSource } from '../lights';
import { type Fact, meterScene } from '../metering';
import { formatShare, formatStops, sayStops } from '../notation';
import { type Setting, type Setup, withSettings } from '../setup';
import { lightNameInText } from '../words';

/** One thing that a change moves along with it. */
export interface RippleMove {
  what: string;
  from: string;
  to: string;
  /** the size in words where it has one: `0.3 stops darker` */
  words: string | null;
}

/** What follows from a change before it is made. */
export interface Ripple {
  /** settings and tones that move with it */
  moves: RippleMove[];
  /** what must be set by hand for the look to hold */
  follow: string[];
  /** readings that no longer hold after it, as sentences */
  stale: string[];
}

const moved = (
  what: string,
  from: string | null | undefined,
  to: string | null | undefined,
  words: string | null = null,
): RippleMove[] => (from == null || to == null || from === to ? [] : [{ what, from, to, words }]);

/** Flash readings of a light that then stands or is made otherwise. */
function staleFlash(setup: Setup, after: Setup, facts: readonly Fact[]): string[] {
  const moved = setup.lights.filter((light) => {
    const then = after.lights.find(({ id }) => id === light.id);
    return then === undefined || !sameSource(light, then) || light.distanceM !== then.distanceM;
  });
  const points = new Map(setup.points.map(({ id, name }) => [id, name]));
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
  return [...touched].map(
    (id) =>
      `The flash reading at ${(points.get(id) ?? 'a point').toLowerCase()} was taken with the light as it stood: read it again.`,
  );
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
  const [a, b] = [from.camera, to.camera];
  const [p, q] = [from.light?.solution, to.light?.solution];
  const tones = from.points.flatMap((point) => {
    const then = to.points.find(({ pointId }) => pointId === point.pointId);
    if (
      point.placedStops === null ||
      then?.placedStops == null ||
      Math.abs(then.placedStops - point.placedStops) < 0.05
    )
      return [];
    return [
      {
        what: point.name,
        from: formatStops(point.placedStops),
        to: formatStops(then.placedStops),
        words: sayStops(then.placedStops - point.placedStops),
      },
    ];
  });
  return {
    moves: [
      ...moved('Shutter', a?.text.shutter, b?.text.shutter),
      ...moved('Aperture', a?.text.aperture, b?.text.aperture),
      ...moved('ISO', a?.text.iso, b?.text.iso),
      ...moved('Filter', a?.text.filters ?? 'none', b?.text.filters ?? 'none'),
      ...tones,
      ...moved('Flash share', p && formatShare(p.flashShare), q && formatShare(q.flashShare)),
    ],
    follow: followUp(from, to),
    stale: staleFlash(setup, changed.value, facts),
  };
}

/** What hands must do after it: the flash's power, and what is then out of reach. */
function followUp(from: Balance, to: Balance): string[] {
  const q = to.light?.solution;
  const lines: string[] = [];
  if (to.camera !== null && !to.camera.met) lines.push(to.camera.reason);
  if (q == null) return lines;
  if (q.powerText === null) lines.push('No flash can help then: the ambient reaches the wanted place of the face.');
  for (const then of to.lights) {
    const before = from.lights.find(({ lightId }) => lightId === then.lightId);
    const name = to.lights.length === 1 ? 'the flash' : lightNameInText(then);
    if (then.outOfRange !== null)
      lines.push(
        `${name.replace(/^./, (letter) => letter.toUpperCase())} is then ${sayReach(then.outOfRange.byStops)} ${then.outOfRange.direction}.`,
      );
    else if (
      then.powerStops !== null &&
      (before?.powerStops == null || Math.abs(then.powerStops - before.powerStops) > 1e-6)
    )
      lines.push(
        `Set ${name} to ${then.powerText ?? ''}${before?.powerStops == null ? '' : `, ${sayStops(then.powerStops - before.powerStops)} than now`}.`,
      );
  }
  return lines;
}

const sayReach = (stops: number) => `${formatStops(stops).replace('+', '')} stops`;
