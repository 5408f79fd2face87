import { type Balance, balance } from '../balance';
import type { Kit } from '../gear';
import { type Fact, type MeteredScene, meterScene } from '../metering';
import { changedPanel, type Panel, type Setup } from '../setup';

/** What panels are tried on. */
export interface Trial {
  setup: Setup;
  kit: Kit;
  facts: readonly Fact[];
  clock: Date;
}

/** A setup with one panel standing otherwise, and its numbers. */
export interface Tried {
  setup: Setup;
  panel: Panel;
  scene: MeteredScene;
  now: Balance;
}

/** A moment after everything that was read, and the newest reading of the ambient; null where there is none. */
export function afterReadings({ facts, clock }: Trial): { at: string; newest: string | null } {
  const readings = facts.flatMap((fact) => (fact.type === 'reading' && fact.light === 'ambient' ? [fact.at] : []));
  const newest = readings.reduce<string | null>(
    (latest, at) => (latest === null || Date.parse(at) > Date.parse(latest) ? at : latest),
    null,
  );
  // a clock may lag behind the newest reading, which saw things as they stand
  const at = new Date(Math.max(clock.getTime(), newest === null ? 0 : Date.parse(newest) + 1)).toISOString();
  return { at, newest };
}

/** A panel as it would stand: what readings have seen of it is kept, and it is moved after all of them. */
export function tryPanel(trial: Trial, panel: Panel, over: Partial<Panel>): Tried {
  const { setup, kit, facts, clock } = trial;
  const { at, newest } = afterReadings(trial);
  const moved = changedPanel(panel, over, at, newest);
  const tried = { ...setup, panels: setup.panels.map((one) => (one.id === panel.id ? moved : one)) };
  const scene = meterScene(tried, kit, facts, clock);
  return { setup: tried, panel: moved, scene, now: balance(tried, kit, scene) };
}

/** Lit side of the face over its dark side, with everything that falls on them; null before both are metered. */
export function faceContrastOf({ points }: Pick<Balance, 'points'>): number | null {
  const [lit, dark] = (['face', 'shadow'] as const).map((role) => points.find((point) => point.role === role));
  return lit?.totalStops == null || dark?.totalStops == null ? null : lit.totalStops - dark.totalStops;
}
