import { type Balance, balance } from '../balance';
import { lightConfig } from '../gain';
import { type Kit, offered } from '../gear';
import { evenness } from '../lights';
import { type Fact, type MeteredScene, meterScene } from '../metering';
import { apparentSizeDeg } from '../modifiers';
import { heightAt, type Light, lightPath, type Setting, type Setup, withSettings } from '../setup';

/** Another way to the same light, with what it changes. */
export interface EqualLook {
  id: string;
  how: EqualWay;
  power: { fromText: string | null; toText: string; distanceM: number };
  softness: { fromDeg: number; toDeg: number };
  /** brightest over darkest of a group, stops; null for one person */
  spread: { fromStops: number; toStops: number } | null;
  /** where the background lands; null where it stays */
  background: { fromStops: number; toStops: number } | null;
  settings: Setting[];
}

/** Half a step closer, or another modifier or unit by name. */
export type EqualWay = { kind: 'closer' } | { kind: 'modifier' | 'unit'; name: string };

/** As near as a stand is moved, and how much nearer half a step is. */
const CENTIMETRE_STEPS = 20;
const HALF_STEP_M = 0.35;

const powerOf = (state: Balance, light: Light) => state.lights.find(({ lightId }) => lightId === light.id);
const background = (state: Balance) => state.points.find(({ role }) => role === 'background')?.placedStops ?? null;

/** Tries settings and says what they change; null where the power is then out of reach. */
function compare(
  id: string,
  how: EqualWay,
  settings: Setting[],
  light: Light,
  now: Balance,
  { setup, kit, scene }: { setup: Setup; kit: Kit; scene: MeteredScene },
): EqualLook | null {
  const changed = withSettings(setup, settings);
  if (!changed.ok) return null;
  const after = balance(changed.value, kit, scene);
  const [from, to] = [powerOf(now, light), powerOf(after, light)];
  const then = changed.value.lights.find((one) => one.id === light.id);
  if (to?.powerText == null || to.outOfRange !== null || then === undefined) return null;
  const [before, config] = [lightConfig(kit, light), lightConfig(kit, then)];
  if (before === null || config === null) return null;
  const spread = (one: Light, its: typeof config) =>
    setup.people === null ? null : evenness(setup, kit, [{ light: one, config: its }], setup.people).spreadStops;
  const [evenBefore, evenAfter] = [spread(light, before), spread(then, config)];
  const [backBefore, backAfter] = [background(now), background(after)];
  return {
    id,
    how,
    settings,
    power: { fromText: from?.powerText ?? null, toText: to.powerText, distanceM: then.distanceM },
    softness: { fromDeg: apparentSizeDeg(before.modifier.shape, light.distanceM), toDeg: to.softnessDeg },
    spread: evenBefore === null || evenAfter === null ? null : { fromStops: evenBefore, toStops: evenAfter },
    background:
      backBefore === null || backAfter === null || Math.abs(backAfter - backBefore) < 0.05
        ? null
        : { fromStops: backBefore, toStops: backAfter },
  };
}

/**
 * Ways to the same light from one of the setup's lights: another modifier at the distance that keeps `D/d` and so the
 * softness, another unit, and half a step closer with what that changes. Power follows so that the light on the point stays.
 */
export function equalLooks(setup: Setup, kit: Kit, facts: readonly Fact[], clock: Date, index: number): EqualLook[] {
  const light = setup.lights[index];
  const config = light === undefined ? null : lightConfig(kit, light);
  if (light === undefined || config === null) return [];
  const scene = meterScene(setup, kit, facts, clock);
  const documents = { setup, kit, scene };
  const now = balance(setup, kit, scene);
  const width = (shape: typeof config.modifier.shape) => 2 * Math.tan((apparentSizeDeg(shape, 1) * Math.PI) / 360);
  const own = width(config.modifier.shape);
  const at = (distanceM: number): Setting[] => [
    { path: lightPath(index, 'distanceM'), value: distanceM },
    { path: lightPath(index, 'heightM'), value: heightAt(light, distanceM) },
  ];
  const free: Setting = { path: lightPath(index, 'locked'), value: false };
  const modifiers =
    own === 0
      ? []
      : offered(kit.modifiers)
          .filter(({ id, shape }) => id !== light.modifierId && shape.kind !== 'point')
          .map((modifier) => {
            const distanceM =
              Math.round(CENTIMETRE_STEPS * light.distanceM * (width(modifier.shape) / own)) / CENTIMETRE_STEPS;
            return compare(
              `modifier:${modifier.id}`,
              { kind: 'modifier', name: modifier.name },
              [{ path: lightPath(index, 'modifierId'), value: modifier.id }, ...at(distanceM), free],
              light,
              now,
              documents,
            );
          });
  const units = offered(kit.flashUnits)
    .filter(({ id }) => !setup.lights.some(({ unitId }) => unitId === id))
    .map((unit) =>
      compare(
        `unit:${unit.id}`,
        { kind: 'unit', name: unit.name },
        [
          { path: lightPath(index, 'unitId'), value: unit.id },
          { path: lightPath(index, 'outlet'), value: null },
          { path: lightPath(index, 'zoomMm'), value: null },
          { path: lightPath(index, 'dialledStops'), value: null },
          free,
        ],
        light,
        now,
        documents,
      ),
    );
  const closerM = Math.round(CENTIMETRE_STEPS * Math.max(0.3, light.distanceM - HALF_STEP_M)) / CENTIMETRE_STEPS;
  const closer =
    closerM < light.distanceM
      ? compare('closer', { kind: 'closer' }, [...at(closerM), free], light, now, documents)
      : null;
  return [closer, ...modifiers, ...units].filter((look) => look !== null);
}
